'use client'
// Light or dark: as the system has it, or as somebody likes it in this browser.
import { useEffect } from 'react'
import { usePersonalSetting } from './personal-setting'

export const LOOKS = ['system', 'light', 'dark'] as const
export type Looks = (typeof LOOKS)[number]

export const useLooks = () => usePersonalSetting<Looks>('looks', 'system')

/** Says it to the style sheet, on every page. */
export function LooksOfPage() {
  const [looks] = useLooks()
  useEffect(() => {
    document.documentElement.dataset.looks = looks
  }, [looks])
  return null
}
