'use client'
// Telephone numbers as their country writes them; until that is known a number stands as it is kept.
import { type ComponentType, createElement, memo, useSyncExternalStore } from 'react'
import { numbers } from '@/services/exchange/numbers'

type Write = (e164: string) => string

/** For sentences that are put together outside a component; who shows them follows `useNumberWords`. */
export const numberWords: Write = (e164) => numbers.writer()(e164)

export const useNumberWords = (): Write => useSyncExternalStore(numbers.subscribe, numbers.writer, asKeptOnServer)

const asKept: Write = (e164) => e164
const asKeptOnServer = () => asKept

/** Who somebody is: by name, by number, or in these words. */
export const callerWords = (name: string | null | undefined, number: string | null | undefined, otherwise: string): string =>
  name ?? (number == null ? otherwise : numberWords(number))

/** Renders anew when its own props change, and when numbers come to be written differently: not whenever whoever shows it does. */
export const memoInWords = <P extends object>(Part: ComponentType<P>) =>
  memo(function InWords(props: P) {
    useNumberWords()
    return createElement(Part, props)
  })
