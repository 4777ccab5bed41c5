'use client'
// Rows as they were drawn last wherever nothing in them has changed, so that a table draws only those that have.
import { useLayoutEffect, useRef } from 'react'
import { shallow } from 'zustand/shallow'

export function useSameRows<T extends object>(rows: readonly T[], keyOf: (row: T) => string): readonly T[] {
  const drawn = useRef<ReadonlyMap<string, T>>(new Map())
  const same = rows.map((row) => {
    const before = drawn.current.get(keyOf(row))
    return before !== undefined && shallow(before, row) ? before : row
  })
  useLayoutEffect(() => {
    drawn.current = new Map(same.map((row) => [keyOf(row), row]))
  })
  return same
}
