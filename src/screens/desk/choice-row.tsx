'use client'
// Somebody the dial line offers.
import clsx from 'clsx'
import type { ComponentProps, PointerEvent } from 'react'
import type { Choice } from './board/targets'

interface Props {
  readonly option: ComponentProps<'div'>
  readonly choice: Choice
  readonly onChoose: () => void
  readonly dragging?: {
    readonly ref: (element: HTMLElement | null) => void
    readonly onPointerDown: ((event: PointerEvent) => void) | undefined
    readonly isCarried: boolean
  }
}

export function ChoiceRow({ option, choice, onChoose, dragging }: Props) {
  return (
    <div
      {...option}
      ref={(element) => {
        dragging?.ref(element)
        if (typeof option.ref === 'function') option.ref(element)
      }}
      onPointerDown={(event) => {
        // First the drag, which does not begin on an event that was prevented; then the field keeps the focus, and with it the list.
        dragging?.onPointerDown?.(event)
        event.preventDefault()
        onChoose()
      }}
      className={clsx(
        'grid grid-cols-[1fr_auto] gap-4 px-3 py-1',
        dragging === undefined ? 'cursor-pointer' : 'cursor-grab',
        option['aria-selected'] === true && 'bg-green-wash',
        dragging?.isCarried && 'opacity-50',
      )}
    >
      <span className="truncate" title={choice.name}>
        {choice.name} <span className="text-soft">· {choice.kind}</span>
      </span>
      <span
        title={choice.state}
        className={clsx('truncate', choice.target.kind === 'number' ? 'tabular' : choice.isFree ? 'font-semibold text-green' : 'text-soft')}
      >
        {choice.state}
      </span>
    </div>
  )
}
