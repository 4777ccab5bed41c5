import { afterAll, expect, test, vi } from 'vitest'
import { durationMsOf, loadSound } from './sound'

const RATE = 16_000
const run = (startedAtMs: number, data: string) => ({ startedAtMs, data: new Blob([data]) })
/** Decodes a run into as many samples as it has letters; one that is torn it refuses, as browsers do. */
class Decoder {
  async decodeAudioData(data: ArrayBuffer) {
    const text = new TextDecoder().decode(data)
    if (text.includes('torn')) throw new DOMException('Unable to decode audio data', 'EncodingError')
    const samples = new Float32Array(text.length).fill(0.5)
    return { length: samples.length, getChannelData: () => samples }
  }
}
vi.stubGlobal('OfflineAudioContext', Decoder)
afterAll(() => void vi.unstubAllGlobals())

const loaded = (...runs: readonly ReturnType<typeof run>[]) => loadSound('recording_1', async () => runs as never)

test('a run that cannot be decoded is silent where it was, and the others are heard', async () => {
  const sound = await loaded(run(1_000, 'aaaa'), run(1_001, 'torn'), run(1_002, 'bb'))
  expect(sound?.undecoded).toBe(1)
  const perMs = RATE / 1_000
  expect([...(sound?.samples ?? [])].flatMap((s, i) => (s === 0 ? [] : [i]))).toEqual([0, 1, 2, 3, 2 * perMs, 2 * perMs + 1])
})

test('of which nothing can be decoded it is said, and nothing is thrown', async () => {
  const sound = await loaded(run(1_000, 'torn'))
  expect(sound && [sound.undecoded, durationMsOf(sound)]).toEqual([1, 0])
  expect(await loaded()).toBeNull()
})
