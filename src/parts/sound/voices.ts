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
  let known: Promise<ReadonlySet<string>> | null = null
  const fetched = async (path: string): Promise<Response> => {
    const answer = await fetch(`${ROOT}/${path}`)
    if (!answer.ok) throw new Error(`${path}: ${answer.status}`)
    return answer
  }
  /** null when nobody has spoken it. */
  const load = async (clip: string, voice: string): Promise<AudioBuffer | null> => {
    known ??= fetched('clips.json').then(async (answer) => new Set((await answer.json()) as string[]))
    if (!(await known).has(clip)) return null
    return context.decodeAudioData(await (await fetched(`${voice}/${clip}.ogg`)).arrayBuffer())
  }
  /** Without its clip a line has its caption all the same; what failed is asked for again the next time it is said. */
  const failed = (key: string) => (): null => {
    decoded.delete(key)
    known = null
    return null
  }
  return {
    async speak(text, speaker, into, atS = 0) {
      const clip = clipOf(text)
      const voice = voiceOf(speaker)
      const key = `${voice}/${clip}`
      if (!decoded.has(key)) decoded.set(key, load(clip, voice).catch(failed(key)))
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
