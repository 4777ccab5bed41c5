'use client'
// How numbers that are typed are read, as it becomes known: drawn anew with each answer.
import { useSyncExternalStore } from 'react'
import { numbers } from '@/services/exchange/numbers'

export function useNumberReader(): typeof numbers.read {
  useSyncExternalStore(numbers.subscribe, numbers.writer, numbers.writer)
  return numbers.read
}
