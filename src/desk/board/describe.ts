// The board in words: the text equivalent that is announced on change and read by those who do not see the cords.
import { type Connection, FAILURE_WORDS } from '@/core/calls'
import type { AgentId } from '@/core/ids'
import { formatClock } from '@/core/time'
import type { CallView, MeView } from '@/exchange/protocol'

export type CordForm = 'talking' | 'held' | 'ringing' | 'none'

/** How the cord between me and a party is drawn: computed from my own end and theirs. */
export function cordForm(mine: Connection | undefined, theirs: Connection): CordForm {
  if (mine === undefined || theirs.state === 'failed') return 'none'
  if (mine.state === 'alerting' || mine.state === 'initiated' || theirs.state === 'alerting') return 'ringing'
  if (mine.state === 'held' || theirs.state === 'held') return 'held'
  return 'talking'
}

export const isMine = (connection: Connection, agentId: AgentId): boolean => connection.party.kind === 'agent' && connection.party.agentId === agentId

export function partyName({ party }: Connection): string {
  if (party.kind === 'outside') return party.name ?? party.number ?? 'Withheld number'
  return party.kind === 'agent' ? 'A colleague' : 'The queue'
}

export const failureWords = (connection: Connection): string | null => (connection.failure === null ? null : FAILURE_WORDS[connection.failure])

/** One sentence a call; with a clock only where time matters to the listener, so that announcements stay short. */
export function describeBoard(me: MeView, calls: readonly CallView[], nowMs: number): string {
  if (calls.length === 0) return me.state === 'wrapUp' ? 'No call. The last call owes an outcome.' : 'No call on the board.'
  return calls.map((call) => describeCall(me, call, nowMs)).join(' ')
}

function describeCall(me: MeView, call: CallView, nowMs: number): string {
  const mine = call.connections.find((c) => isMine(c, me.id))
  const others = call.connections.filter((c) => c !== mine && c.party.kind !== 'queue')
  const names = others.map(partyName).join(', ')
  const failed = others.find((c) => c.failure !== null)
  const muted = me.muted ? ' You are muted.' : ''
  if (failed !== undefined) return `${names} ${failureWords(failed)}.`
  if (mine?.state === 'alerting') return `${names} is ringing.`
  if (mine?.state === 'initiated' || others.length === 0) return 'You are dialling.'
  if (others.some((c) => c.state === 'alerting')) return `It rings at ${names}.`
  if (mine?.state === 'held') return `${names} is on hold, ${formatClock(nowMs - mine.sinceMs)}.`
  return `You are talking with ${names}.${muted}`
}
