// A shift of one campaign played against a pacer: attempts that ring, are answered or fail, a detector, people who wait for so long, agents who talk, wrap up
// and take breaks. Seeded; whatever chance decides about an attempt is drawn for that attempt alone, so that two pacers meet the same people.
import { bisectRight } from 'd3-array'
import { type Chance, createChance, seedFor } from '@/core/chance'
import type { Observation, Pacer, PacingEvent, Since } from './interface'
import { createPacingLog } from './log'

export interface Spread {
  readonly mean: number
  readonly sd: number
}

export interface CampaignWorld {
  readonly hours: number
  /** The chance that a person answers an attempt, by the share of the shift that is over. */
  readonly answers: (shareOfShift: number) => number
  /** Of those whom no person answers: a machine, busy, no such number; the rest ring in vain. */
  readonly machine: number
  readonly busy: number
  readonly invalid: number
  readonly ringMs: Spread
  /** null: whatever picks up is put through. */
  readonly detector: { readonly machineTakesMs: number; readonly fromMs: number; readonly toMs: number; readonly drops: number; readonly passes: number } | null
  readonly greetingMs: Spread
  readonly rightParty: number
  readonly talkMs: { readonly right: Spread; readonly other: Spread }
  readonly wrapMs: Spread
  readonly breakEveryMs: number
  readonly breakMs: number
  readonly ringLimitMs: number
  readonly connectLimitMs: number
}

export interface Shift {
  readonly world: CampaignWorld
  readonly agents: number
  readonly lines: number
  readonly abandonCap: number
  readonly seed: number
  readonly tickMs: number
  /** Who is called; null or nothing for people without end. */
  readonly list?: FiniteList | null
}

/** People of a list as a simulation takes them: all alike. */
export interface FiniteList {
  readonly people: number
  /** Tries of a person, in all. */
  readonly perRecord: number
  /** From one try to the next of the same person. */
  readonly gapMs: number
}

export interface Shown {
  /** (talk + wrap-up) / (logged on and not on break), after the first twenty minutes. */
  readonly utilisation: number
  readonly liveAnswers: number
  readonly abandoned: number
  /** Share of the day. */
  readonly abandonedShare: number
  /** The highest of any hour that had at least as many people as an hour's fair share. */
  readonly worstHour: number
  readonly attempts: number
  readonly machinesTaken: number
  /** People who were put through to an agent. */
  readonly connected: number
  /** When nobody of the list was left to be called, from the beginning; null when somebody was. */
  readonly listEndsMs: number | null
  /** People of the list who were neither put through nor tried as often as is allowed; null without a list. */
  readonly left: number | null
}

const WARM_UP_MS = 20 * 60_000
const HOUR_MS = 3_600_000

type AgentState = 'idle' | 'talk' | 'wrap' | 'break'
interface Agent {
  state: AgentState
  sinceMs: number
  untilMs: number
  talkMs: number
  nextBreakMs: number
}
interface Attempt {
  readonly id: number
  readonly launchedMs: number
  state: 'ringing' | 'detecting' | 'waiting'
  sinceMs: number
  /** When something comes of it, and what. */
  dueMs: number
  next: 'answered' | 'machine' | 'live' | 'abandon' | { readonly failed: string }
  readonly isPerson: boolean
  readonly chance: Chance
  greetingEndsMs: number
  /** Of this person, with this one. */
  readonly tries: number
}

