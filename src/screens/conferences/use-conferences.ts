'use client'
// Conferences the account has to do with, asked for anew whenever one changes anywhere.
import type { ConferencesPage } from '@/services/exchange/protocol'
import { useAnswer, useSeen } from '@/services/exchange/react'

/** null until the floor has answered. */
export const useConferences = (): ConferencesPage | null =>
  useAnswer<ConferencesPage>(
    { kind: 'conferences' },
    useSeen((view) => view.conferences.revision),
  )
