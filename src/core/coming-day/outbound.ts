// A campaign that is worked beside the queues on a day that is played: the dialer and the rules are the real ones, the people of its list are as it has met them.
import { type Chance, createChance, seedFor } from '@/core/chance'
import { createDialer, type RecordSource } from '@/core/dialer'
import type { Command } from '@/core/floor'
import { type AgentId, type AttemptId, type CampaignId, ListIdSchema, RecordIdSchema } from '@/core/ids'
import type { LedgerEntry } from '@/core/ledger'
import { campaignSetUp, type SetUp } from '@/core/set-up'
import type { FloorState } from '@/core/state'
import { get } from '@/core/table'
import { SECOND } from '@/core/time'
import { type Durations, quantileAt } from './callers'

export interface Outbound {
  readonly campaignId: CampaignId
  /** So many of those on duty work it besides their queues: the last who were called in. */
  readonly agents: number
  /** From the start of the day, milliseconds. */
  readonly fromMs: number
  readonly toMs: number
  /** Of those who are called, how many answer in person; of the others half let it ring, the rest are machines. */
  readonly answers: number
  readonly talkMs: Durations
  readonly wrapUpMs: Durations
}

/** Live it looks eight times as often: a day to come is not told apart by it. */
const TICK_MS = 2 * SECOND
const RINGS_MS = [3_000, 14_000] as const
const GREETS_MS = [900, 2_000] as const
const HANGS_UP_AFTER_MS = 4 * SECOND

type Report = Extract<Command, { kind: 'reportAttempt' }>

export interface OutboundDay {
  /** When people are called next; null for not any more, or for nobody. */
  nextAtMs(state: FloorState): number | null
  tick(state: FloorState, atMs: number): void
  /** What follows from what happened: reports of the network, each after a time. */
  observe(entries: readonly LedgerEntry[], state: FloorState): void
  /** How long a call of it is talked on, and its wrap-up. */
  manner(callId: string): { readonly talkMs: number; readonly wrapUpMs: number }
}

interface Options {
  readonly outbound: Outbound
  readonly startMs: number
  readonly seed: number
  readonly give: (command: Command, atMs: number) => boolean
  readonly later: (atMs: number, report: Report) => void
}

export function createOutbound({ outbound, startMs, seed, give, later }: Options): OutboundDay {
  const { campaignId, fromMs, toMs, answers } = outbound
  const dialer = createDialer({ seed: seedFor(seed, 'dialer'), tickMs: TICK_MS })
  const source = endless(campaignId)
  const is = new Map<AttemptId, 'person' | 'machine' | 'nobody'>()
  const chanceOf = (id: string, purpose: string): Chance => createChance(seedFor(seed, `${purpose} ${id}`))
  const between = ([from, to]: readonly [number, number], chance: Chance) => Math.round(from + chance.next() * (to - from))
  const report = (atMs: number, attemptId: AttemptId, what: Report['report']) => later(atMs, { kind: 'reportAttempt', attemptId, report: what })

  return {
    nextAtMs(state) {
      const atMs = dialer.nextTickAtMs(state)
      return atMs === null || atMs >= startMs + toMs ? null : Math.max(atMs, startMs + fromMs)
    },
    tick: (state, atMs) => dialer.tick(state, atMs, source, (command) => (give(command, atMs) ? null : 'refused')),
    observe(entries, state) {
      dialer.observe(entries)
      for (const { event, atMs } of entries) {
        if (event.kind === 'attemptMade' && event.callId === null) {
          const chance = chanceOf(event.attemptId, 'answers')
          const roll = chance.next()
          const who = roll < answers ? 'person' : roll < answers + (1 - answers) / 2 ? 'nobody' : 'machine'
          is.set(event.attemptId, who)
          report(atMs + 700, event.attemptId, { is: 'rings' })
          if (who !== 'nobody') report(atMs + Math.min(event.ringLimitMs - 500, between(RINGS_MS, chance)), event.attemptId, { is: 'answered' })
        } else if (event.kind === 'attemptAnswered') {
          const attempt = get(state.attempts, event.attemptId)
          if (attempt === undefined) continue
          const { detector, detectorDrops } = campaignSetUp(state.setUp, attempt.campaignId)
          const chance = chanceOf(event.attemptId, 'greets')
          const isPerson = is.get(event.attemptId) === 'person'
          const inMs = between(GREETS_MS, chance)
          const passes = !detector || (isPerson ? chance.next() >= detectorDrops : chance.next() < 0.1)
          report(atMs + inMs, event.attemptId, passes ? { is: 'live', sinceGreetingMs: detector ? 300 : 0 } : { is: 'machine' })
        } else if (event.kind === 'attemptMessagePlayed') report(atMs + HANGS_UP_AFTER_MS, event.attemptId, { is: 'hungUp' })
        else if (event.kind === 'attemptEnded') is.delete(event.attemptId)
      }
    },
    manner(callId) {
      const chance = chanceOf(callId, 'talks')
      return { talkMs: quantileAt(outbound.talkMs, chance.next()), wrapUpMs: quantileAt(outbound.wrapUpMs, chance.next()) }
    },
  }
}

/** A list that is never done: numbers reserved for fiction, time after time. */
function endless(campaignId: CampaignId): RecordSource {
  let n = 0
  const listId = ListIdSchema.parse('list_played')
  return {
    next: (id) => {
      if (id !== campaignId) return undefined
      n++
      const number = `+447700900${String(n % 1_000).padStart(3, '0')}`
      return { recordId: RecordIdSchema.parse(`record_played-${n}`), listId, key: null, person: 'Somebody', number, zones: [], fields: {}, tries: 0 }
    },
    giveBack: () => {},
    isDone: () => false,
  }
}

/** The set-up in which they may work it. Records that are looked at first are called at once: nobody knows how long somebody would look. */
export function withOutbound(setUp: SetUp, { campaignId }: Outbound, agentIds: readonly AgentId[]): SetUp {
  return {
    ...setUp,
    campaigns: setUp.campaigns.map((c) =>
      c.id === campaignId
        ? { ...c, manner: c.manner === 'preview' ? 'progressive' : c.manner, agentIds: [...new Set([...c.agentIds, ...agentIds])] }
        : { ...c, agentIds: [] },
    ),
  }
}
