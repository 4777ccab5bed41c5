// What a caller wants: settled by the seed and the call before it rings, so that the way in, what is said, what the script takes down and the code
// all speak of the same thing.
import type { CallId, QueueId } from '@/core/ids'
import type { AnswerValue } from '@/core/scripts'
import { ASSISTANCE, DISRUPTION, FREIGHT, SAILINGS } from '@/world/scenario'
import { chanceOfCall } from './chance-of-call'
import type { Pace } from './paces'

export interface Intent {
  /** A name for it, unique within a queue. */
  readonly wants: string
  readonly weight: number
  /** How much more often on a storm day. */
  readonly inStorm?: number
  /** What they choose on the way in, any of these; null for whatever there is. */
  readonly paths: readonly string[] | null
  /** What the script's questions get for answers; the others are answered by chance. */
  readonly answers: Readonly<Record<string, AnswerValue>>
  /** The outcome when their business is done. */
  readonly code: string
  /** They meant to call somebody else: short, and of nobody the records know. */
  readonly isWrongNumber?: boolean
  /** They belong in another queue and are put through to it. */
  readonly belongsIn?: QueueId
  /** Pages of the script an agent goes on to; all of them when not given. */
  readonly pages?: number
}

const SPEAKING = { speaking: 'booker' } as const
const wrongNumber: Intent = { wants: 'wrongNumber', weight: 1.5, paths: null, answers: { speaking: 'wrongNumber' }, code: 'wrong-number', isWrongNumber: true }
const CHANGE = ['Change a booking']
const BOOK = ['Book a sailing']
const ELSE = ['Something else']

const INTENTS: ReadonlyMap<QueueId, readonly Intent[]> = new Map([
  [
    SAILINGS,
    [
      { wants: 'change', weight: 44, paths: CHANGE, answers: { ...SPEAKING, purpose: 'change', confirmed: true }, code: 'booking-changed' },
      { wants: 'book', weight: 22, paths: BOOK, answers: { ...SPEAKING, purpose: 'book', confirmed: true }, code: 'booking-made' },
      { wants: 'refund', weight: 7, paths: CHANGE, answers: { ...SPEAKING, purpose: 'cancel', refundAgreed: true }, code: 'refund-requested' },
      { wants: 'keepAfterAll', weight: 1, paths: CHANGE, answers: { ...SPEAKING, purpose: 'cancel', refundAgreed: false }, code: 'information' },
      { wants: 'ask', weight: 15, paths: ELSE, answers: { ...SPEAKING, purpose: 'ask' }, code: 'information' },
      { wants: 'askLater', weight: 5, paths: ELSE, answers: { ...SPEAKING, purpose: 'ask' }, code: 'callback-agreed' },
      { wants: 'notThere', weight: 1, paths: CHANGE, answers: { speaking: 'notThere' }, code: 'callback-agreed' },
      { wants: 'mayNotAct', weight: 2, paths: CHANGE, answers: { speaking: 'someoneElse', mayAct: false }, code: 'passed-on' },
      { wants: 'freight', weight: 2, paths: BOOK, answers: { ...SPEAKING, purpose: 'ask' }, code: 'passed-on', belongsIn: FREIGHT, pages: 1 },
      wrongNumber,
    ],
  ],
  [
    FREIGHT,
    [
      { wants: 'space', weight: 56, paths: ['Freight'], answers: { ...SPEAKING, load: 'trailer', space: true }, code: 'space-booked' },
      { wants: 'full', weight: 10, paths: ['Freight'], answers: { ...SPEAKING, load: 'lorry', space: false }, code: 'space-refused' },
      { wants: 'fullCallBack', weight: 5, paths: ['Freight'], answers: { ...SPEAKING, load: 'lorry', space: false }, code: 'callback-agreed' },
      {
        ...{ wants: 'animals', weight: 14, paths: ['Livestock and horses'], code: 'space-booked' },
        answers: { ...SPEAKING, load: 'horseBox', papers: true, attended: true, space: true },
      },
      { wants: 'noPapers', weight: 6, paths: ['Livestock and horses'], answers: { ...SPEAKING, load: 'livestock', papers: false }, code: 'papers-missing' },
      { wants: 'ask', weight: 8, paths: ['Freight'], answers: SPEAKING, code: 'information', pages: 1 },
      wrongNumber,
    ],
  ],
  [
    DISRUPTION,
    [
      { wants: 'runs', weight: 46, paths: null, answers: { ...SPEAKING, sailingIs: 'runs' }, code: 'told-status' },
      { wants: 'lateWait', weight: 20, paths: null, answers: { ...SPEAKING, sailingIs: 'late', wish: 'wait' }, code: 'will-wait' },
      { wants: 'lateMove', weight: 12, paths: null, answers: { ...SPEAKING, sailingIs: 'late', wish: 'move' }, code: 'rebooked' },
      { wants: 'offMove', weight: 9, inStorm: 6, paths: null, answers: { ...SPEAKING, sailingIs: 'cancelled', wish: 'move' }, code: 'rebooked' },
      { wants: 'offRefund', weight: 5, inStorm: 6, paths: null, answers: { ...SPEAKING, sailingIs: 'cancelled', wish: 'refund' }, code: 'refund-requested' },
      { wants: 'offWait', weight: 3, inStorm: 4, paths: null, answers: { ...SPEAKING, sailingIs: 'cancelled', wish: 'wait' }, code: 'will-wait' },
      { wants: 'offCallBack', weight: 3, inStorm: 3, paths: null, answers: { ...SPEAKING, sailingIs: 'cancelled', wish: 'wait' }, code: 'callback-agreed' },
      wrongNumber,
    ],
  ],
  [
    ASSISTANCE,
    [
      { wants: 'help', weight: 62, paths: null, answers: { ...SPEAKING, inTime: true }, code: 'help-arranged' },
      { wants: 'change', weight: 18, paths: null, answers: { ...SPEAKING, inTime: true }, code: 'help-changed' },
      { wants: 'soon', weight: 12, paths: null, answers: { ...SPEAKING, inTime: false, numberRight: true }, code: 'port-to-call' },
      { wants: 'ask', weight: 7, paths: null, answers: SPEAKING, code: 'information', pages: 1 },
      wrongNumber,
    ],
  ],
])

/** Of a queue the scenario knows nothing of: they only want to know something. */
const UNKNOWN: Intent = { wants: 'ask', weight: 1, paths: null, answers: SPEAKING, code: 'information' }

/** Callers somebody asked for come with business of the queue; others may have meant to call somebody else. */
export function intentOf(seed: number, callId: CallId, queueId: QueueId | null, pace: Pace, wished = false): Intent {
  const intents = queueId === null ? undefined : INTENTS.get(queueId)
  if (intents === undefined) return UNKNOWN
  const may = wished ? intents.filter((i) => i.isWrongNumber !== true && i.belongsIn === undefined) : intents
  const weight = ({ weight, inStorm = 1 }: Intent) => (pace === 'storm' ? weight * inStorm : weight)
  return chanceOfCall(seed, callId, 'intent').weighted(may.map((item) => ({ item, weight: weight(item) })))
}
