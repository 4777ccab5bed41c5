// A day as it is planned and as it might be: the mean day, where nine of ten lie, and what the change makes, as sure as it is.
import type { Compared, Figure, Pair, Spread } from '@/core/coming-day'
import type { QueueId } from '@/core/ids'
import { type Column, Table } from '@/parts/ui'

interface Row {
  readonly id: string
  readonly says: string
  readonly figure: Figure
  readonly pair: Pair
}

export const FIGURE_WORDS: Readonly<Record<Figure, string>> = {
  serviceLevel: 'Answered in time',
  abandoned: 'Abandoned',
  meanWaitMs: 'Mean wait',
  occupancy: 'Agents occupied',
  offered: 'Calls taken in',
  answered: 'Answered',
  turnedAway: 'Turned away',
  connected: 'Campaign: talked with',
}
const SHARES: readonly Figure[] = ['serviceLevel', 'abandoned', 'occupancy']

export const figureText = (figure: Figure, value: number): string =>
  SHARES.includes(figure) ? `${(value * 100).toFixed(1)} %` : figure === 'meanWaitMs' ? `${(value / 1000).toFixed(1)} s` : value.toFixed(1)

const shortText = (figure: Figure, value: number): string =>
  SHARES.includes(figure) ? `${Math.round(value * 100)}` : figure === 'meanWaitMs' ? (value / 1000).toFixed(0) : String(Math.round(value))

function differenceText(figure: Figure, { mean, meanFrom, meanTo }: Spread): string {
  const signed = (value: number) => {
    const [n, digits] = SHARES.includes(figure) ? [value * 100, 1] : figure === 'meanWaitMs' ? [value / 1000, 1] : [value, 1]
    return `${n < 0 ? '−' : '+'}${Math.abs(n).toFixed(digits)}`
  }
  const unit = SHARES.includes(figure) ? ' points' : figure === 'meanWaitMs' ? ' s' : ''
  return `${signed(mean)}${unit} (${signed(meanFrom)} to ${signed(meanTo)})`
}

/** Whether the change makes a difference that is no chance. */
export const isSure = ({ difference }: Pair): boolean => difference !== null && (difference.meanFrom > 0 || difference.meanTo < 0)

const cell = (figure: Figure, spread: Spread | null) =>
  spread === null ? (
    <span className="text-soft">no calls</span>
  ) : (
    <>
      {figureText(figure, spread.mean)}{' '}
      <span className="ml-1 text-soft">
        {shortText(figure, spread.low)} to {shortText(figure, spread.high)}
      </span>
    </>
  )

const tabular = 'tabular text-right'
const columns = (of: string): readonly Column<Row>[] => [
  { id: 'says', heading: of, isName: true, cell: (r) => r.says },
  { id: 'first', heading: 'As it is', align: 'right', className: tabular, cell: (r) => cell(r.figure, r.pair.first) },
  { id: 'second', heading: 'Changed', align: 'right', className: tabular, cell: (r) => cell(r.figure, r.pair.second) },
  {
    id: 'difference',
    heading: 'Difference',
    align: 'right',
    className: tabular,
    cell: ({ figure, pair }) => {
      if (pair.difference === null) return <span className="text-soft">no calls</span>
      return isSure(pair) ? (
        <span className="font-semibold">{differenceText(figure, pair.difference)}</span>
      ) : (
        <span className="text-soft">none to be sure of</span>
      )
    },
  },
]

const THE_DAY = columns('Figure')
const BY_QUEUE = columns('Queue')

export function ComparedTable({ compared, nameOf }: { readonly compared: Compared; readonly nameOf: (id: QueueId) => string }) {
  const shown = (Object.keys(FIGURE_WORDS) as Figure[]).filter((f) => (f !== 'turnedAway' && f !== 'connected') || isAny(compared.figures[f]))
  const rows: Row[] = shown.map((figure) => ({ id: figure, says: FIGURE_WORDS[figure], figure, pair: compared.figures[figure] }))
  const queues: Row[] = compared.queues
    .filter((q) => isAny(q.figures.offered))
    .map(({ queueId, figures }) => ({ id: queueId, says: nameOf(queueId), figure: 'serviceLevel', pair: figures.serviceLevel }))
  return (
    <div className="space-y-5">
      <Table caption="The day" columns={THE_DAY} rows={rows} keyOf={(r) => r.id} fixed={false} compact />
      <Table caption="Answered in time, by queue" columns={BY_QUEUE} rows={queues} keyOf={(r) => r.id} fixed={false} compact />
      <p className="max-w-[80ch] text-soft">
        Means of {compared.days} days; beside them in grey the range in which nine of ten days lie. A day has the same callers on both sides, so a difference is
        the change’s alone; in brackets, the range that holds the true one in 95 of 100 cases. Played again, it comes out the same.
      </p>
    </div>
  )
}

const isAny = (pair: Pair): boolean => (pair.first?.mean ?? 0) > 0 || (pair.second?.mean ?? 0) > 0
