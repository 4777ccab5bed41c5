// Messages in words.
import type { Message } from '@/core/voicemail'
import { callerWords } from '@/parts/words'
import type { MessageView } from '@/services/exchange/protocol'

export const fromWords = ({ name, number }: Pick<Message, 'name' | 'number'>): string => callerWords(name, number, 'Withheld number')

export const saidIn = ({ words }: Pick<Message, 'words'>): string => words.map((w) => w.text).join(' ')

/** When it came into this mailbox. */
export const arrivedAtMs = ({ forwarded, beganAtMs }: Message): number => forwarded?.atMs ?? beganAtMs

/** How it stands, where that is more than heard. */
export function standsWords({ heard, work, deletedAtMs }: Pick<MessageView, 'heard' | 'work' | 'deletedAtMs'>): string | null {
  if (deletedAtMs !== null) return 'deleted'
  if (work !== null) return work.with === null ? 'to be called back' : `${work.with} has it`
  return heard ? null : 'not heard'
}

export const fileNameOf = (message: Message): string => `message-${new Date(message.beganAtMs).toISOString().slice(0, 16).replace(':', '')}`
