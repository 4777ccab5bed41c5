// The measures per queue or per agent, as a table.
import clsx from 'clsx'
import type { Grouped } from '@/core/reports'
import { clockOrNone, percent } from './format'

type Row = Grouped & { readonly occupancyRatio?: number | null }

export function GroupsTable({ caption, rows, withOccupancy = false }: { caption: string; rows: readonly Row[]; withOccupancy?: boolean }) {
  const columns: readonly (readonly [heading: string, cell: (row: Row) => string])[] = withOccupancy
    ? [
        ['Answered', ({ measures }) => String(measures.answered)],
        ['AHT', ({ measures }) => clockOrNone(measures.ahtMs)],
        ['Occupancy', ({ occupancyRatio }) => (occupancyRatio == null ? 'not on shift' : percent(occupancyRatio))],
        ['Uncoded', ({ measures }) => String(measures.uncoded)],
        ['Disagree', ({ measures }) => percent(measures.disagreementRatio)],
      ]
    : [
        ['Offered', ({ measures }) => String(measures.offered)],
        ['Answered', ({ measures }) => String(measures.answered)],
        ['Abandoned', ({ measures }) => `${measures.abandoned}`],
        ['Rate', ({ measures }) => percent(measures.abandonRatio)],
        ['Service level', ({ measures }) => percent(measures.serviceLevelRatio)],
        ['Mean answer', ({ measures }) => clockOrNone(measures.speedOfAnswer?.meanMs)],
        ['AHT', ({ measures }) => clockOrNone(measures.ahtMs)],
      ]
  return (
    <table className="w-full">
      <caption className="pb-1 text-left font-semibold">{caption}</caption>
      <thead>
        <tr className="border-line-strong border-b">
          <th scope="col" className="eyebrow py-1 text-left">
            Name
          </th>
          {columns.map(([heading]) => (
            <th key={heading} scope="col" className="eyebrow py-1 pl-3 text-right">
              {heading}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.map((row) => (
          <tr key={row.id} className="border-line border-b">
            <th scope="row" className="py-1 text-left font-normal">
              {row.name}
            </th>
            {columns.map(([heading, cell]) => (
              <td key={heading} className={clsx('whitespace-nowrap py-1 pl-3 text-right', /\d/.test(cell(row)) ? 'tabular' : 'text-soft')}>
                {cell(row)}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  )
}
