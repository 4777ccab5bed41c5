// Notes, and the outcome with what the agent does next.
import { type Agent, canBeReached } from '@/core/agents'
import { codesFor, doubtOf, type OutcomeCode } from '@/core/outcomes'
import { refuse } from '@/core/rules/rule'
import { isOverOwed } from '@/core/rules/shift'
import { carryOutClearing } from '@/core/rules/talk'
import { type Known, questionOf } from '@/core/scripts'
import { isChosenReason, OUTCOME_OWED, outcomeSetFor } from '@/core/set-up'
import { type Draft, emit } from '@/core/state'
import { get } from '@/core/table'
import { behalfOfPart, type Work } from '@/core/work'
import type { Of, Ruling } from './commands'
import { carryOutConsequence, checkConsequence } from './consequences'
import type { ClosingRefusal } from './refusals'
import { applyingTo, reads, scriptOf } from './script'

/** Notes belong to whoever has the call; one who has left it writes theirs with the outcome. */
export function draftNotes(draft: Draft, agent: Agent, work: Work, command: Of<'draftNotes'>): Ruling {
  if (!reads(work, agent)) return null
  if (work.notes === command.text && work.followUp === command.followUp) return null
  return emit(draft, null, { kind: 'notesDrafted', callId: work.id, text: command.text, followUp: command.followUp })
}

/**
 * Codes the call, with all that follows from the code. After the call it also ends the wrap-up and carries out `andThen` in the
 * same decision; during the call `andThen` waits for its end; of a call that is only owed it lets go ready whom owing kept from
 * it. Refused: outcomeMissing, unknownCode, unknownReason, notYourCall, what the code asks for and is missing; answersContradict
 * until the agent insists, which is kept.
 */
export function saveOutcome(draft: Draft, agent: Agent, work: Work, command: Of<'saveOutcome'>): Ruling {
  if (command.code === null) return refuse({ reason: 'outcomeMissing' })
  const code = codesFor(outcomeSetFor(draft.state.setUp, behalfOfPart(work, agent.id)), work.dialled).find((c) => c.code === command.code)
  if (code === undefined) return refuse({ reason: 'unknownCode', code: command.code })
  const { andThen, notes, followUp } = command
  if (andThen.state === 'notReady' && !isChosenReason(draft.state.setUp, andThen.reason)) return refuse({ reason: 'unknownReason' })
  const known = applyingTo(draft, work)
  if (code.needs.notes && notes.trim() === '') return refuse({ reason: 'notesMissing', label: code.label })
  const missing = missingField(draft, work, code, known)
  if (missing !== null) return refuse(missing)
  const consequence = checkConsequence(draft, work, code, command)
  if (!consequence.ok) return consequence
  const doubt = doubtOf(code, known)
  if (doubt !== null && command.insists !== true) return refuse({ reason: 'answersContradict', says: doubt })
  const { id: callId } = work
  emit(draft, null, { kind: 'outcomeSaved', callId, agentId: agent.id, code: code.code, notes, followUp, andThen, insisted: doubt !== null })
  carryOutConsequence(draft, agent, { ...work, notes }, consequence.value, draft.state.seq)
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
function missingField(draft: Draft, work: Work, { needs, label }: OutcomeCode, known: Known): ClosingRefusal | null {
  const script = scriptOf(draft, work)
  if (needs.field === null || script === null || questionOf(script, needs.field) === undefined) return null
  return (known[needs.field] ?? null) === null ? { reason: 'fieldMissing', label, field: questionOf(script, needs.field)?.label ?? needs.field } : null
}

/** What the agent chose to do after the outcome; nothing to record when they are in that state already. */
export function carryOut(draft: Draft, agentId: Agent['id'], andThen: Of<'saveOutcome'>['andThen']): null {
  const agent = get(draft.state.agents, agentId)
  const availability = agent?.availability
  // Nobody goes ready owing more than is allowed, whatever they chose.
  if (andThen.state === 'ready' && isOverOwed(draft.state, agentId))
    return availability?.ready ? emit(draft, draft.state.seq, { kind: 'agentNotReady', agentId, reason: OUTCOME_OWED }) : null
  const already = andThen.state === 'ready' ? availability?.ready : availability?.reason === andThen.reason
  if (already) return null
  // Without sound or a desk nobody is put through: that reason stands until it is back.
  if (andThen.state === 'ready' && agent !== undefined && !canBeReached(agent)) return null
  return emit(draft, draft.state.seq, andThen.state === 'ready' ? { kind: 'agentReady', agentId } : { kind: 'agentNotReady', agentId, reason: andThen.reason })
}
