'use client'
// The shift bar: state in words with its clock and the one button that changes it, what is served, where to go.
import clsx from 'clsx'
import { DropdownMenu } from 'radix-ui'
import type { ReactNode } from 'react'
import type { AgentStateName } from '@/core/agents'
import type { CentreView, FloorView, MeView, QueueView } from '@/exchange/protocol'
import { Button, Clock } from '@/ui'
import { Navigation } from './navigation'
import { SHORTCUTS } from './shortcuts'
import { stateWords } from './state-words'

interface Props {
  readonly me: MeView
  readonly centre: CentreView
  readonly queues: readonly QueueView[]
  readonly floor: FloorView['floor']
  readonly notReadyOpen: boolean
  readonly onNotReadyOpen: (open: boolean) => void
  readonly onReady: () => void
  readonly onNotReady: (reason: string) => void
  readonly onEndShift: () => void
  readonly onStandIns: () => void
  /** The sound controls of the desk. */
  readonly sound: ReactNode
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

export function ShiftBar(props: Props) {
  const { me, centre, queues, onReady, onEndShift, onStandIns } = props
  const mine = queues.filter((q) => me.queueIds.includes(q.id))
  return (
    <header className="flex h-11 items-center gap-4 border-line-strong border-b bg-raised px-4">
      <span className="whitespace-nowrap font-semibold text-green">Loyal Switchboard</span>
      <div className="flex items-center gap-2 border-line border-l pl-4">
        <span aria-hidden className={clsx('inline-block shrink-0', MARKS[me.state])} />
        <span role="status" aria-label="Your state" className="whitespace-nowrap font-semibold text-base">
          {stateWords(me.state, me.reason)}
        </span>
        <Clock sinceMs={me.sinceMs} className="min-w-12 text-base" />
        {me.state === 'notReady' && (
          <Button tone="primary" onClick={onReady} shortcut={SHORTCUTS.state.keys}>
            Go ready
          </Button>
        )}
        {me.state === 'ready' && <NotReadyMenu {...props} />}
      </div>
      <ServedQueues mine={mine} centre={centre} />
      <div className="ml-auto flex items-center gap-3">
        {props.sound}
        <Button tone="quiet" onClick={onStandIns}>
          Stand-ins
        </Button>
        <Navigation here="desk" />
        <span className="whitespace-nowrap border-line border-l pl-3 text-soft max-xl:sr-only">{me.name}</span>
        <Button tone="quiet" onClick={onEndShift}>
          End shift
        </Button>
      </div>
    </header>
  )
}

function NotReadyMenu({ centre, notReadyOpen, onNotReadyOpen, onNotReady }: Props) {
  return (
    <DropdownMenu.Root open={notReadyOpen} onOpenChange={onNotReadyOpen} modal={false}>
      <DropdownMenu.Trigger asChild>
        <Button shortcut={SHORTCUTS.state.keys}>Go not ready</Button>
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="start"
          sideOffset={4}
          aria-label="Reason"
          className="z-30 min-w-44 rounded-sm border border-line-strong bg-raised py-1 shadow-lg"
        >
          <p className="eyebrow px-3 py-1">Why?</p>
          {chosenReasons(centre).map((reason) => (
            <DropdownMenu.Item
              key={reason}
              onSelect={() => onNotReady(reason)}
              className="cursor-pointer px-3 py-1.5 outline-none data-[highlighted]:bg-green-wash"
            >
              {reason}
            </DropdownMenu.Item>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  )
}

/** Reasons an agent may give; the floor gives some itself. */
export const chosenReasons = (centre: CentreView): readonly string[] => centre.notReadyReasons.filter((r) => !r.givenByFloor).map((r) => r.name)

function ServedQueues({ mine, centre }: { mine: readonly QueueView[]; centre: CentreView }) {
  const waiting = mine.reduce((sum, q) => sum + q.waiting, 0)
  const since = mine.map((q) => q.longestSinceMs).filter((ms) => ms !== null)
  const names = mine.map((q) => centre.queues.find((c) => c.id === q.id)?.name ?? q.id)
  return (
    <div className="flex min-w-0 items-baseline gap-2 border-line border-l pl-4 text-soft">
      <span className="truncate" title={names.join(', ')}>
        {names.length > 2 ? `${names.length} queues` : names.join(', ')}
      </span>
      <span className={clsx('whitespace-nowrap', waiting > 0 && 'font-semibold text-brass-text')}>
        · {waiting === 0 ? 'nobody waits' : waiting === 1 ? '1 waits' : `${waiting} wait`}
        {since.length > 0 && (
          <>
            , longest <Clock sinceMs={Math.min(...since)} />
          </>
        )}
      </span>
    </div>
  )
}
