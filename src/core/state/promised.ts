// The part of the floor's state that outlasts calls: what was promised, whom nobody may call, which numbers are not theirs, and what was left in mailboxes.
import { evolveCallback } from '@/core/callbacks'
import { circleKey, evolveCircle } from '@/core/circles'
import { evolveConference } from '@/core/conferences'
import { evolveDoNotCall } from '@/core/do-not-call'
import type { PromiseEvent } from '@/core/ledger'
import { evolveReview, reviewKey } from '@/core/reviews'
import { get } from '@/core/table'
import { evolveTask } from '@/core/tasks'
import type { EpochMs } from '@/core/time'
import { boxKey, evolveMessage, RESTORABLE_MS } from '@/core/voicemail'
import { setCallbackDue, setMessageDue } from './due'
import { type Place, put, remove, setFact } from './journal'

/** What has changed of it, and when time will change it next. */
export function evolvePromised(place: Place, event: PromiseEvent, atMs: EpochMs): void {
  const { state } = place
  switch (event.kind) {
    case 'callbackAgreed':
    case 'callbackMoved':
    case 'callbackHandedOver':
    case 'callbackDialled':
    case 'callbackEscalated':
    case 'callbackClosed': {
      const { callbackId } = event
      const callback = evolveCallback(get(state.callbacks, callbackId), event, atMs)
      if (callback === null) remove(place, 'callbacks', callbackId)
      else put(place, 'callbacks', callbackId, callback)
      return setCallbackDue(place, callbackId)
    }
    case 'circleWritten':
    case 'circleRead': {
      const key = circleKey(event.circle)
      return put(place, 'circles', key, evolveCircle(get(state.circles, key), event, atMs))
    }
    case 'doNotCallAdded':
    case 'doNotCallRemoved':
    case 'doNotCallWaived':
      for (const [key, entry] of evolveDoNotCall(state.doNotCall, event, atMs))
        if (entry === null) remove(place, 'doNotCall', key)
        else put(place, 'doNotCall', key, entry)
      return
    case 'numberStruck':
      return setFact(place, 'struck', [...state.struck, { number: event.number, person: event.person, callId: event.callId, byAgentId: event.byAgentId }])
    case 'numberRestored':
      // Whoever else struck it, with another call or as another agent of this one, has not taken that back.
      return setFact(
        place,
        'struck',
        state.struck.filter((s) => s.number !== event.number || s.person !== event.person || s.callId !== event.callId || s.byAgentId !== event.byAgentId),
      )
    case 'taskFiled':
    case 'taskClosed': {
      const task = evolveTask(event, atMs)
      if (task === null) remove(place, 'tasks', event.taskId)
      else put(place, 'tasks', event.taskId, task)
      return
    }
    case 'messageLeft':
    case 'messageForwarded':
    case 'messageMarked':
    case 'messageDeleted':
    case 'messageRestored':
    case 'messagePurged': {
      const { messageId } = event
      const source = event.kind === 'messageForwarded' ? get(state.messages, event.fromMessageId) : undefined
      const message = evolveMessage(get(state.messages, messageId), event, source, atMs)
      if (message === null) remove(place, 'messages', messageId)
      else put(place, 'messages', messageId, message)
      if (event.kind === 'messageDeleted' || event.kind === 'messageRestored' || event.kind === 'messagePurged')
        setMessageDue(place, messageId, message?.deletedAtMs == null ? null : message.deletedAtMs + RESTORABLE_MS)
      return
    }
    case 'conferencePlanned':
    case 'conferenceReplanned':
    case 'conferenceCancelled':
    case 'conferenceJoined':
    case 'conferenceLeft': {
      const conference = evolveConference(get(state.conferences, event.conferenceId), event, atMs)
      return conference === undefined ? undefined : put(place, 'conferences', event.conferenceId, conference)
    }
    case 'reviewMade':
    case 'reviewAnswered':
    case 'reviewWithdrawn': {
      const review = evolveReview(get(state.reviews, reviewKey(event)), event, atMs)
      return review === null ? remove(place, 'reviews', reviewKey(event)) : put(place, 'reviews', reviewKey(event), review)
    }
    case 'greetingSet': {
      const { box, greeting } = event
      return greeting === null ? remove(place, 'greetings', boxKey(box)) : put(place, 'greetings', boxKey(box), { box, greeting })
    }
  }
}
