'use client'
// A dialog over the page, on Radix: focus is held inside and goes back where it came from.
import { Dialog as Radix } from 'radix-ui'
import type { ReactNode } from 'react'
import { Button } from './button'
import { usePortal } from './portal-home'

export interface DialogProps {
  readonly open: boolean
  readonly onOpenChange: (open: boolean) => void
  readonly title: string
  readonly description?: string
  /** Name of the field the keyboard begins at; otherwise the first thing there is. */
  readonly beginsAt?: string | null | undefined
  readonly children: ReactNode
}

export function Dialog({ open, onOpenChange, title, description, beginsAt = null, children }: DialogProps) {
  const portal = usePortal()
  return (
    <Radix.Root open={open} onOpenChange={onOpenChange}>
      <Radix.Portal {...portal}>
        <Radix.Overlay className="fixed inset-0 z-40 bg-shade/40" />
        <Radix.Content
          {...(description === undefined ? { 'aria-describedby': undefined } : {})}
          onOpenAutoFocus={(event) => {
            const field =
              beginsAt === null || !(event.currentTarget instanceof HTMLElement)
                ? null
                : event.currentTarget.querySelector<HTMLElement>(`[name="${CSS.escape(beginsAt)}"]`)
            if (field === null) return
            event.preventDefault()
            field.focus()
            if (field instanceof HTMLInputElement) field.select()
          }}
          // Nothing behind it hears a shortcut.
          data-modal
          className="fixed top-16 left-1/2 z-50 max-h-[calc(100vh-6rem)] w-[min(40rem,calc(100vw-2rem))] -translate-x-1/2 overflow-auto rounded-sm border border-line-strong bg-raised p-5 shadow-xl"
        >
          <div className="flex items-start justify-between gap-4">
            <Radix.Title className="font-semibold text-lg">{title}</Radix.Title>
            <Radix.Close asChild>
              <Button tone="quiet">Close</Button>
            </Radix.Close>
          </div>
          {description !== undefined && <Radix.Description className="mt-1 text-soft">{description}</Radix.Description>}
          <div className="mt-4">{children}</div>
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  )
}
