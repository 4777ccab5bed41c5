'use client'
// A menu that opens from a button: one look for all of them, on Radix, without taking the page away from under it.
import { DropdownMenu } from 'radix-ui'
import type { ReactNode } from 'react'
import { usePortal } from './portal-home'

interface MenuProps {
  /** What the menu asks, for screen readers and as its first line. */
  readonly label: string
  readonly trigger: ReactNode
  readonly align?: 'start' | 'end'
  readonly open?: boolean
  readonly onOpenChange?: (open: boolean) => void
  readonly children: ReactNode
}

export function Menu({ label, trigger, align = 'start', children, open, onOpenChange }: MenuProps) {
  const portal = usePortal()
  return (
    <DropdownMenu.Root modal={false} {...(open === undefined ? {} : { open })} {...(onOpenChange === undefined ? {} : { onOpenChange })}>
      <DropdownMenu.Trigger asChild>{trigger}</DropdownMenu.Trigger>
      <DropdownMenu.Portal {...portal}>
        <DropdownMenu.Content
          align={align}
          sideOffset={4}
          aria-label={label}
          className="z-30 max-h-[70vh] min-w-44 overflow-auto rounded-sm border border-line-strong bg-raised py-1 shadow-lg"
        >
          <p className="eyebrow px-3 py-1">{label}</p>
          {children}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  )
}

/** Between what belongs together. */
export const MenuLine = () => <DropdownMenu.Separator className="my-1 border-line border-t" />

interface ItemProps {
  readonly onSelect: () => void
  /** Reached by pointer or keyboard, and not chosen yet. */
  readonly onPoint?: () => void
  readonly disabled?: boolean
  readonly children: ReactNode
}

export function MenuItem({ onSelect, onPoint, disabled = false, children }: ItemProps) {
  return (
    <DropdownMenu.Item
      disabled={disabled}
      onSelect={onSelect}
      {...(onPoint === undefined ? {} : { onFocus: onPoint })}
      className="cursor-pointer px-3 py-1.5 outline-none data-[highlighted]:bg-green-wash data-[disabled]:text-soft"
    >
      {children}
    </DropdownMenu.Item>
  )
}
