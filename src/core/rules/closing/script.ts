// The script of a call: it opens, its pages are turned and answered, and a recording pauses where it is sensitive.
import type { Agent } from '@/core/agents'
import { type Contact, factsOf } from '@/core/contacts'
import { refuse } from '@/core/rules/rule'
import { checkAnswer, type Known, nextPage, pageOf, previousPage, type Script, seenPage, splitAnswers } from '@/core/scripts'
import { scriptFor, scriptVersion } from '@/core/set-up'
import { type Draft, emit, rowBefore } from '@/core/state'
import { get } from '@/core/table'
import type { Of, Ruling } from './commands'

/** To the next page, back, or at once to one that was seen. */
export function turnPage(draft: Draft, agent: Agent, contact: Contact, { direction, pageId }: Of<'turnPage'>): Ruling {
  if (!reads(contact, agent)) return refuse({ reason: 'notYourCall' })
  const script = scriptOf(draft, contact)
  if (script === null || contact.run === null) return refuse({ reason: 'noScript' })
  const page =
    direction === 'jump'
      ? seenPage(contact.run, pageId ?? '')
      : direction === 'next'
        ? nextPage(script, contact.run, factsOf(contact))
        : previousPage(contact.run)
  if (!page.ok) return refuse(page.refusal)
  return emit(draft, null, { kind: 'scriptPageShown', callId: contact.callId, pageId: page.value, direction })
}

export function answerScript(draft: Draft, agent: Agent, contact: Contact, command: Of<'answerScript'>): Ruling {
  if (!reads(contact, agent)) return refuse({ reason: 'notYourCall' })
  const script = scriptOf(draft, contact)
  if (script === null || contact.run === null) return refuse({ reason: 'noScript' })
  const checked = checkAnswer(script, command.field, command.value, draft.state.setUp.homeCountry)
  if (!checked.ok) return refuse(checked.refusal)
  if (JSON.stringify(contact.run.answers[command.field] ?? null) === JSON.stringify(checked.value)) return null
  return emit(draft, null, { kind: 'scriptAnswered', callId: contact.callId, field: command.field, value: checked.value })
}

/** A recording pauses when a sensitive page is shown and goes on when it is left for another. */
export function recordPage(draft: Draft, causedBy: number, { callId }: Pick<Contact, 'callId'>): void {
  const leaves = rowBefore(draft, 'contacts', callId)?.run?.pageId ?? null
  const recording = get(draft.state.calls, callId)?.recording
  const run = get(draft.state.contacts, callId)?.run
  if (recording == null || run == null) return
  const script = scriptVersion(draft.state.setUp, run)
  const now = pageOf(script, run.pageId).sensitive
  const wasSensitive = leaves !== null && pageOf(script, leaves).sensitive
  const to = now ? 'paused' : wasSensitive ? 'on' : recording.state
  if (to !== recording.state) emit(draft, causedBy, { kind: 'recordingChanged', callId, recordingId: recording.recordingId, to, byAgentId: null })
}

/** Of the queue it came through, or was handed on to. */
export function openScript(draft: Draft, causedBy: number, { callId }: Pick<Contact, 'callId'>): void {
  const contact = get(draft.state.contacts, callId)
  if (contact === undefined) return
  const script = scriptFor(draft.state.setUp, contact.queueId, { path: contact.path, group: contact.customer?.group ?? null })
  if (contact.run !== null || contact.handledBy === null || script === null) return
  emit(draft, causedBy, { kind: 'scriptStarted', callId, scriptId: script.id, version: script.version, pageId: script.startPage })
}

/** The answers that count, with what is known of caller and call. */
export function applyingTo(draft: Draft, contact: Contact): Known {
  const script = scriptOf(draft, contact)
  const facts = factsOf(contact)
  return script === null || contact.run === null ? facts : { ...facts, ...splitAnswers(script, contact.run, facts).applying }
}

export const scriptOf = (draft: Draft, contact: Contact): Script | null => (contact.run === null ? null : scriptVersion(draft.state.setUp, contact.run))

/** The script is read by who has the call; after its end, by who owes it. */
export const reads = (contact: Contact, agent: Agent): boolean => contact.handledBy === agent.id || contact.endedAtMs !== null
