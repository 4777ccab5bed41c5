// How the sound of a call was, as an agent says who heard it.
import * as z from 'zod'

export const SOUND_CAUSES = ['echo', 'gaps', 'oneWay', 'delay', 'noise'] as const
export type SoundCause = (typeof SOUND_CAUSES)[number]

/** null: it was good after all. */
export const SoundCauseSchema = z.enum(SOUND_CAUSES).nullable()
