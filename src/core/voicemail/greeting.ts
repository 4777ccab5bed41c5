// What a mailbox says before its tone: its owner's own words, or what every mailbox says until it has some.
import { SECOND } from '@/core/time'
import type { Greeting } from './schema'

export const agentGreeting = (name: string): Greeting => ({ text: `This is the voicemail of ${name}. Please speak after the tone.`, recording: null })

export const queueGreeting = (queue: string): Greeting => ({
  text: `This is the mailbox of ${queue}. Please leave your name, your number and your message after the tone.`,
  recording: null,
})

/** Words there are voices for, to begin from. */
export const PREPARED_GREETINGS: readonly string[] = [
  'I am on another call. Please leave your name and your number after the tone.',
  'I am away from my desk. Please leave a message after the tone, and I will call you back today.',
  'I am not at work today. Please leave a message after the tone, and I will call you back tomorrow.',
  'Nobody is here at the moment. Please say what it is about after the tone, and we will call you back.',
]

/** A mailbox picks up, and begins to speak after this. */
export const PICKS_UP_MS = 600
const PER_CHARACTER_MS = 75

/** How long it speaks, ms: as recorded, or at the pace of the voices of the house. */
export const greetingMs = ({ text, recording }: Greeting): number => recording?.lastsMs ?? SECOND + text.length * PER_CHARACTER_MS
