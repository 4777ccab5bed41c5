import { expect, test } from 'vitest'
import { freeId, slug } from './ids'

test.each([
  ['Boat handling', 'boat-handling'],
  ['  No answer!  ', 'no-answer'],
  ['Öffnung 24/7', 'o-ffnung-24-7'],
  ['—', ''],
])('%j becomes the slug %j', (name, made) => expect(slug(name)).toBe(made))

test.each([
  { taken: [], is: 'copy' },
  { taken: ['copy'], is: 'copy-2' },
  { taken: ['copy', 'copy-2', 'copy-4'], is: 'copy-3' },
  { taken: ['copy-2'], is: 'copy' },
])('with $taken taken, a new id is $is', ({ taken, is }) => expect(freeId('copy', taken)).toBe(is))
