// Waiting chats, mails and texts are offered to agents who have room for them: the most urgent first, to the best skill, then to whom has the
// most room left, then to whoever has been in their state longest.
import type { Agent } from '@/core/agents'
import type { Offer } from '@/core/calls'
import type { FloorEvent } from '@/core/ledger'
import { fitFor, nextStep, routingRules } from '@/core/queues'
import { awaitedAgents } from '@/core/rules/shift'
import { type Draft, emit, type FloorState, roomOf, threadOverflowDueAtMs } from '@/core/state'
import { get, must } from '@/core/table'
import { type Thread, takesRoomAs, threadWaitsIn } from '@/core/threads'

const FREES: ReadonlySet<FloorEvent['kind']> = new Set([
  'threadBegan',
  'threadPassed',
  'threadHandedOn',
  'threadUnparked',
  'threadParked',
  'threadEnded',
  'threadCalled',
  'threadOverflowed',
  'threadPlaceKept',
  'agentReady',
  'workAssigned',
  'connectionCleared',
  'connectionFailed',
  'wrapUpEnded',
  'outcomeOwed',
  'setUpChanged',
  'stormSwitched',
  'roleTaken',
  'attemptEnded',
  // Whom a record is shown to is no longer the one who is kept free for somebody on the way.
  'recordOffered',
  'recordReturned',
  'attemptMessagePlayed',
  'callPutThrough',
])

/** Whether a waiting thread may find an agent after this that it could not find before. */
export const freesForThreads = ({ kind }: FloorEvent): boolean => FREES.has(kind)

/** The place of the waiting call that is most urgent, head starts counted; Infinity while none waits. */
export function urgencyOfCalls({ state }: Pick<Draft, 'state'>): number {
  let most = Infinity
  for (const [queueId, { headStartMs }] of routingRules(state.setUp, state.storm).queues) {
    const first = state.waiting[queueId]?.[0]
    if (first !== undefined) most = Math.min(most, must(state.calls, first).place - headStartMs)
  }
  return most
}

/** Offers threads that are more urgent than `before` for as long as somebody has room. */
export function offerThreads(draft: Draft, before = Infinity): void {
  const { state } = draft
  const rules = routingRules(state.setUp, state.storm)
  const waiting = [...rules.queues].flatMap(([queueId, { headStartMs }]) =>
    (state.threadsWaiting[queueId] ?? []).map((id) => ({ id, urgency: must(state.threads, id).place - headStartMs })),
  )
  waiting.sort((a, b) => a.urgency - b.urgency || (a.id < b.id ? -1 : 1))
  for (const { id, urgency } of waiting) {
    if (urgency >= before) return
    const thread = must(state.threads, id)
    const offers: readonly Offer[] = [{ queueId: thread.queueId, anyLevel: false }, ...thread.alsoFor]
    for (const offer of offers) {
      const agent = bestFor(draft, thread, offer)
      if (agent === null) continue
      emit(draft, draft.state.seq, { kind: 'threadOffered', threadId: id, agentId: agent.id })
      break
    }
  }
}

/** Somebody is on the way to them whom nobody else could take: they get nothing in hand meanwhile. */
export const keptFree = (state: FloorState): ReadonlySet<Agent['id']> => (state.attempts.size === 0 ? NOBODY : awaitedAgents(state).promised)
const NOBODY: ReadonlySet<Agent['id']> = new Set()

function bestFor({ state }: Draft, thread: Thread, offer: Offer): Agent | null {
  const free = keptFree(state)
  const rules = routingRules(state.setUp, state.storm)
  let best: { readonly agent: Agent; readonly fit: number; readonly room: number } | null = null
  for (const agent of state.agents.values()) {
    const room = roomOf(state, agent, takesRoomAs(thread))
    if (room === 0 || hasPassed(thread, agent) || free.has(agent.id)) continue
    const fit = fitFor(offer, agent, rules)
    if (fit === null) continue
    const one = { agent, fit, room }
    if (best === null || goesBefore(one, best)) best = one
  }
  return best?.agent ?? null
}

interface Candidate {
  readonly agent: Agent
  readonly fit: number
  readonly room: number
}

function goesBefore(a: Candidate, b: Candidate): boolean {
  if (a.fit !== b.fit) return a.fit > b.fit
  if (a.room !== b.room) return a.room > b.room
  if (a.agent.state.sinceMs !== b.agent.state.sinceMs) return a.agent.state.sinceMs < b.agent.state.sinceMs
  return a.agent.id < b.agent.id
}

/** An agent it was offered to in vain is passed over until they have closed something else, or gone ready anew. */
const hasPassed = ({ passedBy }: Thread, { id }: Agent): boolean => passedBy.some((p) => p.agentId === id)

/** Offers the thread to further agents as far as its waiting time allows by now. */
export function overflowThread(draft: Draft, id: Thread['id']): void {
  for (;;) {
    const thread = get(draft.state.threads, id)
    const queueId = thread && threadWaitsIn(thread)
    if (thread === undefined || queueId == null) return
    const dueAtMs = threadOverflowDueAtMs(draft.state, thread)
    const rules = routingRules(draft.state.setUp, draft.state.storm).queues.get(queueId)
    const step = rules && nextStep(rules, thread.alsoFor)
    if (dueAtMs === null || dueAtMs > draft.atMs || step === undefined) return
    emit(draft, null, { kind: 'threadOverflowed', threadId: id, offer: { queueId: step.queueId, anyLevel: step.anyLevel } })
  }
}

/** Who goes not ready is offered nothing more: what was offered goes on to others. What is in their hands stays there. */
export function passOffers(draft: Draft, causedBy: number, agentId: Agent['id']): void {
  for (const { threadId, state } of get(draft.state.agents, agentId)?.threads ?? [])
    if (state === 'offered') emit(draft, causedBy, { kind: 'threadPassed', threadId, agentId, because: 'left' })
}
