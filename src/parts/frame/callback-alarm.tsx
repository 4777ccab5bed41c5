'use client'
// Callbacks whose time has come: a line on the desk for as long as they are due, a soft sign when one becomes due, and the call one
// press away. Mine, and those nobody has made that any agent of their queue may make.
import { useMemo } from 'react'
import type { Ask } from '@/core/floor'
import { MINUTE } from '@/core/time'
import { HELD_TOO_LONG } from '@/parts/sound'
import { Button, Clock, inZone, useNowMs } from '@/parts/ui'
import { callerWords, memoInWords } from '@/parts/words'
import { floorNow } from '@/services/exchange/floor-time'
import type { CallbackView, MeView } from '@/services/exchange/protocol'
import { useCommand, useSeen } from '@/services/exchange/react'
import { useCadence } from './cadence'
import { useReminderVolume } from './volumes'

const LOUDEST = 0.1
/** The sign is given for this long after the time, then the line alone speaks. */
const SOUNDS_FOR_MS = 12_000
const LATER_MS = 10 * MINUTE

/** Due ones an agent is asked for: their own, and what has escalated in a queue they serve. */
export const dueFor = (me: Pick<MeView, 'id' | 'queueIds'>, callbacks: readonly CallbackView[], nowMs: number): readonly CallbackView[] =>
  callbacks.filter(
    (c) =>
      c.dialledBy === null &&
      c.dueAtMs <= nowMs &&
      (c.ownerId === me.id || (c.escalatedAtMs !== null && (c.queueId === null || me.queueIds.includes(c.queueId)))),
  )

export const useDueCount = (me: MeView, callbacks: readonly CallbackView[]): number => dueFor(me, callbacks, useNowMs()).length

interface Props {
  readonly me: MeView
  readonly give: (ask: Ask) => Promise<boolean>
}

export const CallbackAlarm = memoInWords(function CallbackAlarm({ me, give }: Props) {
  const callbacks = useSeen((view) => view.callbacks) ?? NONE
  const timeZone = useSeen((view) => view.centre.timeZone) ?? 'UTC'
  const now = useNowMs()
  const [volume] = useReminderVolume()
  const command = useCommand()
  const due = useMemo(() => dueFor(me, callbacks, now), [me, callbacks, now])
  const [first] = due
  const talks = me.state === 'onCall' || me.state === 'internalCall' || me.state === 'ringing'
  useCadence(HELD_TOO_LONG, first !== undefined && !talks && now - first.dueAtMs < SOUNDS_FOR_MS && me.soundPath !== 'none', LOUDEST * volume)
  // Who talks is told of their own promises alone: what is anybody's can wait, and is counted in the bar.
  if (first === undefined || (talks && first.ownerId !== me.id)) return null
  // Hours of days ago say nothing: then the day does.
  const isToday = inZone(first.dueAtMs, timeZone, 'yyyy-MM-dd') === inZone(now, timeZone, 'yyyy-MM-dd')
  const later = () =>
    void command({
      kind: 'moveCallback',
      callbackId: first.id,
      dueAtMs: floorNow() + LATER_MS,
      timeZone: first.timeZone,
      why: 'Put off on the desk',
    })
  return (
    <section aria-label="Callback due" className="flex min-h-8 items-center gap-3 border-brass border-l-4 bg-brass-wash px-4 py-0.5 text-brass-text">
      <span className="min-w-0 truncate">
        <strong>{first.escalatedAtMs === null ? 'Callback due' : 'Callback missed'}:</strong> {callerWords(first.name, first.number, '')},{' '}
        {isToday ? (
          <>
            {inZone(first.dueAtMs, timeZone, 'HH:mm')}, <Clock sinceMs={first.dueAtMs} /> ago
          </>
        ) : (
          inZone(first.dueAtMs, timeZone, 'EEE d MMM, HH:mm')
        )}
        {first.note !== '' && ` · ${first.note}`}
        {due.length > 1 && ` · ${due.length - 1} more`}
      </span>
      <Button
        className="!h-6"
        disabled={talks}
        title={talks ? 'After this call' : undefined}
        onClick={() => void give({ kind: 'makeCall', typed: '', customer: null, callbackId: first.id })}
      >
        Call now
      </Button>
      <Button tone="quiet" className="!h-6" onClick={later}>
        In 10 minutes
      </Button>
    </section>
  )
})

const NONE: readonly CallbackView[] = []
