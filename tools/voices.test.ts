import { existsSync, readFileSync, statSync } from 'node:fs'
import { expect, test } from 'vitest'
import { clipOf, VOICES } from '@/parts/sound/clip'
import { SPOKEN } from '@/world/scenario/spoken'

test('everything the stand-ins say has a voice; new lines want `node tools/voices.mjs`', () => {
  const missing = SPOKEN.flatMap((text) => VOICES.filter((voice) => !existsSync(`public/voices/${voice}/${clipOf(text)}.ogg`)).map(() => text))
  expect(missing).toEqual([])
  expect(new Set(JSON.parse(readFileSync('public/voices/clips.json', 'utf8')))).toEqual(new Set(SPOKEN.map(clipOf)))
  const bytes = VOICES.flatMap((voice) => SPOKEN.map((text) => statSync(`public/voices/${voice}/${clipOf(text)}.ogg`).size)).reduce((a, b) => a + b, 0)
  expect(bytes).toBeLessThan(4_000_000)
})

test('a line is found again with its booking filled in', () => {
  expect(clipOf('The booking is FL-204816.')).toBe(clipOf('The booking is {booking}.'))
})
