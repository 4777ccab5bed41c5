'use client'
// The breakdown as a table: a figure in each cell, shaded by its size, that opens the calls it was made of; what it was on the days before beside it.
import clsx from 'clsx'
import type { Measures } from '@/core/reports'
import type { CrossTable, Dimension } from '@/services/history/client'
import { dimensionWords, type Figure, inOrder, keyWords, type Words } from './breakdown-words'

export interface Picked {
  readonly row: string | null
  readonly column: string | null
}

interface Props {
  readonly table: CrossTable
  readonly before: CrossTable | null
  readonly rows: Dimension
  readonly columns: Dimension | null
  readonly figure: Figure
  readonly words: Words
  readonly picked: Picked | null
  readonly onPick: (picked: Picked) => void
}

export function BreakdownTable({ table, before, rows, columns, figure, words, picked, onPick }: Props) {
  const figureOf = ({ measures }: { readonly measures: Measures }) => figure.value(measures)
  const rowKeys = inOrder(rows, table.rows, figureOf)
  const columnKeys = columns === null ? [] : inOrder(columns, table.columns, figureOf)
  const cells = new Map(table.cells.map((c) => [`${c.row}\u0001${c.column}`, c.measures]))
  const cellsBefore = new Map(before?.cells.map((c) => [`${c.row}\u0001${c.column}`, c.measures]) ?? [])
  const most = Math.max(...table.cells.map((c) => figureOf(c) ?? 0), 0)
  const name = `${figure.name} by ${dimensionWords(rows, words).toLowerCase()}${columns === null ? '' : ` and ${dimensionWords(columns, words).toLowerCase()}`}`
  const was = (of: readonly { readonly key: string; readonly measures: Measures }[] | undefined, key: string) => of?.find((o) => o.key === key)?.measures
  const cell = (measures: Measures | undefined, at: Picked, former: Measures | undefined, shade: boolean) => {
    const value = measures === undefined ? null : figure.value(measures)
    const isPicked = picked !== null && picked.row === at.row && picked.column === at.column
    return (
      <td
        key={at.column ?? 'total'}
        className={clsx('border-line border-b p-0 text-right', !shade && 'font-semibold')}
        style={
          shade && value !== null && most > 0
            ? { backgroundColor: `color-mix(in srgb, var(--color-green) ${Math.round((28 * value) / most)}%, transparent)` }
            : undefined
        }
      >
        {measures === undefined ? (
          <span className="px-2 text-soft">·</span>
        ) : (
          <button
            type="button"
            aria-pressed={isPicked}
            aria-label={`${figure.name} ${figure.words(value)}${at.row === null ? '' : `, ${keyWords(rows, at.row, words)}`}${at.column === null || columns === null ? '' : `, ${keyWords(columns, at.column, words)}`}: show the calls`}
            onClick={() => onPick(at)}
            className="tabular min-h-7 w-full whitespace-nowrap px-2 text-right hover:underline aria-pressed:outline-2 aria-pressed:outline-ink"
          >
            {figure.words(value)}
            {before !== null && (
              <span className="ml-1 font-normal text-soft">(was {former === undefined ? figure.words(null) : figure.words(figure.value(former))})</span>
            )}
          </button>
        )}
      </td>
    )
  }
  return (
    <div className="max-h-[60vh] overflow-auto print:max-h-none print:overflow-visible">
      <table aria-label={name} className="w-max min-w-full">
        <caption className="pb-1 text-left font-semibold">{name}</caption>
        <thead className="sticky top-0 z-10 bg-paper">
          <tr>
            <th scope="col" className="eyebrow border-line-strong border-b py-1 pr-3 text-left">
              {dimensionWords(rows, words)}
            </th>
            {columnKeys.map(({ key }) => (
              <th key={key} scope="col" className="eyebrow border-line-strong border-b px-2 py-1 text-right">
                {columns === null ? '' : keyWords(columns, key, words)}
              </th>
            ))}
            <th scope="col" className="eyebrow border-line-strong border-b px-2 py-1 text-right">
              All
            </th>
          </tr>
        </thead>
        <tbody>
          {rowKeys.map(({ key, measures }) => (
            <tr key={key}>
              <th scope="row" className="whitespace-nowrap border-line border-b pr-3 text-left font-normal">
                {keyWords(rows, key, words)}
              </th>
              {columnKeys.map((c) => cell(cells.get(`${key}\u0001${c.key}`), { row: key, column: c.key }, cellsBefore.get(`${key}\u0001${c.key}`), true))}
              {cell(measures, { row: key, column: null }, was(before?.rows, key), false)}
            </tr>
          ))}
        </tbody>
        <tfoot>
          <tr>
            <th scope="row" className="pr-3 text-left">
              All
            </th>
            {columnKeys.map((c) => cell(c.measures, { row: null, column: c.key }, was(before?.columns, c.key), false))}
            {cell(table.all, { row: null, column: null }, before?.all, false)}
          </tr>
        </tfoot>
      </table>
    </div>
  )
}
