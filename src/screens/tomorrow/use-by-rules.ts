// Agents needed by the rules themselves, found by playing the day; and what the rules make of it, by leaving out one after the other.
import { useEffect, useRef, useState } from 'react'
import type { DayBasis, NeededFound } from '@/core/coming-day'
import { type Asking, neededAside, type Reasons, reasonsAside } from '@/screens/tomorrow/day-ahead/client'

const ROUNDS = 8
const SEEDS = 8
const DAYS_FOR_REASONS = 12

export interface ByRules {
  readonly found: NeededFound | null
  readonly reasons: Reasons | null
  readonly round: number | null
  readonly rounds: number
  readonly problem: string | null
  play(basis: DayBasis, agents: number, share: number): void
  callOff(): void
}

export function useByRules(): ByRules {
  const [found, setFound] = useState<NeededFound | null>(null)
  const [reasons, setReasons] = useState<Reasons | null>(null)
  const [round, setRound] = useState<number | null>(null)
  const [problem, setProblem] = useState<string | null>(null)
  const asking = useRef<Asking<unknown> | null>(null)
  useEffect(() => () => asking.current?.cancel(), [])

  const play = async (basis: DayBasis, agents: number, share: number) => {
    setProblem(null)
    setReasons(null)
    setFound(null)
    setRound(0)
    const looking = neededAside({ basis, from: basis.atWork, agents, share, rounds: ROUNDS, seeds: SEEDS }, (n, soFar) => {
      if (asking.current !== looking) return
      setRound(n)
      setFound(soFar)
    })
    asking.current = looking
    try {
      const needed = await looking.answer
      if (needed === null) return
      setFound(needed)
      setRound(ROUNDS)
      // With the agents of the formula: what the rules make of them.
      const why = reasonsAside(basis, DAYS_FOR_REASONS)
      asking.current = why
      const answer = await why.answer
      if (answer !== null) setReasons(answer)
    } catch (error) {
      setProblem(`The day could not be played: ${error instanceof Error ? error.message : String(error)}. Nothing is lost; press Play it by the rules again.`)
    } finally {
      setRound(null)
    }
  }

  return { found, reasons, round, rounds: ROUNDS, problem, play: (...asked) => void play(...asked), callOff: () => asking.current?.cancel() }
}
