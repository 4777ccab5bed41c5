'use client'
// A small choice of the agent's own that outlives the call: kept in this browser, forgotten with it.
import { useState } from 'react'

export function usePersonalSetting<T extends string>(name: string, initial: T): readonly [T, (value: T) => void] {
  const key = `setting ${name}`
  const [value, setValue] = useState<T>(() => (localStorage.getItem(key) as T | null) ?? initial)
  const set = (next: T) => {
    localStorage.setItem(key, next)
    setValue(next)
  }
  return [value, set]
}
