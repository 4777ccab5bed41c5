'use client'
// What a component has asked of a worker, and what came of it. An answer stands under the question it is an answer to, so
// that nobody reads one campaign's figures under another's name while the next are being computed.
import { useCallback, useState } from 'react'

export interface Asked<T> {
  /** The answer to what is asked now; null until it is there. */
  readonly value: T | null
  /** The last answer there was, perhaps to the question before: for lists and figures that stay in view until the next come. */
  readonly latest: T | null
  readonly problem: string | null
}

type Outcome<T> = { readonly value: T } | { readonly error: unknown }

/** `question` is told from another by identity. The second of the pair takes what came of a question. */
export function useAsked<T>(question: unknown): readonly [Asked<T>, (of: unknown, outcome: Outcome<T>) => void] {
  const [last, setLast] = useState<{ of: unknown; value: T | null; problem: string | null }>({ of: null, value: null, problem: null })
  const take = useCallback((of: unknown, outcome: Outcome<T>) => {
    if ('value' in outcome) setLast({ of, value: outcome.value, problem: null })
    else setLast({ of, value: null, problem: outcome.error instanceof Error ? outcome.error.message : String(outcome.error) })
  }, [])
  const isOfNow = last.of === question
  return [{ value: isOfNow ? last.value : null, latest: last.value, problem: isOfNow ? last.problem : null }, take]
}
