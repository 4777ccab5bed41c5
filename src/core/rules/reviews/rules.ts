// Who may review whose call, by which sheet, and what the reviewed may say to it.

import { isAnswer, reviewKey, sheetsInUse } from '@/core/reviews'
import { barred } from '@/core/rules/rights'
import { refuse } from '@/core/rules/rule'
import { type Draft, emit } from '@/core/state'
import { get } from '@/core/table'
import type { Of, Ruling } from './commands'

/** Characters of a note, a remark or an answer; what is longer is cut. */
export const LONGEST_WORDS = 1_000
const short = (text: string) => text.trim().slice(0, LONGEST_WORDS)

/** Refused: noSuchAccount, notEntitled, targetUnknown, reviewsThemselves, noSuchSheet, reviewUnanswered with the first question without a fitting answer. */
export function makeReview(draft: Draft, { agentId: byAgentId, callId, ofAgentId, sheetId, answers, remarks, note }: Of<'makeReview'>): Ruling {
  const { state } = draft
  const refused = barred(state, byAgentId, 'supervision')
  if (refused !== null) return refused
  if (get(state.agents, ofAgentId) === undefined) return refuse({ reason: 'targetUnknown' })
  if (ofAgentId === byAgentId) return refuse({ reason: 'reviewsThemselves' })
  const sheet = sheetsInUse(state.setUp.reviewSheets).find((s) => s.id === sheetId)
  if (sheet === undefined) return refuse({ reason: 'noSuchSheet' })
  const open = sheet.questions.find((q) => answers[q.id] === undefined || !isAnswer(q, answers[q.id] as number))
  if (open !== undefined) return refuse({ reason: 'reviewUnanswered', question: open.label })
  const given = Object.fromEntries(sheet.questions.map((q) => [q.id, answers[q.id] as number]))
  const said = remarks.map((r) => ({ ...r, text: short(r.text) })).filter((r) => r.text !== '')
  return emit(draft, null, { kind: 'reviewMade', callId, agentId: ofAgentId, byAgentId, sheet, answers: given, remarks: said, note: short(note) })
}

/** By who made it. Refused: noSuchReview. */
export function withdrawReview(draft: Draft, { agentId: byAgentId, callId, ofAgentId }: Of<'withdrawReview'>): Ruling {
  const of = { callId, agentId: ofAgentId, byAgentId }
  return get(draft.state.reviews, reviewKey(of)) === undefined ? refuse({ reason: 'noSuchReview' }) : emit(draft, null, { kind: 'reviewWithdrawn', ...of })
}

/** By whom it is about, as often as they like. Refused: noSuchReview, disagreesWithoutWords. */
export function answerReview(draft: Draft, { agentId, callId, madeById, agrees, text }: Of<'answerReview'>): Ruling {
  const of = { callId, agentId, byAgentId: madeById }
  if (get(draft.state.reviews, reviewKey(of)) === undefined) return refuse({ reason: 'noSuchReview' })
  if (!agrees && text.trim() === '') return refuse({ reason: 'disagreesWithoutWords' })
  return emit(draft, null, { kind: 'reviewAnswered', ...of, agrees, text: short(text) })
}
