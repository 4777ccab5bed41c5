import type { SoundSeal } from '@/services/exchange/recordings/sealed-sounds'

export interface SoundsNow {
  /** null where sounds lie open and always did. */
  readonly seal: SoundSeal | null
  /** What opens them; null while nobody has given the passphrase. */
  readonly identity: string | null
}