export function playShift(pacer: Pacer, { world, agents: count, lines, abandonCap, seed, tickMs, list = null }: Shift): Shown {
  const endMs = world.hours * HOUR_MS
  const agents: Agent[] = Array.from({ length: count }, (_, i) => {
    const chance = createChance(seedFor(seed, `agent ${i}`))
    return { state: 'idle', sinceMs: 0, untilMs: Infinity, talkMs: 0, nextBreakMs: chance.exponential(world.breakEveryMs) }
  })
  const handling = createChance(seedFor(seed, 'handling'))
  const open: Attempt[] = []
  const log = createPacingLog()
  let launched = 0
  let [busyMs, presentMs, machinesTaken, connected] = [0, 0, 0, 0]
  const pool = createPool(list)
  let listEndsMs: number | null = null
  const lives: number[] = []
  const abandons: number[] = []
  const tell = (event: PacingEvent) => {
    log.take(event)
    pacer.observe?.(event)
  }

  for (let nowMs = 0; nowMs < endMs; nowMs += tickMs) {
    for (const [i, agent] of agents.entries()) {
      if (agent.untilMs > nowMs) continue
      if (agent.state === 'talk') {
        tell({ type: 'talkEnd', nowMs, agent: i, talkMs: agent.talkMs, machine: false })
        const wrapMs = logNormal(handling, world.wrapMs)
        Object.assign(agent, { state: 'wrap', sinceMs: nowMs, untilMs: nowMs + wrapMs, talkMs: wrapMs })
      } else if (agent.state === 'wrap') {
        tell({ type: 'wrapEnd', nowMs, agent: i, wrapMs: agent.talkMs })
        if (nowMs >= agent.nextBreakMs) {
          tell({ type: 'break', nowMs, agent: i })
          Object.assign(agent, { state: 'break', sinceMs: nowMs, untilMs: nowMs + world.breakMs })
          agent.nextBreakMs = nowMs + world.breakMs + handling.exponential(world.breakEveryMs)
        } else {
          tell({ type: 'ready', nowMs, agent: i })
          Object.assign(agent, { state: 'idle', sinceMs: nowMs, untilMs: Infinity })
        }
      } else if (agent.state === 'break') {
        tell({ type: 'back', nowMs, agent: i })
        Object.assign(agent, { state: 'idle', sinceMs: nowMs, untilMs: Infinity })
      }
    }
    for (let k = open.length - 1; k >= 0; k--) {
      const attempt = open[k] as Attempt
      while (attempt.dueMs <= nowMs) {
        if (!goOn(attempt, nowMs)) {
          open[k] = open.at(-1) as Attempt
          open.pop()
          break
        }
      }
    }
    // Whoever waits longest goes to whoever has been idle longest.
    const waiting = open.filter((a) => a.state === 'waiting').sort((a, b) => a.sinceMs - b.sinceMs || a.id - b.id)
    const idle = waiting.length === 0 ? [] : longestIdle()
    for (const attempt of waiting) {
      const i = idle.shift()
      if (i === undefined) break
      const agent = agents[i] as Agent
      tell({ type: 'connect', nowMs, call: attempt.id, agent: i, agentIdleMs: nowMs - agent.sinceMs })
      if (attempt.isPerson) connected++
      else machinesTaken++
      // Whoever was talked to is not called again; of a machine nobody knows that it was one until it is heard.
      if (!attempt.isPerson) pool.unreached(attempt.tries, nowMs)
      const isRight = attempt.chance.next() < world.rightParty
      const talkMs = attempt.isPerson ? logNormal(attempt.chance, isRight ? world.talkMs.right : world.talkMs.other) : 6_000
      Object.assign(agent, { state: 'talk', sinceMs: nowMs, untilMs: nowMs + talkMs, talkMs })
      open.splice(open.indexOf(attempt), 1)
    }
    if (nowMs >= WARM_UP_MS) {
      for (const { state } of agents) {
        if (state !== 'break') presentMs += tickMs
        if (state === 'talk' || state === 'wrap') busyMs += tickMs
      }
    }
    const wanted = pacer.decide(observe(nowMs))
    const free = lines - open.length
    const share = nowMs / endMs
    for (let n = 0; n < Math.min(free, Math.max(0, Math.floor(wanted))); n++) {
      const tries = pool.take(nowMs)
      if (tries === null) break
      launch(nowMs, share, tries)
    }
    if (listEndsMs === null && open.length === 0 && pool.left() === 0) listEndsMs = nowMs
  }
  const abandoned = abandons.length
  return {
    utilisation: busyMs / Math.max(1, presentMs),
    liveAnswers: lives.length,
    abandoned,
    abandonedShare: abandoned / Math.max(1, lives.length),
    worstHour: worst(lives, abandons, world.hours),
    attempts: launched,
    machinesTaken,
    connected,
    listEndsMs,
    left: list === null ? null : pool.left(),
  }

  function longestIdle(): number[] {
    const ids = agents.flatMap((a, i) => (a.state === 'idle' ? [i] : []))
    return ids.sort((a, b) => (agents[a] as Agent).sinceMs - (agents[b] as Agent).sinceMs || a - b)
  }

  function launch(nowMs: number, share: number, tries: number): void {
    const id = launched++
    const chance = createChance(seedFor(seed, `attempt ${id}`))
    tell({ type: 'launch', nowMs, call: id })
    const isPerson = chance.next() < world.answers(share)
    const roll = chance.next()
    const ringMs = logNormal(chance, world.ringMs)
    const at = (dueMs: number, next: Attempt['next']) =>
      open.push({ id, launchedMs: nowMs, state: 'ringing', sinceMs: nowMs, dueMs, next, isPerson, chance, greetingEndsMs: 0, tries })
    const rings = (ms: number, next: Attempt['next']) =>
      ms >= world.ringLimitMs ? at(nowMs + world.ringLimitMs, { failed: 'noAnswer' }) : at(nowMs + ms, next)
    if (isPerson || roll < world.machine) return void rings(ringMs, 'answered')
    if (roll < world.machine + world.busy) return void at(nowMs + 2_500, { failed: 'busy' })
    if (roll < world.machine + world.busy + world.invalid) return void at(nowMs + 1_500, { failed: 'invalid' })
    at(nowMs + world.ringLimitMs, { failed: 'noAnswer' })
  }

  /** False when it is over. */
  function goOn(attempt: Attempt, nowMs: number): boolean {
    const { next, id: call, chance } = attempt
    const elapsedMs = nowMs - attempt.launchedMs
    if (typeof next === 'object') {
      tell({ type: 'failed', nowMs, call, reason: next.failed, elapsedMs })
      // A number that is nobody's is not tried again.
      if (next.failed !== 'invalid') pool.unreached(attempt.tries, nowMs)
      return false
    }
    switch (next) {
      case 'answered': {
        tell({ type: 'answered', nowMs, call, ringMs: elapsedMs })
        const greetingMs = attempt.isPerson ? Math.max(300, world.greetingMs.mean + world.greetingMs.sd * normal(chance)) : 0
        const { detector } = world
        attempt.state = 'detecting'
        attempt.sinceMs = nowMs
        attempt.greetingEndsMs = nowMs + greetingMs
        if (detector === null) {
          attempt.next = 'live'
          attempt.dueMs = nowMs + greetingMs
          return true
        }
        const isLive = attempt.isPerson ? chance.next() >= detector.drops : chance.next() < detector.passes
        attempt.next = isLive ? 'live' : 'machine'
        attempt.dueMs = attempt.isPerson
          ? attempt.greetingEndsMs + detector.fromMs + chance.next() * (detector.toMs - detector.fromMs)
          : nowMs + detector.machineTakesMs
        if (!attempt.isPerson) attempt.greetingEndsMs = attempt.dueMs
        return true
      }
      case 'machine':
        tell({ type: 'machine', nowMs, call, elapsedMs, sinceAnswerMs: nowMs - attempt.sinceMs })
        pool.unreached(attempt.tries, nowMs)
        return false
      case 'live':
        tell({ type: 'live', nowMs, call, elapsedMs, sinceAnswerMs: nowMs - attempt.sinceMs })
        lives.push(nowMs)
        attempt.state = 'waiting'
        attempt.next = 'abandon'
        attempt.dueMs = Math.max(nowMs + 1, attempt.greetingEndsMs + world.connectLimitMs)
        return true
      case 'abandon':
        tell({ type: 'abandon', nowMs, call })
        abandons.push(nowMs)
        // Not again on the same day.
        return false
    }
  }

  function observe(nowMs: number): Observation {
    const by: Record<AgentState | Attempt['state'], Since[]> = { idle: [], talk: [], wrap: [], break: [], ringing: [], detecting: [], waiting: [] }
    for (const { state, sinceMs } of agents) by[state].push({ elapsedMs: nowMs - sinceMs })
    for (const { state, sinceMs } of open) by[state].push({ elapsedMs: nowMs - sinceMs })
    const { idle, talk, wrap, ringing, detecting, waiting } = by
    return {
      nowMs,
      tickMs,
      abandonCap,
      linesTotal: lines,
      linesFree: lines - open.length,
      agentsLoggedOn: count,
      agentsIdle: idle.length,
      agentsOnBreak: by.break.length,
      idle,
      agentsTalking: talk,
      agentsInWrapUp: wrap,
      ringing,
      detecting,
      waiting,
      ...log.summaries(nowMs),
    }
  }
}

