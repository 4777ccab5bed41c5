import { expect, test } from 'vitest'
import { judge, lookAt } from './level'

const tone = (level: number) => Float32Array.from({ length: 2048 }, (_, n) => Math.max(-1, Math.min(1, level * Math.sin(n / 5))))
const quiet = tone(0.0001)

test.each([
  { says: 'nothing at all', heard: [new Float32Array(2048)], verdict: 'silent' },
  { says: 'a dead device that hums', heard: [quiet], verdict: 'silent' },
  { says: 'a whisper far away', heard: [quiet, tone(0.02)], verdict: 'faint' },
  { says: 'a few words in a quiet room', heard: [quiet, tone(0.3), quiet], verdict: 'good' },
  { says: 'shouting', heard: [tone(4)], verdict: 'clipped' },
  { says: 'one loud word among many', heard: [tone(0.4), tone(0.998), ...Array.from({ length: 60 }, () => tone(0.4))], verdict: 'good' },
  { says: 'no look at all', heard: [], verdict: 'silent' },
])('$says is $verdict', ({ heard, verdict }) => {
  expect(judge(heard.map(lookAt))).toBe(verdict)
})
