'use client'
// What is written with somebody, read along by whoever answers for the floor: neither side sees that it is read.
import { createContext, type ReactNode, useContext, useEffect, useState } from 'react'
import type { Line } from '@/core/threads'
import { Button, Dialog, nameIn } from '@/parts/ui'
import { CHANNEL_WORDS } from '@/parts/words'
import { allLines, linesBefore, SaidList } from '@/parts/written'
import type { PieceView } from '@/services/exchange/protocol'
import { useFloor, useSeen } from '@/services/exchange/react'
import { useMayAct } from './acts'
import { MovePiece } from './move-piece'
import { pieceName } from './pieces-words'

const ReadContext = createContext<(id: PieceView['id']) => void>(() => {})
export const useRead = () => useContext(ReadContext)

export function ReadProvider({ pieces, children }: { pieces: readonly PieceView[]; children: ReactNode }) {
  const [last, setLast] = useState<PieceView | null>(null)
  const piece = pieces.find((p) => p.id === last?.id)
  return (
    <ReadContext value={(id) => setLast(pieces.find((p) => p.id === id) ?? null)}>
      {children}
      {last !== null && <ReadPiece piece={piece ?? last} isOver={piece === undefined} onClose={() => setLast(null)} />}
    </ReadContext>
  )
}

/** So many of the last lines. */
const ALL = Number.MAX_SAFE_INTEGER

function ReadPiece({ piece, isOver, onClose }: { piece: PieceView; isOver: boolean; onClose: () => void }) {
  const mayAct = useMayAct()
  const { id, channel, agentId, state, lineCount, subject } = piece
  const seats = useSeen((view) => view.seats) ?? []
  const queues = useSeen((view) => view.centre.queues) ?? []
  const floor = useFloor()
  const [lines, setLines] = useState<readonly Line[] | null>(null)
  const [problem, setProblem] = useState(false)
  // biome-ignore lint/correctness/useExhaustiveDependencies: a new line is what they are asked for anew
  useEffect(() => {
    let alive = true
    void linesBefore(floor, id, ALL).then((page) => {
      if (!alive) return
      setProblem(page === null)
      if (page !== null) setLines((known) => joined(known ?? [], page))
    })
    return () => {
      alive = false
    }
  }, [floor, id, lineCount, isOver])
  const name = pieceName(piece)
  const queue = nameIn(queues, piece.queueId)
  const where = isOver
    ? 'It is over.'
    : state === 'open'
      ? `In the hands of ${nameIn(seats, agentId ?? '')}, for ${queue}.`
      : state === 'offered'
        ? `Offered to ${nameIn(seats, agentId ?? '')}, for ${queue}.`
        : state === 'parked'
          ? `Parked by ${nameIn(seats, agentId ?? '')}, for ${queue}.`
          : `Waiting in ${queue}.`
  return (
    <Dialog open onOpenChange={(open) => !open && onClose()} title={`${CHANNEL_WORDS[channel]} with ${name}`} description={where}>
      {subject !== null && <p className="mb-2 font-semibold">{subject}</p>}
      {problem && <p role="alert">What was written could not be read. Close this and try again.</p>}
      {lines === null && !problem && <p className="text-soft">Reading…</p>}
      {lines !== null && lineCount > lines.length && (
        <p className="mb-1 flex items-center gap-3 text-soft">
          The last {lines.length} of {lineCount.toLocaleString('en-GB')} lines.
          <Button
            className="!h-7"
            onClick={() =>
              void allLines(floor, { id, lines }).then(
                (all) => setLines((known) => joined(all, known ?? [])),
                () => setProblem(true),
              )
            }
          >
            Show all of them
          </Button>
        </p>
      )}
      {lines !== null && (
        <SaidList label={`What was written with ${name}`} lines={lines} nameOf={(by) => (by === null ? name : nameIn(seats, by) || 'A colleague')} />
      )}
      {mayAct && !isOver && (
        <div className="mt-4 flex items-center gap-3">
          <MovePiece piece={piece} />
          <span className="text-soft">Whoever has it in hand codes their part of it.</span>
        </div>
      )}
    </Dialog>
  )
}

/** What was known before the page, and the page; nothing of what came before a gap. */
function joined(known: readonly Line[], page: readonly Line[]): readonly Line[] {
  const from = page[0]?.no ?? 1
  const before = known.filter((l) => l.no < from)
  return (before.at(-1)?.no ?? 0) < from - 1 ? page : [...before, ...page]
}
