'use client'
// What an agent has in hand, in one strip: the call, every chat, mail and text, each with its name, its clock, and since when the other side
// waits for them. One key brings a piece to the front; whatever was typed elsewhere stays there.
import clsx from 'clsx'
import type { WorkId } from '@/core/ids'
import { Clock, ShortcutHint, useOwnKey } from '@/parts/ui'
import { CHANNEL_WORDS, threadName } from '@/parts/words'
import type { ThreadView } from '@/services/exchange/protocol'

export interface Piece {
  readonly id: WorkId
  readonly channel: ThreadView['channel'] | 'call'
  readonly name: string
  readonly sinceMs: number
  readonly waitsSinceMs: number | null
  /** Where it is not simply in hand. */
  readonly note: string | null
}

export function pieceOf(thread: ThreadView, me: string): Piece {
  const { id, channel, agentId, state, withSinceMs, beganAtMs, sinceMs, waitsSinceMs } = thread
  const note = state === 'parked' ? 'parked' : state === 'ended' ? 'to be coded' : agentId === me ? null : 'read along'
  return {
    id,
    channel,
    name: threadName(thread),
    note,
    sinceMs: note === null ? (withSinceMs ?? beganAtMs) : sinceMs,
    waitsSinceMs: note === null ? waitsSinceMs : null,
  }
}

interface Props {
  readonly pieces: readonly Piece[]
  readonly inFront: WorkId | null
  readonly onFront: (id: WorkId) => void
}

export const pieceKey = (n: number): string => `Alt+Shift+${n}`

export function InHand({ pieces, inFront, onFront }: Props) {
  if (pieces.length === 0) return null
  return (
    <nav aria-label="In hand" className="flex shrink-0 gap-px overflow-x-auto border-line-strong border-b bg-line px-4">
      {pieces.map((piece, i) => (
        <PieceButton key={piece.id} piece={piece} no={i + 1} isFront={piece.id === inFront} onFront={() => onFront(piece.id)} />
      ))}
    </nav>
  )
}

function PieceButton({ piece, no, isFront, onFront }: { piece: Piece; no: number; isFront: boolean; onFront: () => void }) {
  const { channel, name, sinceMs, waitsSinceMs, note } = piece
  const keys = useOwnKey(no <= 9 ? pieceKey(no) : undefined)
  return (
    <button
      type="button"
      aria-current={isFront || undefined}
      aria-keyshortcuts={keys}
      onClick={onFront}
      className={clsx(
        'relative flex h-11 min-w-44 max-w-64 flex-1 flex-col justify-center px-3 text-left leading-tight',
        isFront ? 'border-green border-t-[3px] bg-raised' : 'border-transparent border-t-[3px] bg-paper hover:bg-raised',
      )}
    >
      <span className="flex min-w-0 items-baseline gap-2">
        <span className="eyebrow shrink-0">{CHANNEL_WORDS[channel]}</span>
        <span className="truncate font-semibold" title={name}>
          {name}
        </span>
      </span>
      <span className="flex gap-2 text-soft text-xs">
        <span>
          {note ?? 'with you'} <Clock sinceMs={sinceMs} />
        </span>
        {waitsSinceMs !== null && <Waits sinceMs={waitsSinceMs} />}
      </span>
      {keys !== undefined && <ShortcutHint keys={keys} />}
    </button>
  )
}

/** Their turn is over: they wait for us. */
const Waits = ({ sinceMs }: { sinceMs: number }) => (
  <strong className="whitespace-nowrap text-brass-text">
    <span aria-hidden>▸ </span>waiting <Clock sinceMs={sinceMs} />
  </strong>
)
