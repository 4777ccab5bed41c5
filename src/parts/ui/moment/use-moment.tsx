'use client'
// A day and a time of a zone as the instant they are. On two nights of the year clocks change: a time may not come at all, or twice; which of the two is
// meant is asked and never guessed.
import { useId, useState } from 'react'
import { Problem } from '@/parts/ui/field'
import { instantsOf, inZone } from '@/parts/ui/zoned'

export interface Moment {
  /** null while the day or the time is missing, does not come, or comes twice and nobody has said which is meant. */
  readonly atMs: number | null
  readonly ofNight: OfNight | null
}

type OfNight =
  | { readonly kind: 'skipped'; readonly time: string }
  | {
      readonly kind: 'twice'
      readonly time: string
      readonly timeZone: string
      readonly instants: readonly number[]
      readonly chosen: number | null
      choose(i: number): void
    }

export function useMoment(day: string, time: string, timeZone: string): Moment {
  const of = `${day} ${time} ${timeZone}`
  const [which, setWhich] = useState<{ readonly of: string; readonly i: number } | null>(null)
  const instants = timeZone === '' ? null : instantsOf(day, time, timeZone)
  if (instants === null) return { atMs: null, ofNight: null }
  const [first] = instants
  if (first === undefined) return { atMs: null, ofNight: { kind: 'skipped', time } }
  if (instants.length === 1) return { atMs: first, ofNight: null }
  const chosen = which?.of === of ? which.i : null
  return {
    atMs: chosen === null ? null : (instants[chosen] ?? null),
    ofNight: { kind: 'twice', time, timeZone, instants, chosen, choose: (i) => setWhich({ of, i }) },
  }
}

/** What must be said or asked of such a night; nothing on all the others. */
export function ClockNight({ moment }: { moment: Moment }) {
  const id = useId()
  const { ofNight } = moment
  if (ofNight === null) return null
  if (ofNight.kind === 'skipped')
    return (
      <Problem className="basis-full">There is no {ofNight.time} on that night: the clocks are put forward over it. Choose a time before or after.</Problem>
    )
  const { time, timeZone, instants, chosen, choose } = ofNight
  return (
    <fieldset className="mt-1 flex basis-full flex-wrap gap-x-3">
      <legend>{time} comes twice that night. Which?</legend>
      {instants.map((atMs, i) => (
        <label key={atMs} className="flex items-center gap-1.5">
          <input type="radio" name={id} className="accent-green" checked={chosen === i} onChange={() => choose(i)} />
          {i === 0 ? 'before' : 'after'} the clocks go back ({inZone(atMs, timeZone, 'zzz')})
        </label>
      ))}
    </fieldset>
  )
}
