// Rules of a contact: turning pages, taking answers, notes, and the outcome with what the agent does next.
import type { Agent } from '@/core/agents'
import { type Contact, factsOf } from '@/core/contacts'
import { codeOf, doubtOf } from '@/core/outcomes'
import { checkAnswer, type Known, nextPage, previousPage, type Script, seenPage, splitAnswers } from '@/core/scripts'
import { outcomeSetFor, scriptById } from '@/core/set-up'
import { get } from '@/core/table'
import { carryOutClearing } from './clearing'
import type { AgentCommand } from './command'
import { type Draft, emit, type Ruling, refuse } from './draft'
import { isChosenReason } from './shift'

type Of<K extends AgentCommand['kind']> = Extract<AgentCommand, { kind: K }>

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

/** Notes belong to whoever has the call; one who has left it writes theirs with the outcome. */
export function draftNotes(draft: Draft, agent: Agent, contact: Contact, command: Of<'draftNotes'>): Ruling {
  if (!reads(contact, agent)) return null
  if (contact.notes === command.text && contact.followUp === command.followUp) return null
  return emit(draft, null, { kind: 'notesDrafted', callId: contact.callId, text: command.text, followUp: command.followUp })
}

/**
 * Codes the call. After the call it also ends the wrap-up and carries out `andThen` in the same decision; during the
 * call `andThen` waits for its end. Refused: outcomeMissing, unknownCode, unknownReason, notYourCall; answersContradict until
 * the agent insists, which is kept.
 */
export function saveOutcome(draft: Draft, agent: Agent, contact: Contact, command: Of<'saveOutcome'>): Ruling {
  if (command.code === null) return refuse({ reason: 'outcomeMissing' })
  const code = codeOf(outcomeSetFor(draft.state.setUp, contact.queueId), command.code)
  if (code === undefined) return refuse({ reason: 'unknownCode', code: command.code })
  const doubt = doubtOf(code, applyingTo(draft, contact))
  if (doubt !== null && command.insists !== true) return refuse({ reason: 'answersContradict', says: doubt })
  const { andThen } = command
  if (andThen.state === 'notReady' && !isChosenReason(draft.state, andThen.reason)) return refuse({ reason: 'unknownReason' })
  emit(draft, null, {
    kind: 'outcomeSaved',
    callId: contact.callId,
    agentId: agent.id,
    code: command.code,
    notes: command.notes,
    followUp: command.followUp,
    andThen,
    insisted: doubt !== null,
  })
  const call = get(draft.state.calls, contact.callId)
  // Coding a call that is being hung up says that it was meant.
  if (call?.clearing?.byAgentId === agent.id && call.clearing.what !== 'remove') carryOutClearing(draft, call)
  if (!agent.wrapUps.some((w) => w.callId === contact.callId)) return null
  emit(draft, draft.state.seq, { kind: 'wrapUpEnded', agentId: agent.id, callId: contact.callId })
  return carryOut(draft, agent.id, andThen)
}

/** What the agent chose to do after the outcome; nothing to record when they are in that state already. */
export function carryOut(draft: Draft, agentId: Agent['id'], andThen: Of<'saveOutcome'>['andThen']): null {
  const availability = get(draft.state.agents, agentId)?.availability
  const already = andThen.state === 'ready' ? availability?.ready : availability?.reason === andThen.reason
  if (already) return null
  // Without sound nobody is put through: that reason stands until it is back.
  if (andThen.state === 'ready' && get(draft.state.agents, agentId)?.shift?.soundLost) return null
  return emit(draft, draft.state.seq, andThen.state === 'ready' ? { kind: 'agentReady', agentId } : { kind: 'agentNotReady', agentId, reason: andThen.reason })
}

/** The answers that count, with what is known of caller and call. */
function applyingTo(draft: Draft, contact: Contact): Known {
  const script = scriptOf(draft, contact)
  const facts = factsOf(contact)
  return script === null || contact.run === null ? facts : { ...facts, ...splitAnswers(script, contact.run, facts).applying }
}

const scriptOf = (draft: Draft, contact: Contact): Script | null => (contact.run === null ? null : scriptById(draft.state.setUp, contact.run.scriptId))

/** The script is read by who has the call; after its end, by who owes it. */
const reads = (contact: Contact, agent: Agent): boolean => contact.handledBy === agent.id || contact.endedAtMs !== null
