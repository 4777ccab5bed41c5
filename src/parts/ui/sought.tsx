'use client'
// Long lists on a form or a page are narrowed by a few letters of a name. Short ones have no field for it.
import { type ReactNode, useState } from 'react'
import { folded } from '@/core/people'
import { useDraft } from './draft'
import { TextField } from './field'

/** Up to so many are seen at a glance. */
const AT_A_GLANCE = 12

interface Sought {
  /** Whether a row of those words is among what is sought. */
  readonly isSought: (words: string) => boolean
  readonly field: ReactNode
}

/** `count` is how many there are; with `kept` what was typed is there on coming back. */
export function useSought(label: string, count: number, kept?: string): Sought {
  const [here, setHere] = useState('')
  const [there, setThere] = useDraft(kept ?? 'nothing sought', '')
  const [typed, setTyped] = kept === undefined ? [here, setHere] : [there, setThere]
  if (count <= AT_A_GLANCE) return { isSought: () => true, field: null }
  const wanted = folded(typed).split(/\s+/).filter(Boolean)
  return {
    isSought: (words) => {
      const text = folded(words)
      return wanted.every((w) => text.includes(w))
    },
    // Enter in it is no press of the form's button.
    field: (
      <TextField
        label={label}
        type="search"
        autoComplete="off"
        className="w-60 max-w-full"
        value={typed}
        onChange={(e) => setTyped(e.target.value)}
        onKeyDown={(e) => e.key === 'Enter' && e.preventDefault()}
      />
    ),
  }
}

/** What is not shown is said, and how it comes into view. */
export function More({ of, shown, what = 'type another letter' }: { of: number; shown: number; what?: string }) {
  return of <= shown ? null : (
    <p className="mt-1 text-soft">
      {(of - shown).toLocaleString('en-GB')} more: {what}.
    </p>
  )
}

/** Beside a heading, while not all stand below it. */
export function OfHowMany({ shown, of }: { shown: number; of: number }) {
  return shown === of ? null : (
    <span role="status" className="font-normal text-base text-soft">
      {shown === 0 ? `none of ${of} has that in its name` : `${shown} of ${of}`}
    </span>
  )
}
