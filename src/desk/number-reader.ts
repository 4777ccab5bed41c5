'use client'
// Number metadata is large and needed only here and there: it is fetched once the desk has come to rest.
import { useEffect, useState } from 'react'
import type { NumberReading } from '@/core/directory'

type ReadNumber = (typed: string, homeCountry: string) => NumberReading

export function useNumberReader(): ReadNumber | null {
  const [read, setRead] = useState<ReadNumber | null>(null)
  useEffect(() => {
    let alive = true
    void import('@/core/directory').then((m) => alive && setRead(() => m.readNumber))
    return () => {
      alive = false
    }
  }, [])
  return read
}
