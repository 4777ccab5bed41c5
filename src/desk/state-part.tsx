'use client'
// The state of the shift bar: in words with its clock, over its planned time where there is one, and the one button that
// changes it.
import clsx from 'clsx'
import type { AgentStateName } from '@/core/agents'
import { formatClock } from '@/core/time'
import type { CentreView, MeView } from '@/exchange/protocol'
import { Button, Clock, Menu, MenuItem, useNowMs } from '@/ui'
import { SHORTCUTS } from './shortcuts'
import { stateWords } from './state-words'

export interface StateProps {
  readonly me: MeView
  readonly centre: CentreView
  readonly notReadyOpen: boolean
  readonly onNotReadyOpen: (open: boolean) => void
  readonly onReady: () => void
  readonly onNotReady: (reason: string) => void
}

/** The mark beside the words: full while working with somebody, an outline while waiting, a bar while away. */
const MARKS: Record<AgentStateName, string> = {
  signedOut: 'h-1 w-4 bg-soft',
  notReady: 'h-1 w-4 bg-ink',
  ready: 'size-4 border-[3px] border-green',
  ringing: 'size-4 border-[3px] border-dashed border-brass',
  onCall: 'size-4 bg-green',
  wrapUp: 'h-4 w-2 bg-brass',
}

export function StatePart(props: StateProps) {
  const { me, centre, onReady } = props
  const planned = me.state === 'notReady' ? centre.notReadyReasons.find((r) => r.name === me.reason) : undefined
  return (
    <div className="flex items-center gap-2 border-line border-l pl-3">
      <span aria-hidden className={clsx('inline-block shrink-0', MARKS[me.state])} />
      <span role="status" aria-label="Your state" className="whitespace-nowrap font-semibold text-base">
        {stateWords(me.state, me.reason)}
      </span>
      <Clock sinceMs={me.sinceMs} className="min-w-12 text-base" />
      {planned !== undefined && <Planned sinceMs={me.sinceMs} plannedMs={planned.plannedMs} paid={planned.paid} />}
      {me.state === 'notReady' && (
        <Button tone="primary" onClick={onReady} shortcut={SHORTCUTS.state.keys}>
          Go ready
        </Button>
      )}
      {me.state === 'wrapUp' && me.owed.length < centre.mostOwed && (
        <Button onClick={onReady} shortcut={SHORTCUTS.state.keys} title="The outcome is owed and stays on your list">
          Go ready, code later
        </Button>
      )}
      {me.state === 'ready' && <NotReadyMenu {...props} label="Go not ready" />}
      {(me.state === 'onCall' || me.state === 'ringing') && <Afterwards {...props} />}
    </div>
  )
}

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
function Afterwards(props: StateProps) {
  const { me, onReady } = props
  if (me.afterwards.ready) return <NotReadyMenu {...props} label="Not ready after this call" />
  return (
    <>
      <span className="whitespace-nowrap text-brass-text">then {me.afterwards.reason?.toLowerCase()}</span>
      <Button onClick={onReady} shortcut={SHORTCUTS.state.keys}>
        Ready after this call
      </Button>
    </>
  )
}

function NotReadyMenu({ centre, notReadyOpen, onNotReadyOpen, onNotReady, label }: StateProps & { label: string }) {
  return (
    <Menu label="Why?" open={notReadyOpen} onOpenChange={onNotReadyOpen} trigger={<Button shortcut={SHORTCUTS.state.keys}>{label}</Button>}>
      {centre.notReadyReasons.map(
        ({ name, paid, plannedMs, givenByFloor }) =>
          !givenByFloor && (
            <MenuItem key={name} onSelect={() => onNotReady(name)}>
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
