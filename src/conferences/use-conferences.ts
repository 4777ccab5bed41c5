'use client'
// Conferences the account has to do with, asked for anew whenever one changes anywhere.
import type { ConferencesPage } from '@/exchange/protocol'
import { useAnswer, useSeen } from '@/exchange/react'

/** null until the floor has answered. */
export const useConferences = (): ConferencesPage | null =>
  useAnswer<ConferencesPage>(
    { kind: 'conferences' },
    useSeen((view) => view.conferences.revision),
  )