/** Who is left to be called: fresh people first, then those whose gap is over. Without a list there is always somebody. */
export function createPool(list: FiniteList | null) {
  let fresh = list?.people ?? 0
  // One gap for all, so that they come back in the order in which they were called.
  const again: { readonly atMs: number; readonly tries: number }[] = []
  let first = 0
  return {
    /** Which try of theirs it is, 1 for the first; null when nobody may be called now. */
    take(nowMs: number): number | null {
      if (list === null) return 1
      if (fresh > 0) {
        fresh--
        return 1
      }
      const next = again[first]
      if (next === undefined || next.atMs > nowMs) return null
      first++
      return next.tries
    },
    unreached(tries: number, nowMs: number): void {
      if (list !== null && tries < list.perRecord) again.push({ atMs: nowMs + list.gapMs, tries: tries + 1 })
    },
    left: () => fresh + again.length - first,
  }
}

export const logNormal = (chance: Chance, { mean, sd }: Spread): number => {
  if (mean <= 0) return 0
  const sigma = Math.sqrt(Math.log(1 + (sd / mean) ** 2))
  return chance.logNormal(mean / Math.exp((sigma * sigma) / 2), sigma)
}
const normal = (chance: Chance): number => Math.log(chance.logNormal(1, 1))

/** The highest share abandoned of any rolling hour, hours that are not whole yet left out. */
function worst(lives: readonly number[], abandons: readonly number[], hours: number): number {
  let most = 0
  const fair = lives.length / hours / 2
  for (const untilMs of abandons) {
    if (untilMs < HOUR_MS) continue
    const of = within(lives, untilMs)
    if (of >= fair) most = Math.max(most, within(abandons, untilMs) / of)
  }
  return most
}
const within = (sorted: readonly number[], untilMs: number) => bisectRight(sorted, untilMs) - bisectRight(sorted, untilMs - HOUR_MS)
