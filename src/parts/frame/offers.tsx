'use client'
// Chats, mails and texts that are offered: a line each, said once and sounded once by channel if the agent likes; the focus stays where it is.
import { useEffect, useRef } from 'react'
import type { WorkId } from '@/core/ids'
import { KNOCKS, play } from '@/parts/sound'
import { Button, Clock, nameIn, usePersonalSetting } from '@/parts/ui'
import { CHANNEL_WORDS, listed, threadName, useNumberWords } from '@/parts/words'
import type { ThreadView } from '@/services/exchange/protocol'
import { useSeen } from '@/services/exchange/react'
import { Line } from './line'
import type { OnShift } from './on-shift'
import { SHORTCUTS, useShortcuts } from './shortcuts'
import { RING_LOUDNESS } from './volumes'

/** Whether new pieces of a channel are heard, as this agent likes it. */
export const useKnocks = (channel: ThreadView['channel']) => usePersonalSetting<'on' | 'off'>(`sound of a new ${channel}`, 'on')

type Props = Pick<OnShift, 'me' | 'threads' | 'give' | 'setCoding' | 'volumes'>

export function Offers({ me, threads, give, setCoding, volumes }: Props) {
  const queues = useSeen(({ centre }) => centre.queues) ?? NONE
  const offered = threads.filter((t) => t.state === 'offered' && t.agentId === me.id)
  const take = async (id: WorkId) => {
    if (await give({ kind: 'takeThread', threadId: id })) setCoding(id)
  }
  const [first] = offered
  const written = useNumberWords()
  useShortcuts(first === undefined ? {} : { take: () => void take(first.id) })
  useKnock(offered, volumes.ring)
  const askedIn = threads.filter((t) => t.askedIn.includes(me.id)).map(threadName)
  return (
    <>
      <p role="status" className="sr-only">
        {askedIn.length === 0 ? '' : `You are asked in to what is written with ${listed(askedIn)}.`}
      </p>
      {offered.map((thread) => (
        <Line key={thread.id} label={`${CHANNEL_WORDS[thread.channel]} from ${threadName(thread)}`} alert>
          <span className="eyebrow shrink-0">{CHANNEL_WORDS[thread.channel]}</span>
          <span className="min-w-0 flex-1 truncate" title={thread.lines.at(-1)?.text.slice(0, 500)}>
            <strong>{threadName(thread)}</strong> for {nameIn(queues, thread.queueId)}
            {thread.keptFor !== null && ` left the chat and kept their place: taking it calls ${written(thread.keptFor)}`}: “
            {thread.lines.findLast((l) => !l.aside)?.text.slice(0, 200)}”
          </span>
          <Clock sinceMs={thread.sinceMs} />
          <Button className="!h-6" tone="primary" {...(thread === first ? { shortcut: SHORTCUTS.take.keys } : {})} onClick={() => void take(thread.id)}>
            {thread.keptFor === null ? 'Take' : 'Take and call'}
          </Button>
          <Button className="!h-6" onClick={() => void give({ kind: 'declineThread', threadId: thread.id })}>
            Decline
          </Button>
        </Line>
      ))}
    </>
  )
}

const NONE = [] as const

/** Each is heard once. */
function useKnock(offered: readonly ThreadView[], volume: number): void {
  const heard = useRef(new Set<string>())
  const wants = { chat: useKnocks('chat')[0], mail: useKnocks('mail')[0], text: useKnocks('text')[0] }
  useEffect(() => {
    for (const { id, channel, sinceMs } of offered) {
      const offer = `${id} ${sinceMs}`
      if (heard.current.has(offer)) continue
      heard.current.add(offer)
      // A browser that plays nothing yet stays silent, which the sound control says.
      if (wants[channel] === 'on') void play(KNOCKS[channel], RING_LOUDNESS * volume)
    }
  })
}
