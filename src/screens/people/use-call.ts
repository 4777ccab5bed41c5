'use client'
// Calling somebody of the list: from here while on shift with no call on, and why not otherwise.
import type { Ask } from '@/core/floor'
import { useOnShift, useShownNumber } from '@/parts/frame'
import type { PersonView } from '@/services/exchange/people'
import { callOf } from './person'

export function useCall() {
  const shift = useOnShift()
  const shown = useShownNumber()
  const talks = shift !== null && ['onCall', 'internalCall', 'ringing'].includes(shift.me.state)
  const why =
    shift === null ? 'Start your shift on the Desk to call from here.' : talks ? 'You are on a call: bring others to it with Transfer or Conference.' : null
  const give = async (ask: Ask | null): Promise<boolean> => (shift === null || ask === null || why !== null ? false : shift.give(ask))
  return {
    why,
    trouble: shift?.trouble ?? null,
    give,
    call: (person: PersonView, number?: string) => give(callOf(person, shown?.shown.queueId ?? null, number)),
  }
}
