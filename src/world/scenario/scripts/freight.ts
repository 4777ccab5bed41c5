// Freight space: the load, its papers, and room on deck.
import { toScriptId } from '@/core/ids'
import type { Script } from '@/core/scripts'
import { choice, page, text, yes, yesNo } from './builders'
import { opening } from './opening'

export const FREIGHT: Script = {
  id: toScriptId('script_freight'),
  version: 2,
  name: 'Freight space',
  startPage: 'greeting',
  pages: [
    ...opening({
      greets: ['Fennholm Line freight, {agent.firstName} speaking.'],
      onward: 'load',
      behalf: 'load',
      notThere: 'callback-agreed',
      noTime: 'caller-hung-up',
    }),
    page('load', 'The load', {
      say: ['What are we carrying today?'],
      questions: [
        choice('load', 'Load', { lorry: 'Lorry', trailer: 'Trailer without driver', livestock: 'Livestock', horseBox: 'Horse box' }),
        text('lengthAndWeight', 'Length and weight'),
      ],
      ways: [
        { when: { field: 'load', is: 'livestock' }, to: 'papers' },
        { when: { field: 'load', is: 'horseBox' }, to: 'papers' },
        { when: null, to: 'space' },
      ],
    }),
    page('papers', 'Animals aboard', {
      say: ['For animals I need to know: are the movement papers signed, and does somebody travel with them?'],
      questions: [yesNo('papers', 'Papers are signed'), yesNo('attended', 'Somebody travels with them')],
      ways: yes('papers', 'space', 'no-papers'),
    }),
    page('space', 'Space', {
      say: ['On which sailing do you need the space?'],
      questions: [text('newSailing', 'Day and sailing'), yesNo('space', 'There is room')],
      ways: yes('space', 'booked', 'full'),
    }),
    page('booked', 'Booked', { say: ['You have the space. Be at the weighbridge one hour before.'], suggests: ['space-booked'] }),
    page('full', 'Full', {
      say: ['I am sorry, that deck is full. Shall I ring you if somebody gives up their place?'],
      suggests: ['space-refused', 'callback-agreed'],
    }),
    page('no-papers', 'No papers', { say: ['Then I may not take them aboard yet. Please call again when the vet has signed.'], suggests: ['papers-missing'] }),
  ],
}
