// The ledger's events in words, for the page of a single call. Every kind has its sentence; the compiler misses none.
import { FAILURE_WORDS } from '@/core/calls'
import type { FloorEvent } from '@/core/ledger'
import type { CentreView, SeatView } from '@/exchange/protocol'

export interface Names {
  readonly centre: CentreView
  readonly seats: readonly SeatView[]
}

export function eventWords(event: FloorEvent, names: Names): string {
  const agent = (id: string) => names.seats.find((s) => s.id === id)?.name ?? id
  const queue = (id: string) => names.centre.queues.find((q) => q.id === id)?.name ?? id
  const device = (id: string) =>
    id.startsWith('dev_agent_') ? agent(id.slice('dev_'.length)) : id.startsWith('dev_queue_') ? queue(id.slice('dev_'.length)) : 'the outside party'
  switch (event.kind) {
    case 'callQueued':
      return `The call entered ${queue(event.queueId)}${event.path === null ? '' : `; the caller had chosen “${event.path}”`}`
    case 'callOriginated':
      return `${agent(event.agentId)} dialled ${event.number}`
    case 'connectionDelivered':
      return event.party.kind === 'agent' ? `It rang at ${agent(event.party.agentId)}` : 'It rang at the far end'
    case 'connectionEstablished':
      return `${capital(device(event.deviceId))} answered`
    case 'connectionHeld':
      return `${device(event.deviceId)} put the call on hold`
    case 'connectionRetrieved':
      return `${device(event.deviceId)} retrieved the call`
    case 'connectionFailed':
      return `The far end ${FAILURE_WORDS[event.failure]}`
    case 'connectionCleared':
      return `${capital(device(event.deviceId))} left: ${CAUSES[event.cause]}`
    case 'callCleared':
      return 'The call was over'
    case 'wrapUpStarted':
      return `${agent(event.agentId)} began wrap-up`
    case 'wrapUpEnded':
      return `${agent(event.agentId)} ended wrap-up`
    case 'scriptStarted':
      return 'The script opened'
    case 'scriptPageShown':
      return event.direction === 'next' ? `Script: on to page “${event.pageId}”` : `Script: back to page “${event.pageId}”`
    case 'scriptAnswered':
      return event.value === null
        ? `Script: the answer to ${event.field} was taken back`
        : `Script: ${event.field} = ${typeof event.value === 'boolean' ? (event.value ? 'yes' : 'no') : event.value}`
    case 'captionSpoken':
      return `Outside party: “${event.text}”`
    case 'notesDrafted':
      return 'Notes were written'
    case 'ringSilenced':
      return `${agent(event.agentId)} silenced the ringing`
    case 'outcomeSaved':
      return `${agent(event.agentId)} saved the outcome “${event.code}”`
    case 'shiftStarted':
    case 'shiftEnded':
    case 'agentReady':
    case 'agentNotReady':
    case 'muteChanged':
    case 'floorOpened':
    case 'floorResumed':
      return event.kind
  }
}

const CAUSES = {
  hungUp: 'hung up',
  lastParty: 'nobody else was left',
  abandoned: 'gave up waiting',
  declined: 'declined',
  noAnswer: 'did not answer in time',
  answeredElsewhere: 'answered elsewhere',
  failed: 'failed',
} as const

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1)
