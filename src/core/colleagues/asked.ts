// Open questions and wishes, folded from their events.
import type { AgentId } from '@/core/ids'
import type { EpochMs } from '@/core/time'
import type { Answer, ColleagueEvent } from './event'

export interface Pair {
  readonly byAgentId: AgentId
  readonly toAgentId: AgentId
}

export interface Question extends Pair {
  readonly text: string
  readonly askedAtMs: EpochMs
  readonly answered: { readonly answer: Answer; readonly atMs: EpochMs } | null
}

export interface WhenFree extends Pair {
  readonly sinceMs: EpochMs
}

/** Characters of a question; what is longer is cut. */
export const LONGEST_QUESTION = 140
/** Whoever answers `soon` has this long. */
export const SOON_MS = 5 * 60_000

export const pairKey = ({ byAgentId, toAgentId }: Pair): string => `${byAgentId} ${toAgentId}`

type QuestionEvent = Extract<ColleagueEvent, { kind: 'questionAsked' | 'questionAnswered' | 'questionClosed' }>
type WhenFreeEvent = Exclude<ColleagueEvent, QuestionEvent>

/** null once it is closed. A question asked again takes the place of the former one. */
export function evolveQuestion(before: Question | undefined, event: QuestionEvent, atMs: EpochMs): Question | null {
  switch (event.kind) {
    case 'questionAsked': {
      const { byAgentId, toAgentId, text } = event
      return { byAgentId, toAgentId, text, askedAtMs: atMs, answered: null }
    }
    case 'questionAnswered':
      return before === undefined ? null : { ...before, answered: { answer: event.answer, atMs } }
    case 'questionClosed':
      return null
  }
}

/** null once it rang, or nobody wants it any more. */
export const evolveWhenFree = ({ kind, byAgentId, toAgentId }: WhenFreeEvent, atMs: EpochMs): WhenFree | null =>
  kind === 'callWhenFreeWished' ? { byAgentId, toAgentId, sinceMs: atMs } : null
