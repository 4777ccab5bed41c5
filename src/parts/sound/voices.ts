// Speaks captions aloud: the clip of the words, in the voice of who says them, into that party's input of the mixer. Words
// without a clip stay a caption.
import { clipOf, voiceOf } from './clip'

const ROOT = '/voices'

export interface Voices {
  /** `atS` of the context's time; at once when that is over. Whether there is a clip of the words. */
  speak(text: string, speaker: string, into: AudioNode, atS?: number): Promise<boolean>
}

export function createVoices(context: BaseAudioContext): Voices {
  const decoded = new Map<string, Promise<AudioBuffer | null>>()
  const known = fetch(`${ROOT}/clips.json`).then(
    async (answer) => new Set((await answer.json()) as string[]),
    // No clips, no voices; the captions are there all the same.
    () => new Set<string>(),
  )
  const load = async (clip: string, voice: string): Promise<AudioBuffer | null> => {
    if (!(await known).has(clip)) return null
    const answer = await fetch(`${ROOT}/${voice}/${clip}.ogg`)
    return answer.ok ? context.decodeAudioData(await answer.arrayBuffer()) : null
  }
  return {
    async speak(text, speaker, into, atS = 0) {
      const clip = clipOf(text)
      const voice = voiceOf(speaker)
      const key = `${voice}/${clip}`
      if (!decoded.has(key)) decoded.set(key, load(clip, voice))
      const buffer = await decoded.get(key)
      if (buffer == null) return false
      const source = context.createBufferSource()
      source.buffer = buffer
      source.connect(into)
      source.start(atS)
      return true
    },
  }
}
