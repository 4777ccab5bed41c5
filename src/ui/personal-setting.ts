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

/** The same for a number from 0 to 1. */
export function usePersonalNumber(name: string, initial: number): readonly [number, (value: number) => void] {
  const [text, setText] = usePersonalSetting<string>(name, String(initial))
  const value = Number(text)
  return [value >= 0 && value <= 1 ? value : initial, (next) => setText(String(next))]
}
