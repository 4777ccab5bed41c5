'use client'
// The mailboxes this account may open, asked for anew whenever a message or a greeting changes anywhere.
import type { MessagesPage } from '@/services/exchange/protocol'
import { useAnswer, useSeen } from '@/services/exchange/react'

/** null until the floor has answered. */
export const useMessages = (): MessagesPage | null =>
  useAnswer<MessagesPage>(
    { kind: 'messages' },
    useSeen((view) => view.voicemail.revision),
  )
