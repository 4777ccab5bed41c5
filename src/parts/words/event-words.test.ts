import { expect, test } from 'vitest'
import type { FloorEvent } from '@/core/ledger'
import type { Script } from '@/core/scripts'
import { SCRIPTS } from '@/world/scenario/scripts'
import { type EventNames, eventWords } from './event-words'

const SAILINGS = SCRIPTS.find((s) => s.name === 'Change of booking') as Script
const [first] = SAILINGS.pages
const question = first?.questions[0]
if (question === undefined || !('options' in question)) throw new Error('the script begins with another kind of question')
const [option] = question.options

const renamed: Script = {
  ...SAILINGS,
  pages: SAILINGS.pages.map((p) =>
    p === first ? { ...p, questions: [{ ...question, options: question.options.map((o) => ({ ...o, label: `${o.label}, renamed` })) }] } : p,
  ),
}
const names = (scripts: readonly Script[], script?: Script) => ({ centre: { scripts, queues: [], campaigns: [] }, seats: [], script }) as unknown as EventNames
const event = (more: object) => ({ callId: 'call_1', ...more }) as unknown as FloorEvent
const answered = event({ kind: 'scriptAnswered', field: question.field, value: option?.value })

test.each([
  { says: 'by its labels', event: answered, names: names(SCRIPTS, SAILINGS), words: `Script: “${question.label}”: ${option?.label}` },
  {
    says: 'as it is called in the script that ran',
    event: answered,
    names: names(SCRIPTS, renamed),
    words: `Script: “${question.label}”: ${option?.label}, renamed`,
  },
  { says: 'by its codes where no script has it', event: answered, names: names([]), words: `Script: “${question.field}”: ${option?.value}` },
  {
    says: 'cleared',
    event: event({ kind: 'scriptAnswered', field: question.field, value: null }),
    names: names(SCRIPTS),
    words: `Script: the answer to “${question.label}” was cleared`,
  },
  {
    says: 'a page by its title',
    event: event({ kind: 'scriptPageShown', pageId: first?.id, direction: 'back' }),
    names: names(SCRIPTS, SAILINGS),
    words: `Script: back to page “${first?.title}”`,
  },
])('what was answered and read: $says', ({ event: of, names: by, words }) => expect(eventWords(of, by)).toBe(words))
