// Rows of the log in words.
import type { MissedHow } from '@/core/ledger'
import type { LogRow } from '@/services/history/client'

const HOW: Readonly<Record<MissedHow, string>> = {
  noAnswer: 'not answered',
  declined: 'declined',
  busy: 'you were on a call',
  diverted: 'sent on',
  takenElsewhere: 'taken by somebody else',
  hungUp: 'hung up before the answer',
  voicemail: 'left a message',
}
/** Of a colleague one has called oneself. */
const CALLED: Readonly<Record<MissedHow, string>> = { ...HOW, busy: 'busy', voicemail: 'message left', hungUp: 'given up', noAnswer: 'no answer' }

const WAYS = { in: 'In', out: 'Out', missed: 'Missed' } as const

export function wayWords({ way, how }: LogRow): string {
  if (how === 'voicemail' && way === 'missed') return 'Voicemail'
  if (how === 'diverted' && way === 'missed') return 'Diverted'
  return WAYS[way]
}

/** What became of it, where it is no talk. */
export const howWords = ({ way, how }: LogRow): string | null => (how === null ? null : way === 'out' ? CALLED[how] : HOW[how])

export function ofWords({ direction, queue, campaign, result }: LogRow): string {
  if (campaign !== null) return campaign
  if (queue !== null) return queue
  return direction === 'internal' ? 'Internal' : direction === 'inbound' ? (result === 'voicemail' ? 'To a mailbox' : 'Conference') : 'Dialled'
}

/** What tells a row from every other: a call may ring in vain more than once. */
export const keyOf = ({ callId, atMs, way }: Pick<LogRow, 'callId' | 'atMs' | 'way'>): string => `${callId} ${way} ${atMs}`
