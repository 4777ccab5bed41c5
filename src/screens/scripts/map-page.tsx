'use client'
// A page on the map of its script: a button. What is wrong with it, what is sensitive and where the script ends is told by form and word; where the
// whole map is in view and words are too small to read, by form and fill.
import clsx from 'clsx'
import type { Page, ScriptFinding } from '@/core/scripts'

interface Props {
  readonly page: Page
  readonly isStart: boolean
  readonly isSelected: boolean
  /** A rehearsal has been on it. */
  readonly wasOn: boolean
  readonly grade: ScriptFinding['grade'] | null
  /** Tab comes to it. */
  readonly isStop: boolean
  readonly small: boolean
  readonly onFocus: () => void
  readonly onSelect: () => void
}

export function MapPage({ page, isStart, isSelected, wasOn, grade, isStop, small, onFocus, onSelect }: Props) {
  const isEnd = page.ways.length === 0
  const marks = [
    isStart ? 'start' : '',
    isEnd ? 'end' : '',
    page.sensitive ? 'sensitive' : '',
    page.questions.some((q) => q.kind === 'disclosure') ? 'must be read' : '',
  ].filter((m) => m !== '')
  const looks = small
    ? isSelected
      ? 'border-8 border-ink bg-ink'
      : isStart
        ? 'border-green bg-green'
        : grade === 'error'
          ? 'border-red bg-red'
          : isEnd
            ? 'border-4 border-soft bg-line-strong'
            : 'border-2 border-soft bg-raised'
    : clsx(
        isStart && 'border-l-4 border-l-green',
        isSelected ? 'border-2 border-ink bg-raised font-semibold' : wasOn ? 'border-green bg-green-wash' : 'border-line-strong bg-raised',
      )
  return (
    <button
      type="button"
      aria-pressed={isSelected}
      aria-label={small ? page.title || '(no title)' : undefined}
      data-page={page.id}
      tabIndex={isStop ? 0 : -1}
      title={page.title}
      onFocus={onFocus}
      onClick={onSelect}
      className={clsx(
        'flex h-full w-full flex-col justify-center border px-2 text-left leading-[0.9375rem] -outline-offset-2',
        isEnd ? 'rounded-full px-4' : 'rounded-sm',
        looks,
      )}
    >
      {!small && (
        <>
          <span className="w-full truncate text-xs">{page.title || '(no title)'}</span>
          <span className="w-full truncate text-[0.6875rem]">
            <span className="text-soft">{marks.join(' · ')}</span>{' '}
            {grade === 'error' && (
              <span className="font-semibold text-red">
                <span aria-hidden>▲ </span>error
              </span>
            )}
            {grade === 'warning' && (
              <span className="text-brass-text">
                <span aria-hidden>△ </span>look at
              </span>
            )}
          </span>
        </>
      )}
    </button>
  )
}
