// Every queue: who waits now, who could answer, and how its day goes.
import clsx from 'clsx'
import type { Grouped } from '@/core/reports'
import { formatClock } from '@/core/time'
import type { QueueView } from '@/exchange/protocol'
import { Clock, type Column, Table } from '@/ui'

export interface QueueRow extends QueueView {
  readonly name: string
  readonly isPressing: boolean
  /** Of today; undefined before anything was offered. */
  readonly today: Grouped['measures'] | undefined
}

const share = (ratio: number | null | undefined) => (ratio == null ? <span className="text-soft">none</span> : `${Math.round(ratio * 100)} %`)
const right = 'tabular text-right'

const COLUMNS: readonly Column<QueueRow>[] = [
  {
    ...{ id: 'name', heading: 'Queue', isName: true, sortBy: (q) => q.name },
    cell: (q) => (
      <>
        <span title={q.name}>{q.name}</span>
        {!q.open && <span className="ml-2 border border-line-strong px-1 font-normal text-soft">closed</span>}
        {q.storm && <span className="ml-2 border border-brass bg-brass-wash px-1 font-normal text-brass-text">storm</span>}
      </>
    ),
  },
  {
    ...{ id: 'waiting', heading: 'Wait', align: 'right', sortBy: (q) => q.waiting, className: right, width: 'w-12' },
    cell: (q) => <span className={clsx(q.waiting > 0 && 'font-semibold', q.isPressing && 'text-red')}>{q.waiting}</span>,
  },
  {
    ...{ id: 'longest', heading: 'Longest', align: 'right', sortBy: (q) => q.longestSinceMs, className: 'text-right', width: 'w-16' },
    cell: (q) => (q.longestSinceMs === null ? <span className="text-soft">nobody</span> : <Clock sinceMs={q.longestSinceMs} />),
  },
  {
    ...{ id: 'expected', heading: 'Expected', align: 'right', sortBy: (q) => q.expectedWaitMs, className: 'text-right', width: 'w-18' },
    cell: (q) =>
      q.expectedWaitMs === null ? (
        <span className="text-soft">unknown</span>
      ) : q.expectedWaitMs === 0 ? (
        'at once'
      ) : (
        <span className="tabular">{formatClock(q.expectedWaitMs)}</span>
      ),
  },
  {
    ...{ id: 'ready', heading: 'Ready', align: 'right', sortBy: (q) => q.ready, className: right, width: 'w-20' },
    cell: (q) => `${q.ready} of ${q.onShift}`,
  },
  {
    ...{ id: 'offered', heading: 'Offered', align: 'right', sortBy: (q) => q.today?.offered ?? 0, className: right, width: 'w-15' },
    cell: (q) => q.today?.offered ?? 0,
  },
  {
    ...{ id: 'level', heading: 'In time', align: 'right', sortBy: (q) => q.today?.serviceLevelRatio ?? null, className: right, width: 'w-16' },
    cell: (q) => share(q.today?.serviceLevelRatio),
  },
  {
    ...{ id: 'abandoned', heading: 'Gave up', align: 'right', sortBy: (q) => q.today?.abandoned ?? 0, className: right, width: 'w-16' },
    cell: (q) => q.today?.abandoned ?? 0,
  },
]

export function QueuesNow({ rows }: { rows: readonly QueueRow[] }) {
  return <Table label="Queues" columns={COLUMNS} rows={rows} keyOf={(q) => q.id} className="mt-4" />
}
