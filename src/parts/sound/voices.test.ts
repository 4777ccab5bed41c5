import { afterAll, expect, test, vi } from 'vitest'
import { clipOf } from './clip'
import { createVoices } from './voices'

afterAll(() => void vi.unstubAllGlobals())

const LINE = 'Good morning.'

test('a clip that could not be had is asked for again when it is next said; one that nobody has spoken is not asked for', async () => {
  const asked: string[] = []
  let online = false
  vi.stubGlobal('fetch', async (path: string) => {
    asked.push(path)
    if (!online) throw new TypeError('Failed to fetch')
    return path.endsWith('.json') ? Response.json([clipOf(LINE)]) : path.includes(clipOf(LINE)) ? new Response('ogg') : new Response('', { status: 404 })
  })
  const started: number[] = []
  const source = { buffer: null, connect: () => {}, start: (atS: number) => void started.push(atS) }
  const context = { createBufferSource: () => source, decodeAudioData: async () => ({}) } as unknown as BaseAudioContext
  const voices = createVoices(context)
  const say = (text: string) => voices.speak(text, 'caller' as never, {} as AudioNode)
  expect(await say(LINE)).toBe(false)
  online = true
  expect(await say(LINE)).toBe(true)
  expect(await say(LINE)).toBe(true)
  expect(started).toEqual([0, 0])
  const clips = asked.filter((path) => path.includes(clipOf(LINE)))
  // Had once, it is not asked for a second time.
  expect(clips).toHaveLength(1)
  expect(await say('Nobody has spoken this.')).toBe(false)
  expect(asked.filter((path) => !path.endsWith('.json'))).toEqual(clips)
})
