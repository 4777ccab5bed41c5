'use client'
// A small panel that opens from a button and stays until it is left, on Radix.
import { Popover as Radix } from 'radix-ui'
import type { ReactNode } from 'react'
import { usePortal } from './portal-home'

interface Props {
  readonly label: string
  readonly trigger: ReactNode
  readonly children: ReactNode
  readonly className?: string
  /** Where whoever uses it closes it themselves. */
  readonly open?: boolean
  readonly onOpenChange?: (open: boolean) => void
  /** Where the work goes on once it is closed; the button it opened from without it. */
  readonly onClosed?: () => void
}

export function Popover({ label, trigger, children, className = 'w-96', onClosed, ...state }: Props) {
  const portal = usePortal()
  return (
    <Radix.Root {...state}>
      <Radix.Trigger asChild>{trigger}</Radix.Trigger>
      <Radix.Portal {...portal}>
        <Radix.Content
          align="end"
          sideOffset={6}
          collisionPadding={8}
          aria-label={label}
          {...(onClosed === undefined
            ? {}
            : {
                onCloseAutoFocus: (event: Event) => {
                  event.preventDefault()
                  onClosed()
                },
              })}
          className={`z-50 max-h-[calc(100vh-4rem)] overflow-auto rounded-sm border border-line-strong bg-raised p-4 shadow-lg ${className}`}
        >
          {children}
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  )
}
