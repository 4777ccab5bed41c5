// Whether the boat runs, and what to do when it does not.
import { SECOND } from '@/core/time'
import type { Business } from '@/world'
import { SPEAKING, wrongNumber } from './any'

export const disruption: Business = {
  medianMs: 165 * SECOND,
  intents: [
    { wants: 'runs', weight: 46, paths: null, answers: { ...SPEAKING, sailingIs: 'runs' }, code: 'told-status' },
    { wants: 'lateWait', weight: 20, paths: null, answers: { ...SPEAKING, sailingIs: 'late', wish: 'wait' }, code: 'will-wait' },
    { wants: 'lateMove', weight: 12, paths: null, answers: { ...SPEAKING, sailingIs: 'late', wish: 'move' }, code: 'rebooked' },
    { wants: 'offMove', weight: 9, inStorm: 6, paths: null, answers: { ...SPEAKING, sailingIs: 'cancelled', wish: 'move' }, code: 'rebooked' },
    { wants: 'offRefund', weight: 5, inStorm: 6, paths: null, answers: { ...SPEAKING, sailingIs: 'cancelled', wish: 'refund' }, code: 'refund-requested' },
    { wants: 'offWait', weight: 3, inStorm: 4, paths: null, answers: { ...SPEAKING, sailingIs: 'cancelled', wish: 'wait' }, code: 'will-wait' },
    { wants: 'offCallBack', weight: 3, inStorm: 3, paths: null, answers: { ...SPEAKING, sailingIs: 'cancelled', wish: 'wait' }, code: 'callback-agreed' },
    wrongNumber,
  ],
  lines: [
    ['Is my boat running? The board at the port says nothing.', 'Hello, I hear the sailings are off?', 'We are on the quay and nobody tells us anything.'],
    ['The one to Skarvey, this afternoon.', 'Arnmoor to Oskerry, the next one.', 'The evening boat from Great Hythe.'],
    ['And what do we do now?', 'Can we go later instead?', 'We have children with us. What can you offer?'],
    ['Then move us to the next one. It is {booking}.', 'I would rather have the fare back. {booking}.', 'We can wait a little. Our booking is {booking}.'],
    ['All right. It is nobody’s fault.', 'Thank you for being straight with me.', 'Good, that helps.'],
    ['Good-bye.', 'Thanks. Good-bye.', 'Right. Bye.'],
  ],
  instead: {
    runs: { 2: ['Then we come as planned?'], 3: ['Good. Our booking is {booking}, if you need it.'] },
    lateWait: { 3: ['We can wait a little. Our booking is {booking}.'] },
    offWait: { 3: ['We can wait a little. Our booking is {booking}.'] },
    offCallBack: { 3: ['Could you ring us when it sails? It is {booking}.'] },
    lateMove: { 3: ['Then move us to the next one. It is {booking}.'] },
    offMove: { 3: ['Then move us to the next one. It is {booking}.'] },
    offRefund: { 3: ['I would rather have the fare back. {booking}.'] },
  },
}
