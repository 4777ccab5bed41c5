// What a mailbox hears of a stand-in, made by the mixer as it would have been on the line: nobody needs to be at a desk for it, and it is the same whenever
// it is made.
import { type DeviceId, toDeviceId } from '@/core/ids'
import { createMixer } from './mixer'
import { createVoices } from './voices'

export interface SpokenAt {
  readonly atMs: number
  readonly text: string
}

const SPEAKER: DeviceId = toDeviceId('dev_speaker')

/** Samples at `rateHertz`, as long as it lasts; null where no voice knows any of the words, or the browser has no sound. */
export async function renderSpoken(words: readonly SpokenAt[], speaker: string, lastsMs: number, rateHertz: number): Promise<Float32Array | null> {
  if (typeof OfflineAudioContext === 'undefined' || words.length === 0) return null
  const context = new OfflineAudioContext(1, Math.max(1, Math.round((lastsMs / 1000) * rateHertz)), rateHertz)
  const mixer = createMixer(context)
  mixer.apply({ ear: { [SPEAKER]: 'voice' }, heard: false, failed: null, whispers: [], recordingId: null })
  mixer.recording.connect(context.destination)
  const voices = createVoices(context)
  const spoken = await Promise.all(words.map(({ atMs, text }) => voices.speak(text, speaker, mixer.input(SPEAKER), atMs / 1000)))
  if (!spoken.includes(true)) return null
  return (await context.startRendering()).getChannelData(0)
}
