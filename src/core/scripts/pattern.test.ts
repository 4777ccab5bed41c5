import { describe, expect, test } from 'vitest'
import { matchesPattern, patternProblem } from './pattern'

describe('patterns of text answers', () => {
  test.each([
    { pattern: 'FL-\\d{6}', text: 'FL-204816', matches: true },
    { pattern: 'FL-\\d{6}', text: 'fl-204816', matches: true },
    { pattern: 'FL-\\d{6}', text: 'my FL-204816', matches: false },
    { pattern: 'a|bc', text: 'bc', matches: true },
    { pattern: 'a|bc', text: 'abc', matches: false },
    { pattern: '[A-Z]{1,2}\\d[A-Z\\d]? ?\\d[A-Z]{2}', text: 'ar3 7tf', matches: true },
  ])('$pattern and “$text”: $matches', ({ pattern, text, matches }) => expect(matchesPattern(pattern, text)).toBe(matches))

  test.each(['(', '[a', 'a{2,1}', '(?=a)b', '(a)\\1', `a{${'9'.repeat(600)}}`])('%s cannot be used, is said to be, and keeps nobody', (pattern) => {
    expect(patternProblem(pattern)).toMatch(/^is /)
    expect(matchesPattern(pattern, 'whatever')).toBe(true)
  })

  test('a pattern that would backtrack for ever comes to an end', () => {
    // Backtracking would double with every letter: 40 of them would outlast the test, 40,000 the machine.
    expect(matchesPattern('(a+)+b', 'a'.repeat(40_000))).toBe(false)
  })
})
