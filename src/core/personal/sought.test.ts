// Who is sought is found however their name was typed, and a line is passed over only where it names nobody who is sought.
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { mayBeIn, plain, soughtOf } from './sought'

const NOBODY = { numbers: [], addresses: [], names: [] }

describe('a line', () => {
  test.each([
    { says: 'a number', line: { number: '+441632960112' }, sought: { numbers: ['+441632960112'] }, may: true },
    { says: 'the beginning of a longer number', line: { number: '+4416329601123' }, sought: { numbers: ['+441632960112'] }, may: false },
    {
      says: 'a number that stands in a longer one, and by itself',
      line: ['+4416329601123', '+441632960112'],
      sought: { numbers: ['+441632960112'] },
      may: true,
    },
    { says: 'a name in capitals', line: { name: 'OTTOLINE FJELDING' }, sought: { names: ['Ottoline Fjelding'] }, may: true },
    { says: 'a name with more between its words', line: { name: 'Ottoline \t Fjelding ' }, sought: { names: [' Ottoline  Fjelding'] }, may: true },
    { says: 'a name with marks that JSON writes otherwise', line: { name: 'Ida "Bo"  Åse\\Lind' }, sought: { names: ['Ida "Bo" Åse\\Lind'] }, may: true },
    { says: 'an address', line: { text: 'write to Ida@Example.org' }, sought: { addresses: ['ida@example.org'] }, may: true },
    { says: 'half a name', line: { name: 'Ottoline Marsh' }, sought: { names: ['Ottoline Fjelding'] }, may: false },
    { says: 'nobody who is sought', line: { name: 'Ottoline Fjelding' }, sought: {}, may: false },
  ])('with $says: $may', ({ line, sought, may }) => expect(mayBeIn(JSON.stringify(line), soughtOf({ ...NOBODY, ...sought }))).toBe(may))

  test('is never passed over where the name stands in it, whatever is in the name', () =>
    fc.assert(
      fc.property(fc.string({ minLength: 2, unit: 'grapheme' }), fc.constantFrom(' ', '  ', '\t', '\n '), (name, gap) => {
        fc.pre(plain(name).length > 1)
        const written = name.trim().split(/\s+/).join(gap)
        expect(mayBeIn(JSON.stringify({ name: written }), soughtOf({ ...NOBODY, names: [name] })), written).toBe(true)
      }),
      { seed: 11, numRuns: 500 },
    ))
})
