import { expect, test } from 'vitest'
import { numbersIn } from './number-links'

test.each([
  ['Call 01632 960112 after six', ['01632 960112']],
  ['(01632) 960-112 or +44 1632 960113.', ['(01632) 960-112', '+44 1632 960113']],
  ['0044 1632 960112', ['0044 1632 960112']],
  ['Booking FL-204816 of 26.11.2026, 0.50 a head, 2026', []],
  ['', []],
])('in “%s” are %j', (text, numbers) => {
  const parts = numbersIn(text)
  expect(parts.filter((_, i) => i % 2 === 1)).toEqual(numbers)
  expect(parts.join('')).toBe(text)
})
