'use client'
// A field whose words are read into a value: what is typed stays as it is typed until the field is left, and is then shown as what was read.
import { type KeyboardEvent, useState } from 'react'

interface Typed {
  /** The value, or '' while what is typed is none. */
  readonly value: string
  readonly onValue: (value: string) => void
  readonly read: (typed: string) => string | null
  readonly shown: (value: string) => string
  readonly says: string
  readonly stepped: (value: string, key: string) => string | null
}

export function useTyped({ value, onValue, read, shown, says, stepped }: Typed) {
  const [typed, setTyped] = useState<string | null>(null)
  const [isLeft, setIsLeft] = useState(false)
  // Somebody else has chosen, a button beside it say: what was typed is over.
  const stands = typed !== null && (read(typed) ?? '') === value
  const text = stands ? typed : value === '' ? '' : shown(value)
  const show = (next: string) => {
    setTyped(null)
    onValue(next)
  }
  return {
    show,
    problem: isLeft && stands && typed.trim() !== '' && value === '' ? says : null,
    field: {
      value: text,
      autoComplete: 'off',
      onChange: (event: { readonly target: { readonly value: string } }) => {
        setTyped(event.target.value)
        setIsLeft(false)
        onValue(read(event.target.value) ?? '')
      },
      onBlur: () => {
        setIsLeft(true)
        if (value !== '') setTyped(null)
      },
      onKeyDown: (event: KeyboardEvent) => {
        if (event.altKey || event.ctrlKey || event.metaKey) return
        if (event.key === 'Enter' && value !== '') setTyped(null)
        const next = value === '' ? null : stepped(value, event.key)
        if (next === null) return
        event.preventDefault()
        show(next)
      },
    },
  }
}
