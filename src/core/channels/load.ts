// What an agent may carry at once. A load says how many of each channel together; an agent may carry whatever stays within one of the loads
// that are theirs, such as one call, or three chats, or one call and one chat. A call, a chat or a text may interrupt mails, never the other way.
import * as z from 'zod'
import { CHANNELS, type Channel } from './channel'

const most = (limit: number) => z.number().int().min(0).max(limit)

export const LoadSchema = z.object({ call: most(1), chat: most(20), mail: most(50), text: most(50) }).readonly()
export type Load = z.infer<typeof LoadSchema>

export const EMPTY_HANDS: Load = { call: 0, chat: 0, mail: 0, text: 0 }

/** One call with a chat and a text beside it, or three chats and three texts; mails wait beside either. */
export const USUAL_LOADS: readonly Load[] = [
  { call: 1, chat: 1, mail: 3, text: 1 },
  { call: 0, chat: 3, mail: 3, text: 3 },
]

/** Whether one more of the channel stays within one of the loads. */
export const hasRoomFor = (loads: readonly Load[], inHand: Load, channel: Channel): boolean => roomFor(loads, inHand, channel) > 0

/** How many more of the channel stay within one of the loads; 0 for none. */
export function roomFor(loads: readonly Load[], inHand: Load, channel: Channel): number {
  if (channel === 'mail' && inHand.call > 0) return 0
  let room = 0
  for (const load of loads) {
    // What is in hand of mails keeps nobody from anything but mails: they can wait.
    const fits = CHANNELS.every((c) => c === channel || (c === 'mail' && channel !== 'mail') || inHand[c] <= load[c])
    if (fits) room = Math.max(room, load[channel] - inHand[channel])
  }
  return room
}
