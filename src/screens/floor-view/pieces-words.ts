// How chats, mails and texts are counted on the Floor: "2 chats, 1 mail".
import { WRITTEN_CHANNELS, type Written } from '@/core/channels'
import { numberWords } from '@/parts/words'
import type { PieceView } from '@/services/exchange/protocol'

const ONE: Readonly<Record<Written, string>> = { chat: 'chat', mail: 'mail', text: 'text' }

export function countWords(pieces: readonly Pick<PieceView, 'channel'>[]): string {
  return WRITTEN_CHANNELS.flatMap((channel) => {
    const count = pieces.filter((p) => p.channel === channel).length
    return count === 0 ? [] : [`${count} ${ONE[channel]}${count === 1 ? '' : 's'}`]
  }).join(', ')
}

export const pieceName = ({ channel, label }: Pick<PieceView, 'channel' | 'label'>): string => (channel === 'text' ? numberWords(label) : label)
