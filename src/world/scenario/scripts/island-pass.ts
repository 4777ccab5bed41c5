// Island Pass holders whose pass ends with the year are asked whether they want another.
import { toScriptId } from '@/core/ids'
import type { Script } from '@/core/scripts'
import { choice, disclosure, page, to, when, yesNo } from './builders'
import { calling } from './calling'

export const ISLAND_PASS: Script = {
  id: toScriptId('script_island-pass'),
  version: 1,
  name: 'Island Pass renewal',
  startPage: 'greeting',
  pages: [
    ...calling({
      greets: [],
      onward: 'offer',
      message:
        'Good day, this is {agent.firstName} of Fennholm Line with a message for {caller.name|you} about the Island Pass. Please call us back. Thank you.',
    }),
    page('offer', 'The offer', {
      say: [
        'Your Island Pass {record.pass|of this year} ends on {record.ends|the last of December}. You crossed with us {record.crossings|several} times on it.',
        'May I renew it for you at the price of this year?',
      ],
      questions: [choice('wish', 'They would', { renew: 'Renew it', question: 'Ask something first', think: 'Think it over', no: 'Let it end' })],
      ways: when('wish', { renew: 'terms', question: 'question', think: 'think', no: 'let-end' }),
    }),
    page('question', 'Their question', {
      say: ['The pass takes you across on every sailing of ours, with a bicycle or a dog, as often as you like.'],
      questions: [choice('wish', 'Now they would', { renew: 'Renew it', think: 'Think it over', no: 'Let it end' })],
      ways: when('wish', { renew: 'terms', think: 'think', no: 'let-end' }),
    }),
    page('terms', 'Terms', {
      sensitive: true,
      say: ['It is charged to the card we have from you.'],
      questions: [
        disclosure(
          'termsRead',
          'Terms',
          'The pass runs from the first of January for a year. You may give it back within fourteen days. Do you want it on these terms?',
        ),
        yesNo('confirmed', 'They agree'),
      ],
      ways: to('renewed'),
    }),
    page('renewed', 'Renewed', { say: ['It is renewed; the card comes by post. Thank you, {caller.firstName|}.'], suggests: ['renewed'] }),
    page('think', 'They think it over', { say: ['When may I call you again?'], suggests: ['callback-agreed'] }),
    page('let-end', 'They let it end', { say: ['Then it ends by itself, and you need do nothing. May I ask why?'], suggests: ['declined', 'moved-away'] }),
  ],
}
