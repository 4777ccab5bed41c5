'use client'
// Long lists draw what is looked at; on paper they draw what they hold. The browser lays the paper out right after it has said so.
import { useEffect, useState } from 'react'
import { flushSync } from 'react-dom'

export function useIsPrinting(): boolean {
  const [isPrinting, setIsPrinting] = useState(false)
  useEffect(() => {
    const paper = matchMedia('print')
    const tell = (prints: boolean) => flushSync(() => setIsPrinting(prints))
    const [before, after, change] = [() => tell(true), () => tell(false), () => tell(paper.matches)]
    window.addEventListener('beforeprint', before)
    window.addEventListener('afterprint', after)
    paper.addEventListener('change', change)
    return () => {
      window.removeEventListener('beforeprint', before)
      window.removeEventListener('afterprint', after)
      paper.removeEventListener('change', change)
    }
  }, [])
  return isPrinting
}
