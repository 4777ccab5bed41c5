'use client'
// The measures per queue or per agent, as a table.
import clsx from 'clsx'
import type { Grouped } from '@/core/reports'
import { formatClock } from '@/core/time'
import { type Column, Table } from '@/parts/ui'
import { clockOrNone, percent } from './format'

type Row = Grouped & { readonly occupancyRatio?: number | null; readonly internalMs?: number }

const NAME: Column<Row> = { id: 'name', heading: 'Name', cell: (row) => row.name, sortBy: (row) => row.name, isName: true, className: 'font-normal' }

function figure(heading: string, value: (row: Row) => number | null | undefined, words: (value: number | null) => string): Column<Row> {
  const said = (row: Row) => words(value(row) ?? null)
  return {
    id: heading,
    heading,
    align: 'right',
    sortBy: (row) => value(row) ?? null,
    cell: (row) => <span className={clsx('whitespace-nowrap', /\d/.test(said(row)) ? 'tabular' : 'text-soft')}>{said(row)}</span>,
  }
}
const count = (heading: string, value: (row: Row) => number) => figure(heading, value, String)

const OF_QUEUES: readonly Column<Row>[] = [
  NAME,
  count('Offered', ({ measures }) => measures.offered),
  count('Answered', ({ measures }) => measures.answered),
  count('Abandoned', ({ measures }) => measures.abandoned),
  figure('Abandon rate', ({ measures }) => measures.abandonRatio, percent),
  figure('Service level', ({ measures }) => measures.serviceLevelRatio, percent),
  figure('Average speed of answer', ({ measures }) => measures.speedOfAnswer?.meanMs, clockOrNone),
  figure('AHT', ({ measures }) => measures.ahtMs, clockOrNone),
]
const OF_AGENTS: readonly Column<Row>[] = [
  NAME,
  count('Answered', ({ measures }) => measures.answered),
  figure('AHT', ({ measures }) => measures.ahtMs, clockOrNone),
  figure(
    'Occupancy',
    ({ occupancyRatio }) => occupancyRatio,
    (ratio) => (ratio === null ? 'not on shift' : percent(ratio)),
  ),
  figure(
    'Internal calls',
    ({ internalMs }) => internalMs,
    (ms) => (ms === null || ms === 0 ? 'none' : formatClock(ms)),
  ),
  count('Uncoded', ({ measures }) => measures.uncoded),
  figure('Disagree', ({ measures }) => measures.disagreementRatio, percent),
]

export function GroupsTable({ caption, rows, withOccupancy = false }: { caption: string; rows: readonly Row[]; withOccupancy?: boolean }) {
  return <Table caption={caption} columns={withOccupancy ? OF_AGENTS : OF_QUEUES} rows={rows} keyOf={(row) => row.id} fixed={false} />
}
