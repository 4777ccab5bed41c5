// Somebody on a calling list, and what they have been through: a fold of attempts and outcomes. Where that leaves them is reckoned from it (standing.ts).
import { FORGOTTEN, gone } from '@/core/forgotten'
import type { AgentId, AttemptId, CallId, ListId, RecordId } from '@/core/ids'
import { type EpochMs, HOUR, MINUTE } from '@/core/time'
import type { AttemptEvent, AttemptResult } from './attempt'
import type { Becomes, RecordEvent } from './record-event'

export interface ListedNumber {
  /** In E.164. */
  readonly number: string
  readonly zones: readonly string[]
}

/** As it was imported. */
export interface ListedRecord {
  readonly recordId: RecordId
  readonly listId: ListId
  /** Of the list's owner, by which a second import finds them again; null where the list has none. */
  readonly key: string | null
  readonly person: string
  /** In the order in which they are tried. */
  readonly numbers: readonly ListedNumber[]
  /** 0 is usual, more goes first. */
  readonly priority: number
  /** Further columns, by their names. */
  readonly fields: Readonly<Record<string, string>>
}

export interface Try {
  readonly attemptId: AttemptId
  readonly number: string
  readonly atMs: EpochMs
  /** null while it is under way. */
  readonly result: AttemptResult | null
  readonly callId: CallId | null
  readonly agentId: AgentId | null
  /** When somebody or something picked up, when a person was there, when words of ours began, and when it was over; null for never, or not yet. */
  readonly answeredAtMs: EpochMs | null
  readonly liveAtMs: EpochMs | null
  readonly messageAtMs: EpochMs | null
  readonly endedAtMs: EpochMs | null
  /** What it was coded as, by its words and by its code; null until it is. */
  readonly label: string | null
  readonly code: string | null
}

export interface RecordLife {
  readonly tries: readonly Try[]
  /** What the last outcome asked for, and which call it was of; null while the campaign's rules decide. */
  readonly becomes: (Becomes & { readonly atMs: EpochMs; readonly callId: CallId; readonly label: string }) | null
  /** Numbers that are not theirs or of nobody, and numbers that may not be called. */
  readonly struck: readonly string[]
  readonly barred: readonly string[]
  /** Tries before this no longer count; 0 for never. */
  readonly putBackAtMs: EpochMs
  /** An agent looks at it before they call. */
  readonly shown: boolean
  /** An agent passed it over, and until when it rests; null for never. */
  readonly rests: { readonly untilMs: EpochMs; readonly why: string } | null
}

export const FRESH: RecordLife = { tries: [], becomes: null, struck: [], barred: [], putBackAtMs: 0, shown: false, rests: null }

/** What stays of it once its person is forgotten: when it was tried, and what came of that. */
export const forgottenLife = (life: RecordLife): RecordLife => ({
  ...life,
  tries: life.tries.map((t) => ({ ...t, number: FORGOTTEN })),
  becomes: life.becomes?.kind === 'wrongNumber' ? { ...life.becomes, number: FORGOTTEN } : life.becomes,
  struck: life.struck.map(() => FORGOTTEN),
  barred: life.barred.map(() => FORGOTTEN),
  rests: life.rests && { ...life.rests, why: gone(life.rests.why) },
})

/** When they were heard of last; null for never. */
export const lastHeardMs = ({ tries, becomes }: RecordLife): EpochMs | null => {
  const last = tries.at(-1)
  return last === undefined ? null : Math.max(last.endedAtMs ?? last.atMs, becomes?.atMs ?? 0)
}

/** A supervisor gives it another chance. */
export interface RecordPutBack {
  readonly kind: 'recordPutBack'
}

export type LifeEvent =
  | Extract<AttemptEvent, { kind: 'attemptMade' | 'attemptEnded' }>
  | Exclude<RecordEvent, { kind: 'recordsPutBack' | 'recordMatched' }>
  | RecordPutBack

export function evolveLife(life: RecordLife, event: LifeEvent, atMs: EpochMs): RecordLife {
  switch (event.kind) {
    case 'attemptMade': {
      const { attemptId, record, callId } = event
      // An entry that is folded in again changes nothing.
      if (life.tries.some((t) => t.attemptId === attemptId)) return life
      // What the last outcome asked for is done with; one that said no more stands, whoever calls all the same.
      const becomes = life.becomes?.kind === 'never' || life.becomes?.kind === 'final' ? life.becomes : null
      const begun = { attemptId, number: record.number, atMs, result: null, callId, agentId: event.agentId, label: null, code: null }
      return { ...life, becomes, tries: [...life.tries, { ...begun, answeredAtMs: null, liveAtMs: null, messageAtMs: null, endedAtMs: null }] }
    }
    case 'attemptEnded': {
      const { attemptId, result, callId, agentId, answeredAtMs, liveAtMs, messageAtMs } = event
      const came = { result, answeredAtMs, liveAtMs, messageAtMs, endedAtMs: atMs }
      const tries = life.tries.map((t) => (t.attemptId === attemptId ? { ...t, ...came, callId: callId ?? t.callId, agentId: agentId ?? t.agentId } : t))
      const number = life.tries.find((t) => t.attemptId === attemptId)?.number
      return { ...life, tries, struck: result === 'invalid' && number !== undefined ? added(life.struck, number) : life.struck }
    }
    case 'recordCoded': {
      const { becomes, callId, label, code } = event
      const tries = life.tries.map((t) => (t.callId === callId ? { ...t, label, code } : t))
      const struck = becomes.kind === 'wrongNumber' ? added(life.struck, becomes.number) : life.struck
      return { ...life, tries, struck, becomes: { ...becomes, atMs, callId, label } }
    }
    case 'recordUncoded': {
      if (life.becomes?.callId !== event.callId) return life
      const { becomes } = life
      const struck = becomes.kind === 'wrongNumber' ? life.struck.filter((n) => n !== becomes.number) : life.struck
      return { ...life, struck, becomes: null, tries: life.tries.map((t) => (t.callId === event.callId ? { ...t, label: null, code: null } : t)) }
    }
    case 'recordBarred':
      return { ...life, barred: added(life.barred, event.number) }
    case 'recordPutBack':
      return { ...life, becomes: null, rests: null, putBackAtMs: atMs }
    case 'recordReleased':
      return life.becomes?.kind === 'callback' && life.becomes.callbackId === event.callbackId ? { ...life, becomes: null } : life
    case 'recordOffered':
      return { ...life, shown: true }
    case 'recordReturned': {
      const restsMs = RESTS_MS[event.because] ?? 0
      return {
        ...life,
        shown: false,
        rests: restsMs === 0 ? life.rests : { untilMs: atMs + restsMs, why: event.why === '' ? 'nobody decided in time' : `skipped: ${event.why}` },
      }
    }
  }
}

/** So that whoever was passed over does not come again at once. */
const RESTS_MS: Partial<Record<string, number>> = { skipped: HOUR, timeOver: 15 * MINUTE }

const added = (all: readonly string[], one: string): readonly string[] => (all.includes(one) ? all : [...all, one])
