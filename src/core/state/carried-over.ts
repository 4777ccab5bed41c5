// From one day's floor to the next: what is left at the end of a day, and a floor that takes it up. Callbacks, tasks, the do-not-call list and
// struck numbers go on as the events they are made of, at the instants those had; a call that owes an outcome still owes it.

import { withBefore } from '@/core/campaigns'
import { circleKey } from '@/core/circles'
import { endsAtMs, KEPT_MS, presentAt } from '@/core/conferences'
import type { AgentId, CallbackId, ConferenceId, MessageId, QueueId, TaskId, WorkId } from '@/core/ids'
import { type CarriedOver, type LedgerEntry, type OwedCall, PROMISE_EVENTS, type PromiseEvent } from '@/core/ledger'
import { reviewKey } from '@/core/reviews'
import type { SetUp } from '@/core/set-up'
import { get, values } from '@/core/table'
import { handOf, isOverThread, type ThreadEvent } from '@/core/threads'
import { boxKey, boxOwner } from '@/core/voicemail'
import { behalfOfPart, createWork } from '@/core/work'
import type { FloorState } from './floor-state'
import { type Place, put, setFact } from './journal'
import { evolvePromised } from './promised'
import { recallThread } from './threads'

type Dated = CarriedOver['promises'][number]

/** Of what a circle wrote and read, what goes on to the next day; all of it is in the ledger. */
const CARRIED_OF_CIRCLE = 200

export interface Keeper {
  add(entry: Pick<LedgerEntry, 'event' | 'atMs'>): void
  /** What `state`, the floor after the last entry, leaves to the days after `through`. */
  leftBy(state: FloorState, days: Pick<CarriedOver, 'from' | 'through' | 'simulated'>): CarriedOver
}

