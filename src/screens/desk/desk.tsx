'use client'
// The desk: an agent's screen. Puts the parts together below the frame.
import { useMemo, useRef, useState } from 'react'
import type { Target } from '@/core/calls'
import type { CallId } from '@/core/ids'
import type { Work } from '@/core/work'
import { type OnShift, useShortcuts } from '@/parts/frame'
import { useAfterFrame, useStable } from '@/parts/ui'
import { callerWords, useNumberWords } from '@/parts/words'
import { InHand, type Piece, pieceOf } from '@/parts/written'
import type { FloorView } from '@/services/exchange/protocol'
import { useAllSeen } from '@/services/exchange/react'
import { Below, type BelowHandle, type Shown } from './below'
import { Board } from './board/board'
import { DialLine, type DialLineHandle } from './dial-line'
import { Tour } from './tour'

export function Desk({ shift }: { shift: OnShift }) {
  const seen = useAllSeen(({ centre, calls, work }) => ({ centre, calls, work }))
  return seen === null ? null : <DeskOf shift={shift} {...seen} />
}

/** The call that is talked on, as one of the pieces. */
function callPiece(work: Work | undefined): Piece | null {
  if (work === undefined) return null
  const { id, customer, number, handledSinceMs, offeredAtMs } = work
  const name = callerWords(customer?.name, number, 'Withheld number')
  return { id, channel: 'call', name, sinceMs: handledSinceMs ?? offeredAtMs, waitsSinceMs: null, note: null }
}

type Seen = Pick<FloorView, 'centre' | 'calls' | 'work'>

/** What it hands down stays the same until it changes: each part renders when something of its own has. */
function DeskOf({ shift, centre, calls, work: works }: { shift: OnShift } & Seen) {
  const { me, inFront, rings, ofLine, coding, threads, pieces, setCoding, give, panel, setPanel, say } = shift
  useNumberWords()
  const below = useRef<BelowHandle>(null)
  const dialLine = useRef<DialLineHandle>(null)
  const work = works.find((c) => c.id === coding) ?? ofLine
  const call = calls.find((c) => c.call.id === work?.id)?.call
  const ringing = rings && coding === null
  /** The line somebody is being dragged over. */
  const [over, setOver] = useState<CallId | null>(null)

  useShortcuts({
    nextPage: () => below.current?.turn('next'),
    previousPage: () => below.current?.turn('back'),
    notes: () => below.current?.focusNotes(),
    save: () => below.current?.save(),
    extend: () => below.current?.extend(),
    outcome: (key) => below.current?.choose(key),
    dial: () => dialLine.current?.focus(),
  })

  /** The caller's line, to which somebody may be brought; null while none is on. */
  const pickable = inFront === undefined || rings ? null : (inFront.call.consultFor ?? inFront.call.id)
  const choose = useStable((callId: CallId, target: Target) => setPanel({ callId, panel: 'transfer', target }))
  const pick = useStable((target: Target) => pickable !== null && choose(pickable, target))
  const lookUp = useStable((name: string) => dialLine.current?.find(name))
  const saved = useStable((label: string, kept: boolean) => say(kept ? `Outcome saved: ${label}.` : `Outcome taken: ${label}. It is not on disk.`))
  const back = useStable(() => setCoding(null))
  const thread = threads.find((t) => t.id === work?.id)
  const isEarlier = coding !== null && thread === undefined
  const backTo = !isEarlier ? null : inFront === undefined ? 'Leave it for later' : `Back to ${callerWords(ofLine?.customer?.name, ofLine?.number, 'the call')}`
  const inHand = useMemo(
    () =>
      threads.length === 0
        ? []
        : pieces.flatMap((id) => {
            const written = threads.find((t) => t.id === id)
            const piece = written === undefined ? callPiece(works.find((w) => w.id === id)) : pieceOf(written, me.id)
            return piece === null ? [] : [piece]
          }),
    [pieces, threads, works, me.id],
  )
  const unknown = work?.customer === null ? call : undefined
  const { answeredAtMs = ringing ? null : (work?.handledSinceMs ?? null), headStartMs = 0, keptFor = null } = call ?? {}
  // Once they have spoken it is a call like any, also when it is over.
  const holdsMessage = work?.messageId != null && !ringing && (call === undefined ? work.captions.length === 0 : call.answeredAtMs === null)
  const shown = useMemo(
    (): Shown => ({
      me,
      centre,
      work,
      ringing,
      backTo,
      unknown,
      answeredAtMs,
      moreHeadStartMs: headStartMs,
      keptPlace: keptFor !== null,
      holdsMessage,
      thread,
    }),
    [thread, holdsMessage, me, centre, work, ringing, backTo, unknown, answeredAtMs, headStartMs, keptFor],
  )
  // The board and the state answer a press in the next frame; the page and the outcome, which are more to draw, in the one after it.
  const shownBelow = useAfterFrame(shown)

  return (
    <main className="flex min-h-0 flex-1 flex-col max-lg:flex-none">
      <h1 tabIndex={-1} className="sr-only">
        Desk of {me.name}
      </h1>
      <Board me={me} centre={centre} calls={calls} work={works} give={give} panel={panel} onPanel={setPanel} problem={shift.trouble} over={over} />
      <InHand pieces={inHand} inFront={work?.id ?? null} onFront={(id) => setCoding(id === ofLine?.id ? null : id)} />
      <Tour me={me} calls={calls} />
      <Below ref={below} shown={shownBelow} onLookUp={lookUp} onSaved={saved} onBack={back} onBring={pickable === null ? null : pick} />
      <DialLine ref={dialLine} me={me} centre={centre} onPick={pickable === null ? null : pick} onDrop={choose} onOver={setOver} />
    </main>
  )
}
