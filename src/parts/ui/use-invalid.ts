'use client'
// What is wrong is said at the field it is about: the field is marked, the sentence belongs to it, and whoever pressed a button stands in it.
import { type RefObject, useEffect } from 'react'

const FIELDS = 'input, select, textarea'
const HOMES = 'form, [role="dialog"], fieldset, section'

const isTyping = (): boolean => document.activeElement?.matches(FIELDS) === true && document.activeElement.getAttribute('type') !== 'checkbox'

/** Nobody is taken out of a field they are in. */
const goTo = (field: HTMLElement): void => {
  if (!isTyping()) field.focus()
}

/** The field of a part is led to when something comes to be wrong with it. */
export function useLedTo(part: RefObject<HTMLElement | null>, problem: string | null): void {
  const isWrong = problem !== null
  useEffect(() => {
    const field = part.current?.querySelector<HTMLElement>(FIELDS)
    if (isWrong && field != null) goTo(field)
  }, [isWrong, part])
}

/** The field of that label or name, in the form a sentence stands in; `focused` for the one the keyboard is in. */
export function useSaysOf(sentence: RefObject<HTMLElement | null>, of: string | undefined, says: unknown): void {
  // biome-ignore lint/correctness/useExhaustiveDependencies: another sentence is about another field, perhaps
  useEffect(() => {
    if (of === undefined || sentence.current === null) return
    const field = fieldOf(sentence.current, of)
    if (field === null) return
    const about = field.getAttribute('aria-describedby')
    field.setAttribute('aria-invalid', 'true')
    field.setAttribute('aria-describedby', [about, sentence.current.id].filter(Boolean).join(' '))
    goTo(field)
    return () => {
      field.removeAttribute('aria-invalid')
      if (about === null) field.removeAttribute('aria-describedby')
      else field.setAttribute('aria-describedby', about)
    }
  }, [sentence, of, says])
}

function fieldOf(sentence: HTMLElement, of: string): HTMLElement | null {
  const home = sentence.closest(HOMES) ?? document.body
  if (of === 'focused') return home.contains(document.activeElement) && isTyping() ? (document.activeElement as HTMLElement) : null
  const fields = [...home.querySelectorAll<HTMLInputElement>(FIELDS)]
  const nameOf = (field: HTMLInputElement) => field.getAttribute('aria-label') ?? field.labels?.[0]?.textContent?.trim() ?? ''
  return fields.find((f) => f.name === of) ?? fields.find((f) => nameOf(f).startsWith(of)) ?? null
}
