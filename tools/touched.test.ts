import { readdirSync } from 'node:fs'
import { describe, expect, test } from 'vitest'
import { touched } from './touched.mjs'

const ALL = readdirSync('e2e').filter((file) => file.endsWith('.spec.ts'))
const EVERY = ALL.map((file) => `e2e/${file}`)

describe('what a change can touch', () => {
  test.each([
    { says: 'a document: no page', files: ['README.md', 'docs/bench.md', 'src/core/calls/calls.test.ts'], then: [] },
    { says: 'the core: all', files: ['src/core/calls/call.ts'], then: EVERY },
    { says: 'a part of all screens: all', files: ['src/parts/ui/button.tsx'], then: EVERY },
    { says: 'the desk, which is in all: all', files: ['src/screens/desk/desk.tsx'], then: EVERY },
    { says: 'what all tests share: all', files: ['e2e/desk.ts'], then: EVERY },
    { says: 'a test: itself', files: ['e2e/log.spec.ts'], then: ['e2e/log.spec.ts'] },
  ])('$says', ({ files, then }) => expect(touched(files, ALL)).toEqual(then))

  test('one screen: its own tests and those that go to every page', () => {
    const specs = touched(['src/screens/voicemail/message-entry.tsx'], ALL)
    expect(specs).toContain('e2e/voicemail.spec.ts')
    expect(specs).toContain('e2e/accessibility.spec.ts')
    expect(specs.length).toBeLessThan(EVERY.length / 3)
  })

  test('whatever is named is there', () => {
    const screens = readdirSync('src/screens').filter((screen) => screen !== 'desk' && screen !== 'start')
    for (const screen of screens) expect(touched([`src/screens/${screen}/x.tsx`], ALL).length, screen).toBeGreaterThan(5)
    expect(
      touched(
        screens.map((screen) => `src/screens/${screen}/x.tsx`),
        ALL,
      ).length,
    ).toBeLessThan(EVERY.length)
  })
})
