// What a mailbox says before its tone: its owner's own words, or what every mailbox says until it has some.
import { SECOND } from '@/core/time'
import type { Greeting } from './schema'

export const agentGreeting = (name: string): Greeting => ({ text: `This is the voicemail of ${name}. Please speak after the tone.`, recording: null })

export const queueGreeting = (queue: string): Greeting => ({
  text: `This is the mailbox of ${queue}. Please leave your name, your number and your message after the tone.`,
  recording: null,
})

/** A mailbox picks up, and begins to speak after this. */
export const PICKS_UP_MS = 600
const PER_CHARACTER_MS = 75

/** How long it speaks, ms: as recorded, or at the pace of the voices of the house. */
export const greetingMs = ({ text, recording }: Greeting): number => recording?.lastsMs ?? SECOND + text.length * PER_CHARACTER_MS
