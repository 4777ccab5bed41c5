'use client'
// Help with a call: what became of one's own asking, and for whoever answers for the floor who asks, before anything else and on every page.
import type { AgentId } from '@/core/ids'
import { HELP_WANTED } from '@/parts/sound'
import { Button, Clock, nameIn } from '@/parts/ui'
import { useCommand, useSeen } from '@/services/exchange/react'
import { useCadence } from './cadence'
import { Line } from './line'
import type { OnShift } from './on-shift'
import { useReminderVolume } from './volumes'

const LOUDEST = 0.12

/** Of one's own. */
export function HelpAsked({ me, give }: Pick<OnShift, 'me' | 'give'>) {
  const seats = useSeen((view) => (me.help === null ? NOBODY : view.seats)) ?? NOBODY
  if (me.help === null) return null
  const { takenBy, sinceMs, emergency } = me.help
  return (
    <Line label="Help asked for">
      <span className="min-w-0 flex-1 truncate">
        {takenBy === null ? (
          <>
            {emergency === null ? 'You asked for help.' : `Whoever supervises was told that you call ${emergency}.`} Nobody has come yet,{' '}
            <Clock sinceMs={sinceMs} />
          </>
        ) : (
          <>
            <strong>{nameIn(seats, takenBy)}</strong> sees to it.
          </>
        )}
      </span>
      <Button className="!h-6" onClick={() => void give({ kind: 'dropHelp' })}>
        {takenBy === null ? 'No help needed' : 'Put it away'}
      </Button>
    </Line>
  )
}

/** Of others, for who supervises; with or without a shift of their own. */
export function HelpWanted({ accountId }: { accountId: AgentId }) {
  const command = useCommand()
  const watched = useSeen((view) => view.watched) ?? NOBODY
  const asking = watched.filter((w) => w.help !== null && w.help.takenBy === null && w.id !== accountId)
  const seats = useSeen((view) => (asking.length === 0 ? NOBODY : view.seats)) ?? NOBODY
  const isHere = useSeen(({ me }) => me !== null) === true
  const [volume] = useReminderVolume()
  useCadence(HELP_WANTED, asking.length > 0, LOUDEST * volume)
  return asking.map(({ id, with: caller, help, onCallId }) => {
    const name = nameIn(seats, id)
    const says = help?.emergency == null ? `asks for help with ${caller ?? 'a call'}` : `calls ${help.emergency}, the emergency services`
    return (
      <Line key={id} label={`${name} ${help?.emergency == null ? 'asks for help' : 'calls the emergency services'}`} alert>
        <span className="min-w-0 flex-1 truncate" title={`${name} ${says}`}>
          <strong>{name}</strong> {says} <Clock sinceMs={help?.sinceMs ?? 0} className="ml-1" />
        </span>
        {isHere && onCallId !== null && (
          <Button
            className="!h-6"
            tone="primary"
            aria-label={`Listen to ${name}`}
            onClick={() => void command({ kind: 'takeRole', callId: onCallId, besideId: id, role: 'listens' })}
          >
            Listen
          </Button>
        )}
        <Button className="!h-6" onClick={() => void command({ kind: 'takeHelp', toAgentId: id })}>
          I see to it
        </Button>
      </Line>
    )
  })
}

const NOBODY = [] as const
