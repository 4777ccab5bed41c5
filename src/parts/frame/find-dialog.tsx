'use client'
// Find: a few letters, and whatever exists of that name is an Enter away. On the desk the dial line does the same.
import clsx from 'clsx'
import { useRouter } from 'next/navigation'
import { type KeyboardEvent, useId, useRef, useState } from 'react'
import { Dialog, More, useFinder } from '@/parts/ui'
import { useFound } from './use-found'

export function FindDialog({ open, onOpenChange }: { open: boolean; onOpenChange: (open: boolean) => void }) {
  return (
    <Dialog open={open} onOpenChange={onOpenChange} title="Find" description="A place, a person, a call, a queue, an account or a setting, by a few letters.">
      <Finder onGone={() => onOpenChange(false)} />
    </Dialog>
  )
}

function Finder({ onGone }: { onGone: () => void }) {
  const router = useRouter()
  const id = useId()
  const input = useRef<HTMLInputElement>(null)
  const [typed, setTyped] = useState('')
  const { found: items, more } = useFound(typed)
  const finder = useFinder({ id, items, typed, onTyped: setTyped, keyOf: (f) => f.key, alwaysOpen: true })
  const go = (href: string | undefined) => {
    if (href === undefined) return
    onGone()
    router.push(href)
  }
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.key !== 'Enter') return
    event.preventDefault()
    go(finder.marked?.href)
  }
  return (
    <>
      <label htmlFor={id} className="sr-only">
        What to find
      </label>
      <input
        {...finder.inputProps({ id, ref: input, onKeyDown })}
        // biome-ignore lint/a11y/noAutofocus: it was opened to be typed into
        autoFocus
        autoComplete="off"
        className="h-9 w-full rounded-sm border border-line-strong bg-paper px-2"
      />
      <div {...finder.listProps('Found')} className="mt-2 min-h-24">
        {items.map((f, i) => (
          // biome-ignore lint/a11y/useKeyWithClickEvents: keys are those of the field, which keeps the focus
          // biome-ignore lint/a11y/noStaticElementInteractions: an option of the list
          <div
            {...finder.optionProps(f, i)}
            key={f.key}
            onClick={() => go(f.href)}
            className={clsx('flex cursor-pointer justify-between gap-4 px-2 py-1', f === finder.marked && 'bg-green-wash')}
          >
            <span className="min-w-0 truncate" title={f.name}>
              {f.name}
            </span>
            <span className="shrink-0 text-soft">{f.kind}</span>
          </div>
        ))}
      </div>
      <More of={items.length + more} shown={items.length} />
      <p role="status" className="mt-1 text-soft">
        {typed.trim() === '' ? '' : finder.marked === undefined ? `Nothing has “${typed.trim()}” in its name.` : `Enter opens ${finder.marked.name}.`}
      </p>
    </>
  )
}
