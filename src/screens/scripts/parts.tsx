'use client'
// What the lists of a page's editor have in common: up, down, take out, and how a list changes.
import { Button } from '@/parts/ui'

export const AREA = 'mt-1 block w-full resize-none rounded-sm border border-line-strong bg-raised px-2 py-1 [field-sizing:content]'
export const BOX = 'h-8 min-w-0 rounded-sm border border-line-strong bg-raised px-2'

export const moved = <T,>(items: readonly T[], from: number, to: number): readonly T[] => {
  const item = items[from]
  return item === undefined || to < 0 || to >= items.length ? items : items.toSpliced(from, 1).toSpliced(to, 0, item)
}

export const replaced = <T,>(items: readonly T[], at: number, item: T): readonly T[] => items.map((old, i) => (i === at ? item : old))

const QUIET = '!px-1.5 !no-underline disabled:!border-transparent disabled:!bg-transparent hover:!bg-paper'

interface Props {
  /** `paragraph 2`: what the buttons say to those who do not see the row. */
  readonly of: string
  readonly at: number
  readonly last: number
  readonly onMove: (to: number) => void
  readonly onRemove: () => void
}

export function RowButtons({ of, at, last, onMove, onRemove }: Props) {
  return (
    <span className="flex shrink-0">
      <Button tone="quiet" className={QUIET} aria-label={`Move ${of} up`} disabled={at === 0} onClick={() => onMove(at - 1)}>
        ↑
      </Button>
      <Button tone="quiet" className={QUIET} aria-label={`Move ${of} down`} disabled={at === last} onClick={() => onMove(at + 1)}>
        ↓
      </Button>
      <Button tone="quiet" className={QUIET} aria-label={`Take out ${of}`} onClick={onRemove}>
        ✕
      </Button>
    </span>
  )
}
