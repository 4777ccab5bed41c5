// Rules of a contact: turning pages, taking answers, notes, and the outcome with what the agent does next.
import type { Agent } from '@/core/agents'
import { type Contact, factsOf, queueOfPart } from '@/core/contacts'
import { codesFor, doubtOf, type OutcomeCode } from '@/core/outcomes'
import { checkAnswer, type Known, nextPage, previousPage, questionOf, type Script, seenPage, splitAnswers } from '@/core/scripts'
import { OUTCOME_OWED, outcomeSetFor, scriptVersion } from '@/core/set-up'
import { get } from '@/core/table'
import { carryOutClearing } from './clearing'
import type { AgentCommand } from './command'
import { carryOutConsequence, checkConsequence } from './consequences'
import { type Draft, emit, type Ruling, refuse } from './draft'
import type { FloorRefusal } from './refusal'
import { isChosenReason } from './shift'
import { isOverOwed } from './wrap-up'

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
 * Codes the call, with all that follows from the code. After the call it also ends the wrap-up and carries out `andThen` in the
 * same decision; during the call `andThen` waits for its end; of a call that is only owed it lets go ready whom owing kept from
 * it. Refused: outcomeMissing, unknownCode, unknownReason, notYourCall, what the code asks for and is missing; answersContradict
 * until the agent insists, which is kept.
 */
export function saveOutcome(draft: Draft, agent: Agent, contact: Contact, command: Of<'saveOutcome'>): Ruling {
  if (command.code === null) return refuse({ reason: 'outcomeMissing' })
  const code = codesFor(outcomeSetFor(draft.state.setUp, queueOfPart(contact, agent.id)), contact.dialled).find((c) => c.code === command.code)
  if (code === undefined) return refuse({ reason: 'unknownCode', code: command.code })
  const { andThen, notes, followUp } = command
  if (andThen.state === 'notReady' && !isChosenReason(draft.state, andThen.reason)) return refuse({ reason: 'unknownReason' })
  const known = applyingTo(draft, contact)
  if (code.needs.notes && notes.trim() === '') return refuse({ reason: 'notesMissing', label: code.label })
  const missing = missingField(draft, contact, code, known)
  if (missing !== null) return refuse(missing)
  const consequence = checkConsequence(draft, contact, code, command)
  if (!consequence.ok) return consequence
  const doubt = doubtOf(code, known)
  if (doubt !== null && command.insists !== true) return refuse({ reason: 'answersContradict', says: doubt })
  const { callId } = contact
  emit(draft, null, { kind: 'outcomeSaved', callId, agentId: agent.id, code: code.code, notes, followUp, andThen, insisted: doubt !== null })
  carryOutConsequence(draft, agent, { ...contact, notes }, consequence.value, draft.state.seq)
  const call = get(draft.state.calls, callId)
  // Coding a call that is being hung up says that it was meant.
  if (call?.clearing?.byAgentId === agent.id && call.clearing.what !== 'remove') carryOutClearing(draft, call)
  if (agent.wrapUps.some((w) => w.callId === callId)) {
    emit(draft, draft.state.seq, { kind: 'wrapUpEnded', agentId: agent.id, callId })
    return carryOut(draft, agent.id, andThen)
  }
  const waitsForThis =
    agent.availability.reason === OUTCOME_OWED && agent.owed.some((o) => o.callId === callId) && agent.owed.length <= draft.state.setUp.mostOwed + 1
  return waitsForThis ? carryOut(draft, agent.id, andThen) : null
}

/** An answer the code asks for, when this call's script has the question. */
function missingField(draft: Draft, contact: Contact, { needs, label }: OutcomeCode, known: Known): FloorRefusal | null {
  const script = scriptOf(draft, contact)
  if (needs.field === null || script === null || questionOf(script, needs.field) === undefined) return null
  return (known[needs.field] ?? null) === null ? { reason: 'fieldMissing', label, field: questionOf(script, needs.field)?.label ?? needs.field } : null
}

/** What the agent chose to do after the outcome; nothing to record when they are in that state already. */
export function carryOut(draft: Draft, agentId: Agent['id'], andThen: Of<'saveOutcome'>['andThen']): null {
  const { availability, shift } = get(draft.state.agents, agentId) ?? {}
  // Nobody goes ready owing more than is allowed, whatever they chose.
  if (andThen.state === 'ready' && isOverOwed(draft.state, agentId))
    return availability?.ready ? emit(draft, draft.state.seq, { kind: 'agentNotReady', agentId, reason: OUTCOME_OWED }) : null
  const already = andThen.state === 'ready' ? availability?.ready : availability?.reason === andThen.reason
  if (already) return null
  // Without sound nobody is put through: that reason stands until it is back.
  if (andThen.state === 'ready' && shift?.soundLost) return null
  return emit(draft, draft.state.seq, andThen.state === 'ready' ? { kind: 'agentReady', agentId } : { kind: 'agentNotReady', agentId, reason: andThen.reason })
}

/** The answers that count, with what is known of caller and call. */
function applyingTo(draft: Draft, contact: Contact): Known {
  const script = scriptOf(draft, contact)
  const facts = factsOf(contact)
  return script === null || contact.run === null ? facts : { ...facts, ...splitAnswers(script, contact.run, facts).applying }
}

const scriptOf = (draft: Draft, contact: Contact): Script | null => (contact.run === null ? null : scriptVersion(draft.state.setUp, contact.run))

/** The script is read by who has the call; after its end, by who owes it. */
const reads = (contact: Contact, agent: Agent): boolean => contact.handledBy === agent.id || contact.endedAtMs !== null
