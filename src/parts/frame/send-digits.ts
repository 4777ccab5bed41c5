'use client'
// Keypad digits leave the desk twice over, as on a telephone: the floor notes that they were pressed, and the tones
// themselves go down the line, where whoever hears the agent may make something of them.
import { useCallback } from 'react'
import type { CallId } from '@/core/ids'
import { dtmfSamples } from '@/core/tones'
import { playSamples } from '@/parts/sound'
import { useCommand, useFloor, useSeen } from '@/services/exchange/react'

/** Resolves with the sentence of a refusal; null when the tones have gone out. */
export function useSendDigits(): (callId: CallId, digits: string) => Promise<string | null> {
  const command = useCommand()
  const floor = useFloor()
  const agentId = useSeen(({ me }) => me?.id)
  return useCallback(
    async (callId, digits) => {
      if (agentId == null) return 'You are not on shift. Start your shift first.'
      const reply = await command({ kind: 'sendDigits', callId, digits })
      if (!reply.ok) return `${reply.refusal.says} ${reply.refusal.next}`
      const samples = dtmfSamples(digits)
      playSamples(samples)
      await floor?.ask({ kind: 'lineSound', callId, samples })
      return null
    },
    [command, floor, agentId],
  )
}
