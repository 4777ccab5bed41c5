'use client'
// A button for one command: says why when it may not be pressed, and shows beforehand what it would do.
import type { ReactNode } from 'react'
import type { Ask, FloorRefusal } from '@/core/floor'
import { toRefusalText } from '@/core/floor'
import { Button, type ButtonProps } from '@/parts/ui'
import { useBoard, usePreviewOf } from './board-context'

interface Props extends Pick<ButtonProps, 'tone' | 'size' | 'shortcut' | 'className'> {
  readonly command: Ask
  /** What `decide` would refuse, when it is known without asking; null when the press is fine. */
  readonly refusal?: FloorRefusal | null
  /** The accessible name where the text alone would not tell the party. */
  readonly name?: string
  readonly pressed?: boolean
  readonly children: ReactNode
}

export function ActionButton({ command, refusal = null, name, pressed, children, ...rest }: Props) {
  const { give, endPreview } = useBoard()
  const preview = usePreviewOf(command)
  const why = refusal === null ? null : toRefusalText(refusal)
  return (
    <Button
      aria-label={name}
      aria-pressed={pressed}
      // Not `disabled`: a control that may not be pressed stays in view, can be reached, and says why.
      aria-disabled={why !== null || undefined}
      title={why === null ? undefined : `${why.says} ${why.next}`}
      onClick={() => {
        endPreview()
        void give(command)
      }}
      {...(why === null ? preview : {})}
      {...rest}
    >
      {children}
    </Button>
  )
}
