'use client'
import { useOnShift, useShownNumber } from '@/parts/frame'
// Calling back whoever left a message that is nobody's work: what a queue has is called back by whoever takes it.
import type { MessageView } from '@/services/exchange/protocol'

export interface CallBack {
  readonly whyNot: (message: MessageView) => string | null
  readonly trouble: string | null
  readonly call: (message: MessageView) => Promise<void>
}

export function useCallBack(): CallBack {
  const shift = useOnShift()
  const shown = useShownNumber()
  const talks = shift !== null && ['onCall', 'internalCall', 'ringing'].includes(shift.me.state)
  const whyNot = ({ fromAgentId, number, box, work }: MessageView): string | null => {
    if (fromAgentId === null && number === null) return 'The number was withheld.'
    if (box.kind === 'queue' && work !== null) return 'It rings at an agent of the queue, who calls back from there.'
    if (shift === null) return 'Start your shift on the Desk to call from here.'
    return talks ? 'You are on a call: end it first.' : null
  }
  return {
    whyNot,
    trouble: shift?.trouble ?? null,
    call: async (message) => {
      const { fromAgentId, number, name } = message
      if (shift === null || whyNot(message) !== null) return
      if (fromAgentId !== null) await shift.give({ kind: 'callColleague', toAgentId: fromAgentId, at: 'desk' })
      else if (number !== null)
        await shift.give({
          kind: 'makeCall',
          typed: number,
          customer: name === null ? null : { name, group: '', facts: [] },
          queueId: shown?.shown.queueId ?? null,
        })
    },
  }
}
