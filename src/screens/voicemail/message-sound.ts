// The sound of a message: as it was recorded at a desk, or, of whoever is played by a stand-in, made from what they said.
import { durationMsOf, loadSound, RATE_HERTZ } from '@/parts/recordings'
import { renderSpoken, type SpokenAt } from '@/parts/sound'

interface Said {
  readonly recordingId: string
  readonly words: readonly SpokenAt[]
  readonly lastsMs: number
  readonly name: string | null
  readonly number: string | null
}

/** null when this browser keeps none of it, and no voice knows its words. */
export async function soundOfMessage({ recordingId, words, lastsMs, name, number }: Said): Promise<Float32Array | null> {
  const kept = await loadSound(recordingId)
  if (kept !== null && durationMsOf(kept) > 0) return kept.samples
  return renderSpoken(words, name ?? number ?? 'nobody', lastsMs, RATE_HERTZ)
}
