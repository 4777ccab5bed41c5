'use client'
// A long list of which one row is in front: only rows in view are drawn. One Tab stop; arrows move, what Enter and Space do is said by who shows it.
import { useVirtualizer } from '@tanstack/react-virtual'
import clsx from 'clsx'
import { type KeyboardEvent, type ReactNode, useEffect, useId, useRef } from 'react'
import { beginningWith, isLetter, NOTHING_TYPED } from './type-ahead'
import { usePlaceKept } from './use-place-kept'

interface Props<T> {
  readonly label: string
  readonly rows: readonly T[]
  readonly keyOf: (row: T) => string
  readonly frontKey: string | null
  readonly onFront: (key: string) => void
  /** Letters go to the next that begins with them. */
  readonly nameOf: (row: T) => string
  readonly onEnter?: (row: T) => void
  readonly onSpace?: (row: T) => void
  /** Rows that are chosen, where several can be; otherwise the one in front is. */
  readonly isChosen?: (row: T) => boolean
  /** How a row is divided. */
  readonly columns: string
  readonly children: (row: T) => ReactNode
  readonly empty: string
}

const ROW_PX = 36

export function RowList<T>({ label, rows, keyOf, nameOf, frontKey, onFront, onEnter, onSpace, isChosen, columns, children, empty }: Props<T>) {
  const scroller = useRef<HTMLDivElement>(null)
  const scrolls = usePlaceKept(label, scroller)
  const id = useId()
  const typed = useRef(NOTHING_TYPED())
  const virtual = useVirtualizer({ count: rows.length, getScrollElement: () => scroller.current, estimateSize: () => ROW_PX, overscan: 12 })
  const at = rows.findIndex((r) => keyOf(r) === frontKey)
  const [first] = rows
  // biome-ignore lint/correctness/useExhaustiveDependencies: another one in front is brought into view; a list that changes stays where it is
  useEffect(() => {
    if (at >= 0) virtual.scrollToIndex(at)
  }, [frontKey])
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.altKey || event.ctrlKey || event.metaKey) return
    const page = Math.max(1, Math.floor((scroller.current?.clientHeight ?? ROW_PX) / ROW_PX) - 1)
    const moves: Readonly<Record<string, number>> = {
      ...{ ArrowDown: at + 1, ArrowUp: at - 1, Home: 0, End: rows.length - 1, PageDown: at + page, PageUp: at - page },
    }
    const found = isLetter(event.key) ? beginningWith(typed.current, event.key, at, rows.length, (i) => nameOf(rows[i] as T)) : -1
    const to = found >= 0 ? found : moves[event.key]
    const act = { Enter: onEnter, ' ': onSpace }[event.key]
    const row = rows[to === undefined ? at : Math.max(0, Math.min(rows.length - 1, to))]
    if (row === undefined) return
    if (to !== undefined) onFront(keyOf(row))
    else if (act !== undefined) act(row)
    else return
    event.preventDefault()
  }
  // What is not drawn cannot be pointed at.
  const isDrawn = virtual.getVirtualItems().some((item) => item.index === at)
  if (rows.length === 0) return <p className="mt-4 flex-1 font-serif text-[1.0625rem] text-soft leading-7">{empty}</p>
  return (
    <div
      ref={scrolls}
      role="listbox"
      aria-label={label}
      aria-multiselectable={isChosen === undefined ? undefined : true}
      aria-activedescendant={isDrawn ? `${id}-${at}` : undefined}
      tabIndex={0}
      onKeyDown={onKeyDown}
      onFocus={() => at < 0 && first !== undefined && onFront(keyOf(first))}
      className="min-h-40 flex-1 overflow-auto border-line-strong border-t -outline-offset-2"
    >
      <div style={{ height: virtual.getTotalSize() }} className="relative">
        {virtual.getVirtualItems().map(({ index, start }) => {
          const row = rows[index]
          if (row === undefined) return null
          const isFront = keyOf(row) === frontKey
          return (
            <div
              key={keyOf(row)}
              id={`${id}-${index}`}
              role="option"
              aria-selected={isChosen?.(row) ?? isFront}
              aria-setsize={rows.length}
              aria-posinset={index + 1}
              tabIndex={-1}
              onPointerDown={() => onFront(keyOf(row))}
              onDoubleClick={() => onEnter?.(row)}
              style={{ height: ROW_PX, transform: `translateY(${start}px)` }}
              className={clsx(
                'absolute inset-x-0 grid cursor-pointer items-center gap-3 border-line border-b border-l-4 pr-2',
                columns,
                isFront ? 'border-l-ink bg-green-wash' : 'border-l-transparent',
              )}
            >
              {children(row)}
            </div>
          )
        })}
      </div>
    </div>
  )
}
