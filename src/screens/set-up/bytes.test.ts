import { expect, test } from 'vitest'
import { bytesInWords } from './bytes'

test.each([
  [0, '0 bytes'],
  [999, '999 bytes'],
  [1_000, '1.0 kB'],
  [99_499, '99.5 kB'],
  [999_499, '999 kB'],
  [999_500, '1.0 MB'],
  [132_400_000, '132 MB'],
  [40_000_000_000, '40.0 GB'],
  [5e15, '5000 TB'],
])('%d is %s', (bytes, words) => expect(bytesInWords(bytes)).toBe(words))
