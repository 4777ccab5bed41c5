'use client'
// A list of rows in a form: add one, take one out, and what is wrong with a row beside it.
import type { ReactNode } from 'react'
import { Button, Problem } from '@/parts/ui'

interface Props<T> {
  readonly label: string
  readonly hint?: string
  readonly rows: readonly (T & { readonly id: string })[]
  readonly add: string
  readonly onAdd: () => void
  readonly onRemove: (index: number) => void
  readonly problem?: string | undefined
  readonly children: (row: T, index: number) => ReactNode
}

export function RowsField<T>({ label, hint, rows, add, onAdd, onRemove, problem, children }: Props<T>) {
  return (
    <fieldset className="border-line border-t pt-3">
      <legend className="float-left w-full font-semibold">{label}</legend>
      {hint !== undefined && <p className="clear-both text-soft text-xs">{hint}</p>}
      <ul className="clear-both mt-1 space-y-1">
        {rows.map((row, index) => (
          <li key={row.id} className="flex items-center gap-2">
            {children(row, index)}
            <Button tone="quiet" aria-label={`Take out row ${index + 1} of ${label}`} onClick={() => onRemove(index)}>
              Take out
            </Button>
          </li>
        ))}
      </ul>
      {problem !== undefined && <Problem of="focused">{problem}</Problem>}
      <Button className="mt-1" onClick={onAdd}>
        {add}
      </Button>
    </fieldset>
  )
}

/** A field inside a row: labelled for who does not see the row, as wide as what goes in. */
export const ROW_INPUT = 'h-8 rounded-sm border border-line-strong bg-raised px-2 aria-invalid:border-2 aria-invalid:border-red'
