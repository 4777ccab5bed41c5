'use client'
// The measures of campaigns per campaign, list or agent, as a table.
import type { AttemptMeasures } from '@/core/reports'
import { type Column, Table } from '@/parts/ui'
import { percent } from './format'

interface Row {
  readonly id: string
  readonly name: string
  readonly measures: AttemptMeasures
  readonly penetration?: { readonly done: number; readonly of: number }
}

const count = (heading: string, value: (m: AttemptMeasures) => number): Column<Row> => ({
  id: heading,
  heading,
  align: 'right',
  sortBy: (row) => value(row.measures),
  cell: (row) => <span className="tabular">{value(row.measures).toLocaleString('en-GB')}</span>,
})
const rate = (id: string, heading: string, value: (m: AttemptMeasures) => number | null): Column<Row> => ({
  id,
  heading,
  align: 'right',
  sortBy: (row) => value(row.measures),
  cell: (row) => <span className="tabular whitespace-nowrap text-soft">{percent(value(row.measures))}</span>,
})

const NAME: Column<Row> = { id: 'name', heading: 'Name', isName: true, className: 'font-normal', cell: (row) => row.name, sortBy: (row) => row.name }
const FROM_CONNECTED: readonly Column<Row>[] = [
  count('Right party', (m) => m.rightParty),
  rate('rightPartyRate', 'of connected', (m) => m.rightPartyRatio),
  count('Conversions', (m) => m.conversions),
  rate('conversionRate', 'of right party', (m) => m.conversionRatio),
]
const OF_ALL: readonly Column<Row>[] = [
  NAME,
  count('Attempts', (m) => m.attempts),
  count('Live', (m) => m.live),
  rate('answerRate', 'of ended', (m) => m.answerRatio),
  count('Connected', (m) => m.connected),
  ...FROM_CONNECTED,
  count('Abandoned', (m) => m.abandoned),
  rate('abandonedRate', 'of live', (m) => m.abandonedRatio),
]
const PENETRATION: Column<Row> = {
  ...{ id: 'penetration', heading: 'Penetration', align: 'right' },
  cell: ({ penetration }) => (
    <span className="tabular whitespace-nowrap">{percent(penetration === undefined || penetration.of === 0 ? null : penetration.done / penetration.of)}</span>
  ),
  sortBy: ({ penetration }) => (penetration === undefined || penetration.of === 0 ? null : penetration.done / penetration.of),
}
const OF_LISTS: readonly Column<Row>[] = [...OF_ALL, PENETRATION]
const OF_AGENTS: readonly Column<Row>[] = [NAME, count('Connected', (m) => m.connected), ...FROM_CONNECTED, count('Machines', (m) => m.machines)]

interface Props {
  readonly caption: string
  readonly rows: readonly Row[]
  readonly withPenetration?: boolean
  readonly ofAgents?: boolean
}

export function AttemptsTable({ caption, rows, withPenetration = false, ofAgents = false }: Props) {
  return (
    <div className="overflow-x-auto print:overflow-visible">
      <Table caption={caption} columns={ofAgents ? OF_AGENTS : withPenetration ? OF_LISTS : OF_ALL} rows={rows} keyOf={(row) => row.id} fixed={false} />
    </div>
  )
}
