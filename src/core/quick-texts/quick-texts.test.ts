import { describe, expect, test } from 'vitest'
import { toQueueId } from '@/core/ids'
import { findQuickTexts, type QuickText, unknownFields } from '.'

const FIRST = toQueueId('queue_first')
const text = (name: string, more: Partial<QuickText> = {}): QuickText => ({ name, queueId: null, text: 'Certainly.', ...more })
const TEXTS = [
  text('Dogs travel free'),
  text('Late boat', { text: 'The evening dog walk is cancelled.' }),
  text('Papers', { queueId: FIRST }),
  text('Good day'),
]

describe('quick texts', () => {
  test.each([
    { letters: '', queueId: FIRST, names: ['Dogs travel free', 'Good day', 'Late boat', 'Papers'] },
    { letters: '', queueId: null, names: ['Dogs travel free', 'Good day', 'Late boat'] },
    { letters: 'dog', queueId: null, names: ['Dogs travel free', 'Late boat'] },
    { letters: 'dtf', queueId: null, names: ['Dogs travel free'] },
    { letters: 'LB', queueId: null, names: ['Late boat'] },
    { letters: 'boat', queueId: null, names: ['Late boat'] },
    { letters: 'sheep', queueId: FIRST, names: [] },
  ])('“$letters” finds $names', ({ letters, queueId, names }) => expect(findQuickTexts(TEXTS, letters, queueId).map((t) => t.name)).toEqual(names))

  test('a field nobody could fill in is found', () => {
    expect(unknownFields('Dear {caller.firstName|there}, {agent.name} of {caller.shoeSize}.')).toEqual(['caller.shoeSize'])
  })
})
