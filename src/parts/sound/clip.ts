// The voices of the stand-ins: clips made beforehand by a free speech synthesiser (tools/voices.mjs), found again by the words
// that are spoken. A booking reference is not spoken letter by letter; the caption has it.
import { seedFor } from '@/core/chance'

/** A clip's name: the words without what is filled in, as a short hash. */
export const clipOf = (text: string): string => seedFor(7, text.replace(/FL-?\d{6}|I do not have it at hand/g, '{booking}')).toString(36)

export const VOICES = ['a', 'b'] as const

/** The same person has the same voice. */
export const voiceOf = (name: string): (typeof VOICES)[number] => (seedFor(1, name) % 2 === 0 ? 'a' : 'b')