/** Follows a ledger and keeps of it what will outlast the day. */
export function createKeeper(): Keeper {
  const callbacks = new Map<CallbackId, Dated[]>()
  const tasks = new Map<TaskId, Dated>()
  const lists: Dated[] = []
  const messages = new Map<MessageId, Dated[]>()
  const conferences = new Map<ConferenceId, Dated[]>()
  const greetings = new Map<string, Dated>()
  const reviews = new Map<string, Dated[]>()
  const threads = new Map<WorkId, Dated[]>()
  const circles = new Map<string, Dated[]>()
  /** Mails and texts go on the next day; a chat does not outlast the day, and that somebody typed is no matter. */
  const keepThread = (event: ThreadEvent, atMs: number) => {
    const told = threads.get(event.threadId)
    if (event.kind === 'threadEnded' || event.kind === 'threadCalled') threads.delete(event.threadId)
    else if (event.kind === 'threadBegan' || event.kind === 'threadOpened') {
      if (event.channel !== 'chat') threads.set(event.threadId, [{ atMs, event }])
    } else if (event.kind !== 'threadTyped') told?.push({ atMs, event })
  }
  const keep = (event: PromiseEvent, atMs: number) => {
    if ('threadId' in event) return keepThread(event, atMs)
    switch (event.kind) {
      case 'circleWritten':
      case 'circleRead': {
        const key = circleKey(event.circle)
        return void circles.set(key, [...(circles.get(key) ?? []).slice(-CARRIED_OF_CIRCLE), { atMs, event }])
      }
      case 'callbackClosed':
        return void callbacks.delete(event.callbackId)
      case 'callbackDialled':
        // A call that the end of the day cut short was no call back.
        return
      case 'callbackAgreed':
      case 'callbackMoved':
      case 'callbackHandedOver':
      case 'callbackEscalated':
        return void callbacks.set(event.callbackId, [...(callbacks.get(event.callbackId) ?? []), { atMs, event }])
      case 'taskFiled':
        return void tasks.set(event.taskId, { atMs, event })
      case 'taskClosed':
        return void tasks.delete(event.taskId)
      case 'doNotCallWaived':
        return
      case 'messageForwarded': {
        // It is told from its own beginning: the one it is of may be gone by then.
        const own = (messages.get(event.fromMessageId) ?? []).flatMap((d) =>
          d.event.kind === 'messageLeft' ? [{ ...d, event: { ...d.event, messageId: event.messageId, box: event.box } }] : [],
        )
        return void messages.set(event.messageId, [...own, { atMs, event: { ...event, fromMessageId: event.messageId } }])
      }
      case 'messageLeft':
      case 'messageMarked':
        return void messages.set(event.messageId, [...(messages.get(event.messageId) ?? []), { atMs, event }])
      case 'messageDeleted':
      case 'messageRestored':
        // Until the end of the day it may be restored; then it is asked which are.
        return
      case 'messagePurged':
        return void messages.delete(event.messageId)
      case 'conferencePlanned':
      case 'conferenceReplanned':
      case 'conferenceCancelled':
      case 'conferenceJoined':
      case 'conferenceLeft':
        return void conferences.set(event.conferenceId, [...(conferences.get(event.conferenceId) ?? []), { atMs, event }])
      case 'reviewMade':
        return void reviews.set(reviewKey(event), [{ atMs, event }])
      case 'reviewAnswered':
        return void reviews.set(reviewKey(event), [...(reviews.get(reviewKey(event)) ?? []), { atMs, event }])
      case 'reviewWithdrawn':
        return void reviews.delete(reviewKey(event))
      case 'greetingSet':
        return void greetings.set(boxKey(event.box), { atMs, event })
      case 'doNotCallAdded':
      case 'doNotCallRemoved':
      case 'numberStruck':
      case 'numberRestored':
        return void lists.push({ atMs, event })
    }
  }
  return {
    add({ event, atMs }) {
      if (event.kind === 'carriedOver') for (const before of event.promises) keep(before.event, before.atMs)
      else if (isPromise(event)) keep(event, atMs)
    },
    leftBy(state, days) {
      // What was long ago is not told again.
      const keptConferences = ({ conferences: known, atMs }: FloorState) =>
        [...conferences].flatMap(([id, told]) => {
          const conference = get(known, id)
          if (conference === undefined || endsAtMs(conference) + KEPT_MS < atMs) return []
          // Whoever is in it at the end of the day has left with it.
          const left = presentAt(conference).map(
            ({ callId, deviceId }): Dated => ({ atMs, event: { kind: 'conferenceLeft', conferenceId: id, callId, deviceId } }),
          )
          return [...told, ...left]
        })
      /** What was deleted is not brought back another day. */
      const keptMessages = [...messages].flatMap(([id, told]) => (get(state.messages, id)?.deletedAtMs === null ? told : []))
      /** Whoever had it in hand has gone home: it waits for the next who has room. */
      const keptThreads = [...threads].flatMap(([threadId, told]) => {
        const thread = get(state.threads, threadId)
        const hand = thread === undefined ? null : handOf(thread)
        const back: Dated[] = hand === null ? [] : [{ atMs: state.atMs, event: { kind: 'threadPassed', threadId, agentId: hand.agentId, because: 'left' } }]
        return thread === undefined || isOverThread(thread) ? [] : [...told, ...back]
      })
      const promises = [
        ...lists,
        ...tasks.values(),
        ...greetings.values(),
        ...[...callbacks.values()].flat(),
        ...[...reviews.values()].flat(),
        ...keptMessages,
        ...keptConferences(state),
        ...keptThreads,
        ...[...circles.values()].flat(),
      ].toSorted((a, b) => a.atMs - b.atMs)
      return { kind: 'carriedOver', ...days, promises, owed: owedIn(state), handleMs: state.handleMs, campaigns: values(state.campaigns) }
    },
  }
}

const isPromise = (event: LedgerEntry['event']): event is PromiseEvent => PROMISE_EVENTS.has(event.kind)

function owedIn(state: FloorState): OwedCall[] {
  return values(state.agents).flatMap(({ id, owed, wrapUps }) =>
    [...owed, ...wrapUps.map((w) => ({ callId: w.callId, sinceMs: w.startedAtMs }))].flatMap(({ callId, sinceMs }): OwedCall[] => {
      const work = get(state.work, callId)
      // What is still talked about is not over yet.
      if (work === undefined || work.endedAtMs === null) return []
      const { direction, number, customer, path, offeredAtMs, endedAtMs, dialled, notes, handledBy, campaign, channel } = work
      const { queueId } = behalfOfPart(work, id)
      return [
        { callId, agentId: id, handledBy, sinceMs, direction, queueId, number, customer, path, offeredAtMs, endedAtMs, dialled, notes, campaign, channel },
      ]
    }),
  )
}

