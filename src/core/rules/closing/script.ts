// The script of a call: it opens, its pages are turned and answered, and a recording pauses where it is sensitive.
import type { Agent } from '@/core/agents'
import type { WorkId } from '@/core/ids'
import { refuse } from '@/core/rules/rule'
import { checkAnswer, type Known, nextPage, pageOf, previousPage, type Script, seenPage, splitAnswers } from '@/core/scripts'
import { scriptFor, scriptVersion } from '@/core/set-up'
import { type Draft, emit, rowBefore } from '@/core/state'
import { get } from '@/core/table'
import { behalfOf, factsOf, type Work } from '@/core/work'
import type { Of, Ruling } from './commands'

/** To the next page, back, or at once to one that was seen. */
export function turnPage(draft: Draft, agent: Agent, work: Work, { direction, pageId }: Of<'turnPage'>): Ruling {
  if (!reads(work, agent)) return refuse({ reason: 'notYourCall' })
  const script = scriptOf(draft, work)
  if (script === null || work.run === null) return refuse({ reason: 'noScript' })
  const page =
    direction === 'jump' ? seenPage(work.run, pageId ?? '') : direction === 'next' ? nextPage(script, work.run, factsOf(work)) : previousPage(work.run)
  if (!page.ok) return refuse(page.refusal)
  return emit(draft, null, { kind: 'scriptPageShown', callId: work.id, pageId: page.value, direction })
}

export function answerScript(draft: Draft, agent: Agent, work: Work, command: Of<'answerScript'>): Ruling {
  if (!reads(work, agent)) return refuse({ reason: 'notYourCall' })
  const script = scriptOf(draft, work)
  if (script === null || work.run === null) return refuse({ reason: 'noScript' })
  const checked = checkAnswer(script, command.field, command.value, draft.state.setUp.homeCountry)
  if (!checked.ok) return refuse(checked.refusal)
  if (JSON.stringify(work.run.answers[command.field] ?? null) === JSON.stringify(checked.value)) return null
  return emit(draft, null, { kind: 'scriptAnswered', callId: work.id, field: command.field, value: checked.value })
}

/** A recording pauses when a sensitive page is shown and goes on when it is left for another. */
export function recordPage(draft: Draft, causedBy: number, { callId }: { readonly callId: WorkId }): void {
  const leaves = rowBefore(draft, 'work', callId)?.run?.pageId ?? null
  const recording = get(draft.state.calls, callId)?.recording
  const run = get(draft.state.work, callId)?.run
  if (recording == null || run == null) return
  const script = scriptVersion(draft.state.setUp, run)
  const now = pageOf(script, run.pageId).sensitive
  const wasSensitive = leaves !== null && pageOf(script, leaves).sensitive
  const to = now ? 'paused' : wasSensitive ? 'on' : recording.state
  if (to !== recording.state) emit(draft, causedBy, { kind: 'recordingChanged', callId, recordingId: recording.recordingId, to, byAgentId: null })
}

/** Of the queue it came through, or was handed on to. */
export function openScript(draft: Draft, causedBy: number, { callId }: { readonly callId: WorkId }): void {
  const work = get(draft.state.work, callId)
  if (work === undefined) return
  const script = scriptFor(draft.state.setUp, behalfOf(work), { path: work.path, group: work.customer?.group ?? null })
  if (work.run !== null || work.handledBy === null || script === null) return
  emit(draft, causedBy, { kind: 'scriptStarted', callId, scriptId: script.id, version: script.version, pageId: script.startPage })
}

/** The answers that count, with what is known of caller and call. */
export function applyingTo(draft: Draft, work: Work): Known {
  const script = scriptOf(draft, work)
  const facts = factsOf(work)
  return script === null || work.run === null ? facts : { ...facts, ...splitAnswers(script, work.run, facts).applying }
}

export const scriptOf = (draft: Draft, work: Work): Script | null => (work.run === null ? null : scriptVersion(draft.state.setUp, work.run))

/** The script is read by who has the call; after its end, by who owes it. */
export const reads = (work: Work, agent: Agent): boolean => work.handledBy === agent.id || work.endedAtMs !== null
