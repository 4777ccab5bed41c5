'use client'
// A table: sorted by the heads that can be, in the given order otherwise; a row may open for more below it, rows may stand in groups.
import { createColumnHelper, createSortedRowModel, rowSortingFeature, sortFns, tableFeatures, useTable } from '@tanstack/react-table'
import clsx from 'clsx'
import { memo, type ReactNode, useMemo, useRef } from 'react'
import { useRowKeys } from './use-row-keys'

export interface Column<T> {
  readonly id: string
  /** Without one nothing but buttons stands below it. */
  readonly heading: string
  /** Width class; the columns without one share what is left. */
  readonly width?: string
  readonly cell: (row: T) => ReactNode
  /** It names the row: screen readers say it with every other cell. */
  readonly isName?: boolean
  /** What rows are sorted by, null for last; without it they are not sorted by this column. */
  readonly sortBy?: (row: T) => string | number | null
  readonly align?: 'right'
  readonly className?: string
}

interface Props<T> {
  readonly label?: string
  readonly caption?: string
  readonly columns: readonly Column<T>[]
  readonly rows: readonly T[]
  readonly keyOf: (row: T) => string
  readonly rowClass?: (row: T) => string | false
  /** What stands below a row that is open; null for one that is not. */
  readonly below?: (row: T) => ReactNode
  /** Rows of a group stand under its name, in the order of their first row. */
  readonly groupOf?: (row: T) => string
  /** Columns are as wide as they say, and not as what is in them. */
  readonly fixed?: boolean
  /** Rows as low as their words. */
  readonly compact?: boolean
  readonly className?: string
}

const features = tableFeatures({ rowSortingFeature, sortedRowModel: createSortedRowModel(), sortFns })

export function Table<T>({ label, caption, columns, rows, keyOf, rowClass, below, groupOf, fixed = true, compact = false, className }: Props<T>) {
  const helper = useMemo(() => createColumnHelper<typeof features, { readonly row: T }>(), [])
  const data = useMemo(() => rows.map((row) => ({ row })), [rows])
  const model = useMemo(
    () =>
      helper.columns(
        columns.map(({ id, heading, sortBy }) =>
          helper.accessor(({ row }) => sortBy?.(row) ?? undefined, { id, header: heading, enableSorting: sortBy !== undefined, sortUndefined: 'last' }),
        ),
      ),
    [helper, columns],
  )
  const table = useTable({ features, columns: model, data, getRowId: ({ row }) => keyOf(row) })
  const sorted = table.getRowModel().rows.map((r) => r.original.row)
  const groups = groupOf === undefined ? [{ name: null, rows: sorted }] : groupsOf(sorted, groupOf)
  const self = useRef<HTMLTableElement>(null)
  const rowKeys = useRowKeys(self)
  const columnOf = new Map(columns.map((c) => [c.id, c]))
  return (
    // Wider than a narrow window: it is scrolled by itself, and the page is not.
    <div className="max-lg:overflow-x-auto">
      <table ref={self} {...rowKeys} aria-label={label} className={clsx('w-full', fixed && 'table-fixed', className)}>
        {caption !== undefined && <caption className="pb-1 text-left font-semibold">{caption}</caption>}
        <thead>
          <tr className="border-line-strong border-b align-bottom">
            {table.getFlatHeaders().map((header) => {
              const { heading = '', width, align, sortBy } = columnOf.get(header.id) ?? {}
              const order = header.column.getIsSorted()
              const place = clsx('py-1', align === 'right' ? 'pl-3 text-right' : 'pr-3 text-left', width)
              if (sortBy === undefined)
                return (
                  <th key={header.id} scope="col" className={place}>
                    <span className={heading === '' ? 'sr-only' : 'eyebrow inline-flex min-h-6 items-center'}>
                      {heading === '' ? 'What can be done' : heading}
                    </span>
                  </th>
                )
              return (
                <th key={header.id} scope="col" aria-sort={order === false ? 'none' : order === 'asc' ? 'ascending' : 'descending'} className={place}>
                  <button
                    type="button"
                    title={`Sort by ${heading}`}
                    className="eyebrow min-h-6 min-w-6 [text-align:inherit] hover:text-ink"
                    onClick={header.column.getToggleSortingHandler()}
                  >
                    {heading}
                    <span aria-hidden>{order === false ? '' : order === 'asc' ? ' ↑' : ' ↓'}</span>
                  </button>
                </th>
              )
            })}
          </tr>
        </thead>
        {groups.map(({ name, rows: grouped }) => (
          <tbody key={name ?? ''}>
            {name !== null && (
              <tr>
                <th colSpan={columns.length} scope="rowgroup" className="eyebrow pt-3 text-left">
                  {name}
                </th>
              </tr>
            )}
            {grouped.map((row) => (
              <Row key={keyOf(row)} columns={columns} row={row} compact={compact} classes={rowClass?.(row) || ''} more={below?.(row) ?? null} />
            ))}
          </tbody>
        ))}
      </table>
    </div>
  )
}

interface RowProps<T> {
  readonly columns: readonly Column<T>[]
  readonly row: T
  readonly compact: boolean
  readonly classes: string
  readonly more: ReactNode
}

/** Drawn anew only when something of it has changed: tables of a hundred rows stand where something changes many times a second. */
const Row = memo(function Row<T>({ columns, row, compact, classes, more }: RowProps<T>) {
  return (
    <>
      <tr data-row className={clsx('border-line', compact ? 'align-middle' : 'align-baseline', more === null && 'border-b', classes)}>
        {columns.map((column) => (
          <Cell key={column.id} column={column} row={row} compact={compact} />
        ))}
      </tr>
      {more !== null && (
        <tr className="border-line border-b">
          <td colSpan={columns.length} className="pb-3">
            {more}
          </td>
        </tr>
      )}
    </>
  )
}) as <T>(props: RowProps<T>) => ReactNode

function Cell<T>({ column: { isName = false, align, className, cell }, row, compact }: { column: Column<T>; row: T; compact: boolean }) {
  const classes = clsx(compact ? 'py-px' : 'py-1.5', align === 'right' ? 'pl-3 text-right' : 'break-words pr-3 text-left', className)
  return isName ? (
    <th scope="row" className={classes}>
      {cell(row)}
    </th>
  ) : (
    <td className={classes}>{cell(row)}</td>
  )
}

function groupsOf<T>(rows: readonly T[], groupOf: (row: T) => string): { readonly name: string; readonly rows: readonly T[] }[] {
  const groups = new Map<string, T[]>()
  for (const row of rows) {
    const name = groupOf(row)
    const group = groups.get(name)
    if (group === undefined) groups.set(name, [row])
    else group.push(row)
  }
  return [...groups].map(([name, grouped]) => ({ name, rows: grouped }))
}
