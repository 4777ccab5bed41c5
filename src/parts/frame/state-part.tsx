'use client'
// The state of the shift bar: in words with its clock, over its planned time where there is one, and the one button that
// changes it.
import clsx from 'clsx'
import { format } from 'date-fns'
import { memo } from 'react'
import type { AgentStateName } from '@/core/agents'
import { formatClock } from '@/core/time'
import { Button, Clock, Menu, MenuItem, useNowMs } from '@/parts/ui'
import { stateWords } from '@/parts/words'
import { useSeen } from '@/services/exchange/react'
import type { OnShift } from './on-shift'
import { SHORTCUTS } from './shortcuts'

/** The mark beside the words: full while working with somebody, an outline while waiting, a bar while away. */
const MARKS: Record<AgentStateName, string> = {
  signedOut: 'h-1 w-4 bg-soft',
  notReady: 'h-1 w-4 bg-ink',
  ready: 'size-4 border-[3px] border-green',
  ringing: 'size-4 border-[3px] border-dashed border-brass',
  onCall: 'size-4 bg-green',
  internalCall: 'size-4 border-[4px] border-double border-sea',
  listening: 'size-4 border-[4px] border-dotted border-sea',
  writing: 'size-4 rounded-full bg-sea',
  wrapUp: 'h-4 w-2 bg-brass',
}

type Props = Pick<OnShift, 'me' | 'give' | 'notReadyOpen' | 'setNotReadyOpen'>

export const StatePart = memo(function StatePart(shift: Props) {
  const { me, give } = shift
  const reasons = useSeen(({ centre }) => centre.notReadyReasons) ?? []
  const mostOwed = useSeen(({ centre }) => centre.mostOwed) ?? 0
  const onReady = () => void give({ kind: 'goReady' })
  const planned = me.state === 'notReady' ? reasons.find((r) => r.name === me.reason) : undefined
  return (
    <div className="flex min-w-0 flex-wrap items-center gap-x-2 gap-y-1">
      <span aria-hidden className={clsx('inline-block shrink-0', MARKS[me.state])} />
      {/* Changes are announced by the board in words; said here as well they would be heard twice. */}
      <span role="status" aria-live="off" aria-label="Your state" className="whitespace-nowrap font-semibold text-base">
        {stateWords(me.state, me.reason)}
      </span>
      <Clock sinceMs={me.sinceMs} className="min-w-12 text-base" />
      {planned !== undefined && <Planned sinceMs={me.sinceMs} plannedMs={planned.plannedMs} paid={planned.paid} />}
      {me.state === 'notReady' && (
        <Button tone="primary" onClick={onReady} shortcut={SHORTCUTS.state.keys}>
          Go ready
        </Button>
      )}
      {me.state === 'wrapUp' && me.owed.length < mostOwed && (
        <Button onClick={onReady} shortcut={SHORTCUTS.state.keys} title="The outcome is owed and stays on your list">
          Go ready, code later
        </Button>
      )}
      {(me.state === 'ready' || me.state === 'writing') && me.leaving === null && <NotReadyMenu {...shift} label="Go not ready" />}
      {me.leaving !== null && (
        <>
          <span className="whitespace-nowrap text-brass-text">{me.leaving.toLowerCase()} after who is on the way</span>
          <Button onClick={onReady} shortcut={SHORTCUTS.state.keys}>
            Stay ready
          </Button>
        </>
      )}
      {(me.state === 'onCall' || me.state === 'internalCall' || me.state === 'ringing') && <Afterwards {...shift} />}
      <ShiftMenu {...shift} />
    </div>
  )
})

/** How long the reason is meant to take, and by how much it is over: by word, weight and colour. */
function Planned({ sinceMs, plannedMs, paid }: { sinceMs: number; plannedMs: number | null; paid: boolean }) {
  const now = useNowMs()
  const overMs = plannedMs === null ? 0 : now - sinceMs - plannedMs
  if (overMs > 0)
    return (
      <span className="whitespace-nowrap border border-red bg-red-wash px-1.5 font-semibold text-red">
        over by <span className="tabular">{formatClock(overMs)}</span>
      </span>
    )
  return (
    <span className="whitespace-nowrap text-soft">
      {plannedMs !== null && (
        <>
          of <span className="tabular">{formatClock(plannedMs)}</span>,{' '}
        </>
      )}
      {paid ? 'paid' : 'unpaid'}
    </span>
  )
}

/** During a call: what follows it. */
function Afterwards(shift: Props) {
  const { me, give } = shift
  if (me.afterwards.ready) return <NotReadyMenu {...shift} label="Not ready after this call" />
  return (
    <>
      <span className="whitespace-nowrap text-brass-text">then {me.afterwards.reason?.toLowerCase()}</span>
      <Button onClick={() => void give({ kind: 'goReady' })} shortcut={SHORTCUTS.state.keys}>
        Ready after this call
      </Button>
    </>
  )
}

function NotReadyMenu({ me, give, notReadyOpen, setNotReadyOpen, label }: Props & { readonly label: string }) {
  const reasons = useSeen(({ centre }) => centre.notReadyReasons) ?? []
  return (
    <Menu
      label={me.awaited ? 'Somebody is on the way to you and comes first. Then why?' : 'Why?'}
      open={notReadyOpen}
      onOpenChange={setNotReadyOpen}
      trigger={<Button shortcut={SHORTCUTS.state.keys}>{label}</Button>}
    >
      {reasons.map(
        ({ name, paid, plannedMs, givenByFloor }) =>
          !givenByFloor && (
            <MenuItem key={name} onSelect={() => void give({ kind: 'goNotReady', reason: name })}>
              <span className="flex justify-between gap-6">
                {name}
                <span className="text-soft">
                  {plannedMs !== null && <span className="tabular">{formatClock(plannedMs)} </span>}
                  {paid ? 'paid' : 'unpaid'}
                </span>
              </span>
            </MenuItem>
          ),
      )}
    </Menu>
  )
}

/** Everything about the shift that is not pressed every minute: its end is here, and beside nothing. */
function ShiftMenu({ me, give }: Props) {
  return (
    <Menu
      label={`On shift since ${format(me.shiftStartedAtMs, 'HH:mm')}`}
      trigger={
        <Button tone="quiet" className="!px-1">
          Shift
        </Button>
      }
    >
      <MenuItem onSelect={() => void give({ kind: 'endShift' })}>End shift</MenuItem>
    </Menu>
  )
}
