// How a call sounded, in words.
import type { SoundCause } from '@/core/sound-quality'

export const SOUND_WORDS: Readonly<Record<SoundCause | 'good', string>> = {
  echo: 'echo',
  gaps: 'gaps',
  oneWay: 'one way only',
  delay: 'late',
  noise: 'noise',
  good: 'good',
}