/** What was carried over to the floor; what it has by itself stays. Throws when a promise speaks of one that is not there. */
export function takeCarriedOver(place: Place, { promises, owed, handleMs, campaigns }: CarriedOver): void {
  const { state } = place
  setFact(place, 'handleMs', { ...handleMs, ...state.handleMs })
  const lost = new Set<WorkId>()
  for (const { atMs, event } of promises) {
    if ('threadId' in event) {
      // Days may have been worked with another set-up.
      const isStrange =
        ('queueId' in event && queueIn(state.setUp, event.queueId) === null) || ('agentId' in event && get(state.agents, event.agentId) === undefined)
      if (isStrange) lost.add(event.threadId)
      if (!lost.has(event.threadId)) recallThread(place, event, atMs)
    } else if (hasBox(state.setUp, event)) evolvePromised(place, heldBy(state.setUp, event), atMs)
  }
  for (const run of campaigns) {
    const own = get(state.campaigns, run.id)
    if (own !== undefined) put(place, 'campaigns', run.id, withBefore(own, run))
  }
  for (const call of owed) takeOwed(place, { ...call, queueId: queueIn(state.setUp, call.queueId) })
}

type Kept = Exclude<PromiseEvent, ThreadEvent>

/** A mailbox of somebody who was never set up here is nobody's. */
const hasBox = (setUp: SetUp, event: Kept): boolean =>
  !(event.kind === 'messageLeft' || event.kind === 'messageForwarded' || event.kind === 'greetingSet') || boxOwner(setUp, event.box) !== null

const campaignIn = ({ campaigns }: SetUp, of: OwedCall['campaign']): OwedCall['campaign'] => (campaigns.some((c) => c.id === of?.campaignId) ? of : null)

const queueIn = ({ queues }: SetUp, id: QueueId | null): QueueId | null => (queues.some((q) => q.id === id) ? id : null)

/** Days were worked with another set-up, perhaps: what belongs to an account or a queue that is not there is anybody's, and of no queue. */
function heldBy(setUp: SetUp, event: Kept): Kept {
  const agentIn = (id: AgentId | null) => (setUp.agents.some((a) => a.id === id) ? id : null)
  switch (event.kind) {
    case 'callbackAgreed':
      return {
        ...event,
        ownerId: agentIn(event.ownerId),
        queueId: queueIn(setUp, event.queueId),
        ofCampaign: setUp.campaigns.some((c) => c.id === event.ofCampaign?.campaignId) ? event.ofCampaign : null,
      }
    case 'callbackHandedOver':
      return { ...event, ownerId: agentIn(event.ownerId) }
    case 'taskFiled':
      return { ...event, assigneeId: agentIn(event.assigneeId) }
    default:
      return event
  }
}

function takeOwed(place: Place, { agentId, sinceMs, endedAtMs, dialled, notes, handledBy, callId: id, campaign, channel, ...call }: OwedCall): void {
  const { state } = place
  const agent = get(state.agents, agentId)
  if (agent === undefined) return
  // Several agents may owe their parts of one call.
  const work = get(state.work, id) ?? {
    ...createWork({ id, ...call }),
    channel,
    endedAtMs,
    dialled,
    notes,
    handledBy: agentId,
    campaign: campaignIn(state.setUp, campaign),
  }
  put(place, 'work', id, {
    ...work,
    // Whoever had it last may have coded it already: then it is over with the others.
    handledBy: handledBy === agentId ? agentId : work.handledBy,
    owedBy: [...work.owedBy, agentId],
    takenFrom: [...work.takenFrom, { agentId, queueId: call.queueId }],
  })
  put(place, 'agents', agentId, { ...agent, owed: [...agent.owed, { callId: id, sinceMs, because: 'leftForLater' as const }] })
}
