// Every colour that words are set in can be read on every ground it stands on, by day and in a dark room: WCAG 2.2, 1.4.3 (4.5:1) and 1.4.11 (3:1).
import { readFileSync } from 'node:fs'
import { expect, test } from 'vitest'

const CSS = readFileSync(new URL('./theme.css', import.meta.url), 'utf8')

function colour(name: string, looks: 'light' | 'dark'): string {
  const both = new RegExp(`--color-${name}: light-dark\\((#[0-9a-f]{6}), (#[0-9a-f]{6})\\);`).exec(CSS)
  if (both === null) throw new Error(`no colour ${name} for both`)
  return both[looks === 'light' ? 1 : 2] as string
}

/** Relative luminance of WCAG. */
function luminance(hex: string): number {
  const linear = (v: number) => (v <= 0.04045 ? v / 12.92 : ((v + 0.055) / 1.055) ** 2.4)
  const [red, green, blue] = [1, 3, 5].map((at) => linear(Number.parseInt(hex.slice(at, at + 2), 16) / 255)) as [number, number, number]
  return 0.2126 * red + 0.7152 * green + 0.0722 * blue
}
function contrast(a: string, b: string): number {
  const [dark, light] = [luminance(a), luminance(b)].toSorted((x, y) => x - y) as [number, number]
  return (light + 0.05) / (dark + 0.05)
}

const GROUNDS = ['paper', 'raised'] as const
const WORDS: readonly (readonly [text: string, ground: string])[] = [
  ...['ink', 'soft', 'green', 'brass-text', 'red', 'sea'].flatMap((text) => GROUNDS.map((ground) => [text, ground] as const)),
  ...['green-wash', 'brass-wash', 'red-wash', 'sea-wash'].map((ground) => ['ink', ground] as const),
  ...(['green', 'brass-text', 'red', 'sea'] as const).map((text) => [text, `${text.replace('-text', '')}-wash`] as const),
  ...['green', 'green-deep', 'ink', 'brass-text'].map((ground) => ['on-fill', ground] as const),
]
/** Borders of what can be pressed or typed into, and marks. */
const MARKS = ['line-strong', 'brass', 'green', 'red', 'sea'].flatMap((mark) => GROUNDS.map((ground) => [mark, ground] as const))

test.each(['light', 'dark'] as const)('%s', (looks) => {
  const poor = (pairs: typeof WORDS, least: number) =>
    pairs.flatMap(([a, b]) => {
      const ratio = contrast(colour(a, looks), colour(b, looks))
      return ratio < least ? [`${a} on ${b}: ${ratio.toFixed(2)}`] : []
    })
  expect(poor(WORDS, 4.5)).toEqual([])
  expect(poor(MARKS, 3)).toEqual([])
})
