// Hauliers who want deck space, and animals.
import { SECOND } from '@/core/time'
import type { Business } from '@/world'
import { SPEAKING, wrongNumber } from './any'

export const freight: Business = {
  medianMs: 235 * SECOND,
  intents: [
    { wants: 'space', weight: 56, paths: ['Freight'], answers: { ...SPEAKING, load: 'trailer', space: true }, code: 'space-booked' },
    { wants: 'full', weight: 10, paths: ['Freight'], answers: { ...SPEAKING, load: 'lorry', space: false }, code: 'space-refused' },
    { wants: 'fullCallBack', weight: 5, paths: ['Freight'], answers: { ...SPEAKING, load: 'lorry', space: false }, code: 'callback-agreed' },
    {
      wants: 'animals',
      weight: 14,
      paths: ['Livestock and horses'],
      code: 'space-booked',
      answers: { ...SPEAKING, load: 'horseBox', papers: true, attended: true, space: true },
    },
    { wants: 'noPapers', weight: 6, paths: ['Livestock and horses'], answers: { ...SPEAKING, load: 'livestock', papers: false }, code: 'papers-missing' },
    { wants: 'ask', weight: 8, paths: ['Freight'], answers: SPEAKING, code: 'information', pages: 1 },
    wrongNumber,
  ],
  lines: [
    ['Morning. I need deck space for a trailer.', 'Hello, I have a lorry to get across.', 'Good day. It is about a horse box.'],
    ['Twelve metres, eighteen tonnes.', 'Six metres, and one horse in it.', 'Sixteen and a half metres, full load.'],
    ['The papers are signed, yes.', 'Yes, I have all the papers here.', 'The vet signed them this morning.'],
    ['First sailing tomorrow, if there is room.', 'Whatever goes tonight.', 'The afternoon one to Great Hythe.'],
    ['Good. Put me down for that.', 'That works.', 'Right you are.'],
    ['Cheers. Bye.', 'Thanks, good-bye.', 'That is it, then. Bye.'],
  ],
  instead: {
    ask: { 0: ['Morning. What is the most a lorry may weigh?'], 1: ['I see.'], 2: ['And how high?'], 3: ['That is all I wanted to know.'] },
    full: { 4: ['Full? Then I will try somebody else.'] },
    fullCallBack: { 4: ['Full? Ring me if somebody gives up their place.'] },
    noPapers: { 2: ['No, the vet has not signed yet.'], 4: ['Right. I will call again when I have them.'] },
  },
}
