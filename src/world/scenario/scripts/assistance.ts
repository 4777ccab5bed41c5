// Help at boarding: what is needed, on which sailing, and whether the port can.
import { toScriptId } from '@/core/ids'
import type { Script } from '@/core/scripts'
import { choice, page, reference, several, to, yes, yesNo } from './builders'
import { opening } from './opening'

export const ASSISTANCE: Script = {
  id: toScriptId('script_assistance'),
  version: 2,
  name: 'Help at boarding',
  startPage: 'greeting',
  pages: [
    ...opening({
      greets: ['Fennholm Line boarding help, this is {agent.firstName}.'],
      onward: 'whom',
      behalf: 'whom',
      notThere: 'port-to-call',
      noTime: 'caller-hung-up',
    }),
    page('whom', 'Whom it is for', {
      say: ['Is the help for you, or for somebody you travel with?'],
      direction: 'Speak slowly. Some callers use a relay service: leave time for it.',
      questions: [choice('helpFor', 'Help is for', { caller: 'The caller', other: 'Somebody else' })],
      ways: to('need'),
    }),
    page('need', 'What is needed', {
      sensitive: true,
      say: ['What would make boarding easy? There is no need to tell me why.'],
      questions: [
        several('need', 'They need', {
          ramp: 'A ramp and no stairs',
          chair: 'A wheelchair at the quay',
          guide: 'Somebody to walk with them',
          vehicle: 'To board first, in a vehicle',
        }),
      ],
      ways: to('sailing'),
    }),
    page('sailing', 'Which sailing', {
      say: ['On which booking, please? Then I will tell the port.'],
      questions: [reference('reference', 'Booking reference'), yesNo('inTime', 'More than four hours from now')],
      ways: yes('inTime', 'arranged', 'ask-port'),
    }),
    page('arranged', 'Arranged', {
      say: ['That is arranged. Please ring the blue bell at the quay thirty minutes before, and somebody comes to you.'],
      suggests: ['help-arranged', 'help-changed'],
    }),
    page('ask-port', 'Ask the port', {
      say: ['That is soon. The port must confirm, and will call you back within half an hour. Is this number the right one?'],
      questions: [yesNo('numberRight', 'The number is right'), { kind: 'telephone', field: 'callAt', label: 'Otherwise call' }],
      ways: to('close'),
    }),
    page('close', 'Close', { say: ['Thank you. The port will call you.'], suggests: ['port-to-call'] }),
  ],
}
