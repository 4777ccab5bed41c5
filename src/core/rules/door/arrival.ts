// Callers at the door of a queue: turned away when it is closed or full, told what they can expect, offered further agents when it takes long.
import type { Call } from '@/core/calls'
import { deviceOutside } from '@/core/ids'
import { expectedWaitMs, isOpenAt, nextStep, routingRules } from '@/core/queues'
import { toMailbox } from '@/core/rules/voicemail'
import { queueSetUp } from '@/core/set-up'
import { type Draft, emit, type FloorState, nextCallId, overflowDueAtMs, readyAgents, servedBy } from '@/core/state'
import { must } from '@/core/table'
import type { DoorCommand } from './commands'
import { offer } from './offer'

type Arrives = Extract<DoorCommand, { kind: 'callArrives' }>

/** Joins the queue, or is turned away with the queue's own words; one that takes messages takes one while it is closed. */
export function callArrives(draft: Draft, { queueId, number, customer, matches = [], path, rungBack, ringsAt }: Arrives): null {
  const { setUp, waiting, doors } = draft.state
  const queue = queueSetUp(setUp, queueId)
  const away = (because: 'closed' | 'full', said: string) => emit(draft, null, { kind: 'callTurnedAway', queueId, number, because, said })
  if (!queue.retired && queue.takesMessages && !isOpenAt(queue, doors, setUp.timeZone, draft.atMs))
    return toMailbox(draft, { kind: 'queue', queueId }, { number, customer, matches, path })
  if (queue.retired || !isOpenAt(queue, doors, setUp.timeZone, draft.atMs)) return away('closed', queue.closedMessage)
  if (queue.fullLimit !== null && (waiting[queueId]?.length ?? 0) >= queue.fullLimit) return away('full', queue.fullMessage)
  const callId = nextCallId(draft.state)
  const headStartMs = queue.goesFirst.find((g) => g.group === customer?.group)?.headStartMs ?? 0
  const expectedMs = queue.tellsWait ? queueStanding(draft.state, queueId).expectedWaitMs : null
  const callerDeviceId = deviceOutside(callId, 1)
  emit(draft, null, { kind: 'callQueued', callId, callerDeviceId, queueId, number, customer, matches: [...matches], path, headStartMs })
  if (rungBack !== undefined) emit(draft, draft.state.seq, { kind: 'recordMatched', callId, ...rungBack })
  const storm = draft.state.storm.includes(queueId) && queue.storm.announcement !== ''
  const text = [
    storm ? queue.storm.announcement : queue.announcement,
    waitWords(expectedMs),
    queue.keepsPlaces && expectedMs !== 0 ? KEEP_PLACE_WORDS : '',
    queue.takesMessages && expectedMs !== 0 ? LEAVE_MESSAGE_WORDS : '',
  ]
    .filter((t) => t !== '')
    .join(' ')
  if (text !== '') emit(draft, draft.state.seq, { kind: 'callerTold', callId, text, expectedWaitMs: expectedMs })
  if (ringsAt !== undefined && readyAgents(draft.state).has(ringsAt)) offer(draft, callId, ringsAt, draft.state.seq)
  return null
}

const LEAVE_MESSAGE_WORDS = 'To leave a message, press two.'
const KEEP_PLACE_WORDS = 'To hang up, keep your place and be called back, press one.'

function waitWords(expectedMs: number | null): string {
  if (expectedMs === null || expectedMs === 0) return ''
  const minutes = Math.ceil(expectedMs / 60_000)
  return minutes === 1 ? 'You will speak to somebody in about a minute.' : `You will speak to somebody in about ${minutes} minutes.`
}

/** How a queue stands for who would join it now: how many wait, serve and are ready, and the wait to expect. */
export function queueStanding(
  state: FloorState,
  queueId: Call['queueId'] & string,
): { waiting: number; serving: number; ready: number; expectedWaitMs: number | null } {
  const line = { waiting: state.waiting[queueId]?.length ?? 0, ...servedBy(state, queueId) }
  return { ...line, expectedWaitMs: expectedWaitMs(line, state.handleMs[queueId]) }
}

/** Offers the call to further agents as far as its waiting time allows by now. */
export function overflow(draft: Draft, { id }: Call): void {
  for (;;) {
    const call = must(draft.state.calls, id)
    const dueAtMs = overflowDueAtMs(draft.state, call)
    const rules = call.queueId === null ? undefined : routingRules(draft.state.setUp, draft.state.storm).queues.get(call.queueId)
    const step = rules && nextStep(rules, call.alsoFor)
    if (dueAtMs === null || dueAtMs > draft.atMs || step === undefined) return
    emit(draft, null, { kind: 'callOverflowed', callId: id, offer: { queueId: step.queueId, anyLevel: step.anyLevel } })
  }
}
