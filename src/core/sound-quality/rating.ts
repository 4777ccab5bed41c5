// How the sound of a call was, as an agent says who heard it.
export const SOUND_CAUSES = ['echo', 'gaps', 'oneWay', 'delay', 'noise'] as const
export type SoundCause = (typeof SOUND_CAUSES)[number]
