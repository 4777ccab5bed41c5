'use client'
// A table is one Tab stop: arrows go from row to row and along a row, Home and End to the first and the last, and letters to the next row whose name
// begins with them. Fields that are typed into keep their keys and their own stop.
import { type KeyboardEvent, type RefObject, useLayoutEffect, useRef } from 'react'
import { beginningWith, NOTHING_TYPED } from './type-ahead'

const ROW = 'tr[data-row]'
const CONTROLS = 'a[href], button, input[type="checkbox"]'
const MOVES = /^(Arrow(Up|Down|Left|Right)|Home|End|[\p{L}\p{N}])$/u

const rowsOf = (table: Element): HTMLElement[] => [...table.querySelectorAll<HTMLElement>(ROW)]
const controlsOf = (row: Element | undefined): HTMLElement[] => [...(row?.querySelectorAll<HTMLElement>(CONTROLS) ?? [])].filter((c) => !c.matches(':disabled'))

export function useRowKeys(table: RefObject<HTMLTableElement | null>) {
  /** The control that Tab comes to: where somebody was last. */
  const stop = useRef<HTMLElement | null>(null)
  const typed = useRef(NOTHING_TYPED())
  const arrange = () => {
    if (table.current === null) return
    const all = rowsOf(table.current).flatMap(controlsOf)
    const at = all.find((c) => c === stop.current) ?? all[0]
    for (const control of all) {
      const wanted = control === at ? 0 : -1
      if (control.tabIndex !== wanted) control.tabIndex = wanted
    }
  }
  useLayoutEffect(arrange)
  const goTo = (control: HTMLElement | undefined) => {
    if (control === undefined) return
    stop.current = control
    arrange()
    control.focus()
  }
  return {
    onFocus: ({ target }: { readonly target: EventTarget }) => {
      if (!(target instanceof HTMLElement) || !target.matches(CONTROLS) || target.closest(ROW) === null || stop.current === target) return
      stop.current = target
      arrange()
    },
    // Before a menu's own button takes the arrow for itself: Enter opens it.
    onKeyDownCapture: (event: KeyboardEvent) => {
      const { target, key } = event
      if (table.current === null || !(target instanceof HTMLElement) || !target.matches(CONTROLS)) return
      if (event.altKey || event.ctrlKey || event.metaKey) return
      const row = target.closest<HTMLElement>(ROW)
      // What stands open below a row, or in a dialog that it opened, is not of the row.
      if (row === null || !table.current.contains(row)) return
      const rows = rowsOf(table.current)
      const [at, along] = [rows.indexOf(row), controlsOf(row)]
      const place = along.indexOf(target)
      const inRow = (index: number, step: number) => {
        for (let to = index; to >= 0 && to < rows.length; to += step) {
          const controls = controlsOf(rows[to])
          if (controls.length > 0) return controls[Math.min(place, controls.length - 1)]
        }
        return undefined
      }
      const to = () => {
        switch (key) {
          case 'ArrowDown':
            return inRow(at + 1, 1)
          case 'ArrowUp':
            return inRow(at - 1, -1)
          case 'ArrowRight':
            return along[place + 1]
          case 'ArrowLeft':
            return along[place - 1]
          case 'Home':
            return inRow(0, 1)
          case 'End':
            return inRow(rows.length - 1, -1)
          default:
            return inRow(
              beginningWith(typed.current, key, at, rows.length, (i) => rows[i]?.querySelector('th[scope="row"]')?.textContent ?? ''),
              1,
            )
        }
      }
      if (!MOVES.test(key)) return
      event.preventDefault()
      event.stopPropagation()
      goTo(to())
    },
  }
}
