'use client'
// Calling back whoever a row of the log is about: a colleague at their desk, anybody else at their number.
import type { Ask } from '@/core/floor'
import { useOnShift, useShownNumber } from '@/parts/frame'
import type { LogRow } from '@/services/history/client'

export function useCallBack() {
  const shift = useOnShift()
  const shown = useShownNumber()
  const talks = shift !== null && ['onCall', 'internalCall', 'ringing'].includes(shift.me.state)
  const whyNot = (row: LogRow): string | null => {
    if (askOf(row) === null) return 'The number was withheld.'
    if (shift === null) return 'Start your shift on the Desk to call from here.'
    return talks ? 'You are on a call: bring others to it with Transfer or Conference.' : null
  }
  return {
    whyNot,
    trouble: shift?.trouble ?? null,
    callBack: async (row: LogRow): Promise<boolean> => {
      const ask = askOf(row)
      if (ask?.kind === 'makeCall') return shift === null || whyNot(row) !== null ? false : shift.give({ ...ask, queueId: shown?.shown.queueId ?? null })
      return shift === null || ask === null || whyNot(row) !== null ? false : shift.give(ask)
    },
  }
}

function askOf({ direction, withAgentId, number, name }: LogRow): Ask | null {
  if (direction === 'internal') return withAgentId === null ? null : { kind: 'callColleague', toAgentId: withAgentId, at: 'desk' }
  return number === null ? null : { kind: 'makeCall', typed: number, customer: name === null ? null : { name, group: '', facts: [] } }
}
