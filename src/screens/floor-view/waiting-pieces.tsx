'use client'
import { Button, Clock } from '@/parts/ui'
import { CHANNEL_WORDS } from '@/parts/words'
// What waits written in a queue, in the order it came, each with its words and where it may be sent.
import type { PieceView } from '@/services/exchange/protocol'
import { useMayAct } from './acts'
import { MovePiece } from './move-piece'
import { pieceName } from './pieces-words'
import { useRead } from './read-piece'

/** More are counted, not listed. */
const SHOWN = 40

export function WaitingPieces({ pieces }: { pieces: readonly PieceView[] }) {
  const read = useRead()
  const mayAct = useMayAct()
  return (
    <>
      <ol className="border-line-strong border-l-2 pl-3">
        {pieces.slice(0, SHOWN).map((piece) => (
          <li key={piece.id} className="flex items-center gap-3 py-0.5">
            <span className="min-w-0 flex-1 truncate" title={pieceName(piece)}>
              {CHANNEL_WORDS[piece.channel]}: {pieceName(piece)}
              {piece.subject !== null && <span className="text-soft"> · {piece.subject}</span>}
              {piece.keepsPlace && <span className="text-brass-text"> · kept their place, to be called</span>}
            </span>
            <Clock sinceMs={piece.beganAtMs} />
            <Button className="!h-6 !px-2" aria-label={`Read what ${pieceName(piece)} wrote`} onClick={() => read(piece.id)}>
              Read
            </Button>
            {mayAct && <MovePiece piece={piece} />}
          </li>
        ))}
      </ol>
      {pieces.length > SHOWN && <p className="pl-3 text-soft">and {pieces.length - SHOWN} more</p>}
    </>
  )
}
