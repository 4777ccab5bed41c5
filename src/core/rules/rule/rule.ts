// What every rule is: a command decided into events of the draft, or refused before anything is emitted. The rooms' tables, kind by kind, are what the
// floor decides by.
import type { Agent } from '@/core/agents'
import type { Call, CallDecision, CallRefusal } from '@/core/calls'
import type { AgentId, CallId } from '@/core/ids'
import { type Draft, emit } from '@/core/state'
import { get } from '@/core/table'
import { mayWrite, type Work } from '@/core/work'
import type { AnyRefusal } from './refusals'

interface Reasoned {
  readonly reason: string
}

export interface Refused<R extends Reasoned> {
  readonly ok: false
  readonly refusal: R
}

/** null: it was done, or there was nothing to do. */
export type Ruling<R extends Reasoned> = Refused<R> | null

export const refuse = <const R extends Reasoned>(refusal: R): Refused<R> => ({ ok: false, refusal })

export type Rule<C, R extends Reasoned> = (draft: Draft, command: C) => Ruling<R>

/** One rule for each kind of command. */
export type Rules<C extends { readonly kind: string }, R extends Reasoned> = { readonly [K in C['kind']]: Rule<Extract<C, { readonly kind: K }>, R> }

/** What an agent asks for, as it is decided: who asks is added by whoever knows. */
export type By<T> = T extends unknown ? T & { readonly agentId: AgentId } : never

interface OfAgent {
  readonly agentId: AgentId
}
interface OfCall extends OfAgent {
  readonly callId: CallId
}

/** For agents on shift. Refused: notOnShift. */
export const onShift =
  <C extends OfAgent, R extends Reasoned>(rule: (draft: Draft, agent: Agent, command: C) => Ruling<R>): Rule<C, R | AnyRefusal> =>
  (draft, command) => {
    const agent = get(draft.state.agents, command.agentId)
    return agent?.shift == null ? refuse({ reason: 'notOnShift' }) : rule(draft, agent, command)
  }

/** For agents on shift, on a call that exists. Refused: notOnShift, noSuchCall. */
export const onCall = <C extends OfCall, R extends Reasoned>(
  rule: (draft: Draft, agent: Agent, call: Call, command: C) => Ruling<R>,
): Rule<C, R | AnyRefusal | CallRefusal> =>
  onShift<C, R | CallRefusal>((draft, agent, command) => {
    const call = get(draft.state.calls, command.callId)
    return call === undefined ? refuse({ reason: 'noSuchCall' }) : rule(draft, agent, call, command)
  })

/** For agents on shift, about work they have or owe. Refused: notOnShift, notYourCall. */
export const onWork = <C extends OfCall, R extends Reasoned>(
  rule: (draft: Draft, agent: Agent, work: Work, command: C) => Ruling<R>,
): Rule<C, R | AnyRefusal> =>
  onShift<C, R | AnyRefusal>((draft, agent, command) => {
    const work = get(draft.state.work, command.callId)
    return work === undefined || !mayWrite(work, agent.id) ? refuse({ reason: 'notYourCall' }) : rule(draft, agent, work, command)
  })

/** What a service of call control made of it. */
export const take = (draft: Draft, decision: CallDecision): Ruling<CallRefusal> =>
  decision.ok ? emit(draft, null, ...decision.events) : refuse(decision.refusal)
