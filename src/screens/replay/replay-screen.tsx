'use client'
// Replay: a day that is over, on the Floor and on a board, at any instant and any speed, from its ledger.
import { format, parseISO, subDays } from 'date-fns'
import { Pause, Play } from 'lucide-react'
import { useState } from 'react'
import { type AgentId, AgentIdSchema } from '@/core/ids'
import { HistoryProgress } from '@/parts/frame'
import { Button, DayField, PlaceLink, Problem, SelectField, TimeShown } from '@/parts/ui'
import { eventWords } from '@/parts/words'
import { BoardThen } from '@/screens/desk'
import { FloorThen } from '@/screens/floor-view'
import { floorNow } from '@/services/exchange/floor-time'
import type { FloorView } from '@/services/exchange/protocol'
import { ShownFloor, useAllSeen } from '@/services/exchange/react'
import type { DayOpened } from './client'
import { Timeline } from './timeline'
import { useReplay } from './use-replay'

const SPEEDS = [1, 5, 20, 60, 300] as const
const OVER = { says: 'This is a day that is over.', next: 'Nothing can be changed on it; go to the Floor for the one that is on.' }

export function ReplayScreen() {
  const seen = useAllSeen(({ centre, seats }) => ({ centre, seats }))
  return seen === null ? null : <Replay {...seen} />
}

function Replay({ centre, seats }: Pick<FloorView, 'centre' | 'seats'>) {
  const [day, setDay] = useState(() => format(subDays(floorNow(), 1), 'yyyy-MM-dd'))
  const [boardOf, setBoardOf] = useState<AgentId | null>(null)
  const [speed, setSpeed] = useState<number>(20)
  const replay = useReplay(day, boardOf)
  const open = replay.day !== null && isThere(replay.day) ? replay.day : null
  const wordsOf = (mark: DayOpened['marks'][number]) => eventWords(mark.event, { centre, seats })
  const agents = seats.filter((s) => s.queueIds.length > 0)
  return (
    <main className="flex min-h-0 flex-1 flex-col">
      <div className="border-line-strong border-b bg-paper px-6 pt-3 pb-1">
        <div className="flex flex-wrap items-end gap-4">
          <div className="mr-2 flex items-baseline gap-4 pb-1">
            <h1 className="font-semibold text-2xl">Replay</h1>
            <PlaceLink href="/floor" isHere={false}>
              Floor
            </PlaceLink>
          </div>
          <DayField label="Day" leans="back" value={day} onDay={setDay} />
          <SelectField label="Seconds a second" className="w-36" value={String(speed)} onChange={(e) => changeSpeed(Number(e.target.value))}>
            {SPEEDS.map((s) => (
              <option key={s} value={s}>
                {s}
              </option>
            ))}
          </SelectField>
          <Button tone="primary" disabled={open === null} onClick={() => replay.play(replay.speed === 0 ? speed : 0)}>
            {replay.speed === 0 ? <Play aria-hidden className="size-4" /> : <Pause aria-hidden className="size-4" />}
            {replay.speed === 0 ? 'Play' : 'Stop'}
          </Button>
          <SelectField
            label="Board of"
            className="w-52"
            value={boardOf ?? ''}
            onChange={(e) => {
              const chosen = AgentIdSchema.safeParse(e.target.value)
              setBoardOf(chosen.success && e.target.value !== '' ? chosen.data : null)
            }}
          >
            <option value="">nobody</option>
            {agents.map((a) => (
              <option key={a.id} value={a.id}>
                {a.name}
              </option>
            ))}
          </SelectField>
          {open !== null && (
            <p role="timer" aria-label="Time shown" className="tabular ml-auto pb-1 text-2xl">
              {format(replay.atMs, 'HH:mm:ss')}
            </p>
          )}
        </div>
        <HistoryProgress />
        {replay.problem !== null && <Problem className="mt-2">{replay.problem}</Problem>}
        <p
          role="status"
          className={replay.day === null && replay.problem === null ? 'py-3 text-soft' : open === null && replay.day !== null ? 'py-3' : 'sr-only'}
        >
          {replay.day === null
            ? day === ''
              ? 'Choose a day.'
              : 'Reading the ledger of the day…'
            : open === null
              ? `Nothing happened on ${dayWords(day)}. Choose another day.`
              : ''}
        </p>
        {replay.day !== null && replay.day.unread > 0 && (
          <p className="text-soft">{replay.day.unread} events of this ledger cannot be read, and are not in what is shown.</p>
        )}
        {open !== null && <Timeline day={open} atMs={replay.wantedMs} onGo={replay.goTo} wordsOf={wordsOf} />}
      </div>
      {open !== null && (
        <TimeShown value={replay.atMs}>
          <ShownFloor shown={replay.shown} says={OVER}>
            {boardOf !== null && <Board />}
            <FloorThen dayMs={parseISO(day).getTime()} atMs={replay.atMs} />
          </ShownFloor>
        </TimeShown>
      )}
    </main>
  )

  function changeSpeed(next: number) {
    setSpeed(next)
    if (replay.speed !== 0) replay.play(next)
  }
}

function Board() {
  const seen = useAllSeen(({ me, centre, calls, work }) => ({ me, centre, calls, work }))
  if (seen === null) return null
  if (seen.me === null) return <p className="border-line-strong border-b px-6 py-3 text-soft">Not on shift at this time.</p>
  return <BoardThen {...seen} me={seen.me} />
}

const isThere = (day: DayOpened): day is DayOpened & { readonly fromMs: number; readonly toMs: number } => day.fromMs !== null && day.toMs !== null

const dayWords = (day: string): string => format(parseISO(day), 'EEE d MMM')
