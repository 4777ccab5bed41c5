'use client'
// The Floor: what needs a person, every queue, everybody on shift; as it is this second.
import { startOfDay } from 'date-fns'
import { useCallback, useMemo, useState } from 'react'
import { needsNow } from '@/core/attention'
import { folded } from '@/core/people'
import { DAY } from '@/core/time'
import { floorNow } from '@/exchange/floor-time'
import type { CentreView, QueueView, SeatView, WatchedSeat } from '@/exchange/protocol'
import { useAllSeen } from '@/exchange/react'
import { useHistory } from '@/history/react'
import { SelectField, TextField, useNowMs } from '@/ui'
import { stateWords } from '@/words'
import { ActsProvider, LastAct } from './acts'
import { rowsOf, watchedAgent } from './agent-row'
import { AgentsNow, GROUPINGS, type Grouping } from './agents-now'
import { Needs } from './needs'
import { QueuesNow } from './queues-now'
import { needWords } from './words'

const GROUPING_WORDS: Readonly<Record<Grouping, string>> = { nothing: 'Nothing', state: 'State', queue: 'Queue or campaign' }

export function FloorScreen() {
  const seen = useAllSeen(({ centre, seats, queues, watched }) => ({ centre, seats, queues, watched }))
  return seen === null ? null : (
    <ActsProvider>
      <Floor {...seen} watched={seen.watched ?? []} />
    </ActsProvider>
  )
}

interface Props {
  readonly centre: CentreView
  readonly seats: readonly SeatView[]
  readonly queues: readonly QueueView[]
  readonly watched: readonly WatchedSeat[]
}

function Floor({ centre, seats, queues, watched }: Props) {
  const nowMs = useNowMs()
  const [typed, setTyped] = useState('')
  const [grouping, setGrouping] = useState<Grouping>('nothing')
  const today = useToday()
  const rows = useMemo(() => rowsOf(seats, watched, centre), [seats, watched, centre])
  const standing = queues.flatMap((q) => {
    const about = centre.queues.find((c) => c.id === q.id)
    return about === undefined ? [] : [{ ...q, name: about.name, serviceLevelMs: about.serviceLevelMs }]
  })
  const needs = needsNow(standing, rows.map(watchedAgent), centre.holdLimitMs, nowMs)
  const pressing = new Set<string>(needs.map((n) => ('queueId' in n ? n.queueId : n.agentId)))
  const names = {
    queue: (id: string) => standing.find((q) => q.id === id)?.name ?? 'A queue',
    agent: (id: string) => rows.find((a) => a.id === id)?.name ?? 'Somebody',
    standing: (id: string) => standing.find((q) => q.id === id),
    reason: (id: string) => rows.find((a) => a.id === id)?.reason ?? null,
  }
  const words = folded(typed)
  const shown = rows.filter((a) => folded(`${a.name} ${stateWords(a.state, a.reason)} ${a.behalf ?? ''} ${a.watched?.with ?? ''}`).includes(words))
  return (
    <main className="flex min-h-0 flex-1 max-lg:block">
      <div className="w-[592px] shrink-0 overflow-auto border-line border-r bg-raised px-6 py-4 max-lg:w-full">
        <h1 className="font-semibold text-2xl">Floor</h1>
        <Needs needs={needs} wordsOf={(need) => needWords(need, names)} />
        <QueuesNow rows={standing.map((q) => ({ ...q, isPressing: pressing.has(q.id), today: today?.find((t) => t.id === q.id)?.measures }))} />
      </div>
      <section aria-label="On shift" className="min-w-0 flex-1 overflow-auto px-5 py-3">
        <div className="flex flex-wrap items-end gap-3">
          <div className="mr-2">
            <h2 className="font-semibold text-lg">On shift</h2>
            <p role="status" className="text-soft">
              {rows.length === 0
                ? 'Nobody is on shift.'
                : shown.length === 0
                  ? `Nobody on shift has “${typed.trim()}” in what stands here.`
                  : `${shown.length === rows.length ? '' : `${shown.length} of `}${rows.length} on shift, ${rows.filter((a) => a.state === 'ready').length} ready`}
            </p>
          </div>
          <TextField
            label="Find an agent"
            type="search"
            autoComplete="off"
            className="min-w-40 flex-1"
            value={typed}
            onChange={(e) => setTyped(e.target.value)}
          />
          <SelectField
            label="Group by"
            className="w-44"
            value={grouping}
            onChange={(e) => setGrouping(GROUPINGS.find((g) => g === e.target.value) ?? 'nothing')}
          >
            {GROUPINGS.map((g) => (
              <option key={g} value={g}>
                {GROUPING_WORDS[g]}
              </option>
            ))}
          </SelectField>
        </div>
        <LastAct />
        {shown.length > 0 && <AgentsNow rows={shown.map((a) => ({ ...a, isPressing: pressing.has(a.id) }))} grouping={grouping} />}
      </section>
    </main>
  )
}

/** Figures of each queue since midnight, asked for anew as calls end. */
function useToday() {
  const [fromMs] = useState(() => startOfDay(floorNow()).getTime())
  const { value } = useHistory(
    useCallback((api) => api.report({ span: { fromMs, toMs: fromMs + DAY }, nowMs: floorNow(), steps: [], only: null }).then(({ queues }) => queues), [fromMs]),
  )
  return value
}
