// A colleague in a call: how soon they answer, when they read on, hold, ask somebody or put the caller through, and how it ends.
import type { AgentId, CallId, QueueId } from '@/core/ids'
import { SECOND } from '@/core/time'
import type { Act } from './act'
import { chanceOfCall } from './chance-of-call'
import type { Persona } from './persona'

export type Plan = readonly { readonly inMs: number; readonly act: Act }[]

const READ_STEPS = 7
/** A talk must have room for somebody to be asked. */
const LONG_ENOUGH_TO_ASK_MS = 120 * SECOND
const ASKS_OFTEN = 0.055
const HOLDS_OFTEN = 0.2

/** From the answer to the end of the call, in the order it will happen. `takenOver` is a call somebody else has put through. */
export function planTalk(seed: number, agentId: AgentId, callId: CallId, persona: Persona, takenOver = false): Plan {
  const chance = chanceOfCall(seed, callId, 'talk')
  const { businessMs, intent } = persona
  const on = { agentId, callId }
  const plan: { inMs: number; act: Act }[] = []
  for (let step = 1; step <= READ_STEPS; step++) plan.push({ inMs: Math.round((businessMs * step) / (READ_STEPS + 1)), act: { kind: 'readOn', ...on, step } })
  const roll = chance.next()
  if (roll < ASKS_OFTEN && businessMs > LONG_ENOUGH_TO_ASK_MS && !takenOver) {
    const fromMs = Math.round(businessMs * (0.35 + 0.2 * chance.next()))
    const forMs = Math.round(20 * SECOND + chance.next() * 25 * SECOND)
    plan.push({ inMs: fromMs, act: { kind: 'ask', ...on } }, { inMs: fromMs + forMs, act: { kind: 'askedEnough', ...on } })
  } else if (roll < ASKS_OFTEN + HOLDS_OFTEN) {
    const fromMs = Math.round(businessMs * (0.35 + 0.3 * chance.next()))
    const forMs = Math.round(Math.min(businessMs * 0.3, 15 * SECOND + chance.exponential(25 * SECOND)))
    plan.push({ inMs: fromMs, act: { kind: 'hold', ...on } }, { inMs: fromMs + forMs, act: { kind: 'retrieve', ...on } })
  }
  if (persona.breaksOff && !takenOver) plan.push({ inMs: Math.round(businessMs * (0.15 + 0.5 * chance.next())), act: { kind: 'breakOff', callId } })
  plan.push({ inMs: businessMs, act: ending(persona, agentId, callId, takenOver ? undefined : intent.belongsIn) })
  return plan.sort((a, b) => a.inMs - b.inMs)
}

function ending({ hangsUpFirst }: Persona, agentId: AgentId, callId: CallId, belongsIn: QueueId | undefined): Act {
  if (belongsIn !== undefined) return { kind: 'putThrough', agentId, callId, queueId: belongsIn }
  return hangsUpFirst ? { kind: 'leave', callId } : { kind: 'finish', agentId, callId }
}

const MISSES_OFTEN = 0.012

/** How long a colleague lets it ring; null for one who has left the desk without a word. */
export function answerDelayMs(seed: number, callId: CallId, agentId: AgentId): number | null {
  const chance = chanceOfCall(seed, callId, `answer ${agentId}`)
  return chance.next() < MISSES_OFTEN ? null : Math.round(1000 + chance.next() * 2800)
}

export const wrapUpMs = (seed: number, callId: CallId, recommendedMs: number): number =>
  Math.round(Math.max(5 * SECOND, chanceOfCall(seed, callId, 'wrap-up').logNormal(recommendedMs * 0.7, 0.5)))
