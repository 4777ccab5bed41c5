// Every queue: who waits now, who could answer, and how its day goes.
import clsx from 'clsx'
import { useMemo, useState } from 'react'
import type { AgentId } from '@/core/ids'
import { formatClock } from '@/core/time'
import { Clock, type Column, Table, useSameRows } from '@/parts/ui'
import { countWords } from './pieces-words'
import { QueueMenu } from './queue-menu'
import type { QueueRow } from './queue-row'
import { WaitingCallers } from './waiting-callers'
import { WaitingPieces } from './waiting-pieces'

const share = (ratio: number | null | undefined) => (ratio == null ? <span className="text-soft">none</span> : `${Math.round(ratio * 100)} %`)
const right = 'tabular text-right'

const columnsFor = (mayStorm: boolean, opened: ReadonlySet<string>, onOpen: (id: string) => void): readonly Column<QueueRow>[] => [
  {
    id: 'name',
    heading: 'Queue',
    isName: true,
    sortBy: (q) => q.name,
    cell: (q) => (
      <>
        <QueueMenu queue={q} mayStorm={mayStorm} />
        {!q.open && <span className="ml-2 border border-line-strong px-1 font-normal text-soft">{q.door === null ? 'closed' : 'closed by hand'}</span>}
        {q.open && q.door !== null && <span className="ml-2 border border-line-strong px-1 font-normal text-soft">open by hand</span>}
        {q.storm && <span className="ml-2 border border-brass bg-brass-wash px-1 font-normal text-brass-text">storm</span>}
        {q.pieces.length > 0 && (
          <button
            type="button"
            aria-expanded={opened.has(q.id)}
            aria-label={`${countWords(q.pieces)} waiting in ${q.name}`}
            onClick={() => onOpen(q.id)}
            className="block whitespace-nowrap text-left font-normal text-soft underline decoration-dotted underline-offset-2"
          >
            {countWords(q.pieces)} waiting
          </button>
        )}
      </>
    ),
  },
  {
    id: 'waiting',
    heading: 'Waiting',
    align: 'right',
    sortBy: (q) => q.waiting,
    className: right,
    width: 'w-14',
    cell: (q) =>
      q.waiting === 0 ? (
        0
      ) : (
        <button
          type="button"
          aria-expanded={opened.has(q.id)}
          aria-label={`${q.waiting} waiting in ${q.name}`}
          onClick={() => onOpen(q.id)}
          className={clsx('min-w-6 font-semibold underline decoration-dotted underline-offset-2', q.isPressing && 'text-red')}
        >
          {q.waiting}
        </button>
      ),
  },
  {
    id: 'longest',
    heading: 'Longest',
    align: 'right',
    sortBy: (q) => q.longestSinceMs,
    className: 'text-right',
    width: 'w-15',
    cell: (q) => (q.longestSinceMs === null ? <span className="text-soft">nobody</span> : <Clock sinceMs={q.longestSinceMs} />),
  },
  {
    id: 'expected',
    heading: 'Expected',
    align: 'right',
    sortBy: (q) => q.expectedWaitMs,
    className: 'text-right',
    width: 'w-17',
    cell: (q) =>
      q.expectedWaitMs === null ? (
        <span className="text-soft">unknown</span>
      ) : q.expectedWaitMs === 0 ? (
        'no wait'
      ) : (
        <span className="tabular">{formatClock(q.expectedWaitMs)}</span>
      ),
  },
  {
    id: 'ready',
    heading: 'Ready',
    align: 'right',
    sortBy: (q) => q.ready,
    className: `${right} whitespace-nowrap`,
    width: 'w-19',
    cell: (q) => `${q.ready} of ${q.onShift}`,
  },
  {
    id: 'offered',
    heading: 'Offered',
    align: 'right',
    sortBy: (q) => q.today?.offered ?? 0,
    className: right,
    width: 'w-14',
    cell: (q) => q.today?.offered ?? 0,
  },
  {
    id: 'level',
    heading: 'In time',
    align: 'right',
    sortBy: (q) => q.today?.serviceLevelRatio ?? null,
    className: right,
    width: 'w-15',
    cell: (q) => share(q.today?.serviceLevelRatio),
  },
  {
    id: 'abandoned',
    heading: 'Abandoned',
    align: 'right',
    sortBy: (q) => q.today?.abandoned ?? 0,
    className: right,
    width: 'w-19',
    cell: (q) => q.today?.abandoned ?? 0,
  },
]

const keyOf = (q: QueueRow) => q.id

interface Props {
  readonly rows: readonly QueueRow[]
  readonly ready: readonly { readonly id: AgentId; readonly name: string }[]
  readonly mayStorm: boolean
}

export function QueuesNow({ rows, ready, mayStorm }: Props) {
  const [opened, setOpened] = useState<ReadonlySet<string>>(new Set())
  const columns = useMemo(
    () =>
      columnsFor(mayStorm, opened, (id) =>
        setOpened((before) => {
          const after = new Set(before)
          if (!after.delete(id)) after.add(id)
          return after
        }),
      ),
    [mayStorm, opened],
  )
  const same = useSameRows(rows, keyOf)
  const below = (q: QueueRow) =>
    opened.has(q.id) && q.waiting + q.pieces.length > 0 ? (
      <>
        {q.waiting > 0 && <WaitingCallers callers={q.callers} waiting={q.waiting} queues={rows} ready={ready} />}
        {q.pieces.length > 0 && <WaitingPieces pieces={q.pieces} />}
      </>
    ) : null
  return (
    <div className="mt-4 overflow-x-auto">
      <Table label="Queues" columns={columns} rows={same} keyOf={keyOf} below={below} className="min-w-[33rem]" />
    </div>
  )
}
