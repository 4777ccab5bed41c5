'use client'
// Which question a bare digit answers: the one the keyboard is in, otherwise the first on the page that has no answer yet. It alone shows digits; an
// outcome is chosen with Alt. Whoever types into a field types.
import { type RefObject, useEffect, useLayoutEffect, useRef, useState } from 'react'
import type { AnswerValue, Question } from '@/core/scripts'

export type Answers = Readonly<Record<string, AnswerValue>>

/** Values of the options digits choose among; null of a question that is answered otherwise. */
export function optionsOf(question: Question): readonly AnswerValue[] | null {
  if (question.kind === 'yesNo') return [true, false]
  return question.kind === 'choice' || question.kind === 'several' ? question.options.map((o) => o.value) : null
}

/** What a digit makes of the answer there was; undefined where it stands for nothing. */
export function answerByDigit(question: Question, before: AnswerValue | null, digit: number): AnswerValue | undefined {
  const value = optionsOf(question)?.[digit - 1]
  if (value === undefined || question.kind !== 'several') return value
  const chosen = Array.isArray(before) ? (before as readonly string[]) : []
  return chosen.includes(value as string) ? chosen.filter((v) => v !== value) : [...chosen, value as string]
}

export const firstUnanswered = (questions: readonly Question[], answers: Answers): string | null =>
  questions.find((q) => optionsOf(q) !== null && answers[q.field] === undefined)?.field ?? null

const WRITES = 'input:not([type=radio], [type=checkbox]), textarea, select, [contenteditable]'

interface Options {
  readonly pane: RefObject<HTMLElement | null>
  /** Of the page; none where nobody answers here. */
  readonly questions: readonly Question[]
  readonly answers: Answers
  readonly onAnswer: (field: string, value: AnswerValue) => void
}

/** The field of the question that digits answer now; null for none. */
export function useDigits({ pane, questions, answers, onAnswer }: Options): string | null {
  const [focused, setFocused] = useState<string | null>(null)
  const isHere = questions.some((q) => q.field === focused && optionsOf(q) !== null)
  const current = isHere ? focused : firstUnanswered(questions, answers)
  const latest = useRef({ current, questions, answers, onAnswer })
  useLayoutEffect(() => {
    latest.current = { current, questions, answers, onAnswer }
  })
  useEffect(() => {
    const onFocus = () =>
      setFocused(pane.current?.contains(document.activeElement) ? (document.activeElement?.closest<HTMLElement>('[data-field]')?.dataset.field ?? null) : null)
    const onKey = (event: KeyboardEvent) => {
      const { key, altKey, ctrlKey, metaKey, defaultPrevented, repeat } = event
      if (!/^[1-9]$/.test(key) || altKey || ctrlKey || metaKey || defaultPrevented || repeat) return
      const at = document.activeElement
      // A table has letters and digits of its own, and behind a dialog nothing is answered.
      if (at?.matches(WRITES) || at?.closest('table') != null || document.querySelector('[data-modal]') !== null) return
      const now = latest.current
      const question = now.questions.find((q) => q.field === now.current)
      const value = question === undefined ? undefined : answerByDigit(question, now.answers[question.field] ?? null, Number(key))
      if (question === undefined || value === undefined) return
      event.preventDefault()
      now.onAnswer(question.field, value)
    }
    document.addEventListener('focusin', onFocus)
    document.addEventListener('focusout', onFocus)
    window.addEventListener('keydown', onKey)
    return () => {
      document.removeEventListener('focusin', onFocus)
      document.removeEventListener('focusout', onFocus)
      window.removeEventListener('keydown', onKey)
    }
  }, [pane])
  return current
}
