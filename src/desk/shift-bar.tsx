'use client'
// The shift bar: state in words with its clock and the one button that changes it, what is served, sound, where to go. What must
// not be forgotten (a diversion, sound that is lost or missing) stands in a line of its own for as long as it lasts.
import clsx from 'clsx'
import type { ReactNode } from 'react'
import type { AgentCommand } from '@/core/floor'
import type { CentreView, QueueView } from '@/exchange/protocol'
import { Button, Clock, nameIn } from '@/ui'
import { Navigation } from './navigation'
import { StatePart, type StateProps } from './state-part'
import { diversionWords } from './state-words'

interface Props extends StateProps {
  readonly queues: readonly QueueView[]
  readonly give: (command: AgentCommand) => Promise<boolean>
  readonly onEndShift: () => void
  readonly onStandIns: () => void
  /** The sound controls of the desk. */
  readonly sound: ReactNode
  readonly presence: ReactNode
  /** Callbacks the agent is asked for at this moment. */
  readonly due: number
  /** Outcomes that are owed, where there are any. */
  readonly owed: ReactNode
}

export function ShiftBar(props: Props) {
  const { me, centre, queues, onEndShift, onStandIns } = props
  const mine = queues.filter((q) => me.queueIds.includes(q.id))
  return (
    <header className="border-line-strong border-b bg-raised">
      <div className="flex h-11 items-center gap-2 px-4">
        <span className="whitespace-nowrap font-semibold text-green">Loyal Switchboard</span>
        <StatePart {...props} />
        {props.owed}
        <ServedQueues mine={mine} centre={centre} />
        <div className="ml-auto flex shrink-0 items-center gap-2">
          {props.sound}
          {props.presence}
          <Button tone="quiet" className="!px-1" onClick={onStandIns}>
            Stand-ins
          </Button>
          <Navigation here="desk" counts={{ callbacks: props.due }} />
          <Button tone="quiet" className="!px-1" onClick={onEndShift}>
            End shift
          </Button>
        </div>
      </div>
      <Lasting {...props} />
    </header>
  )
}

/** Reasons an agent may give; the floor gives some itself. */
export const chosenReasons = (centre: CentreView): readonly string[] => centre.notReadyReasons.filter((r) => !r.givenByFloor).map((r) => r.name)

function Lasting({ me, give }: Props) {
  const { soundLost, soundPath, diversion } = me
  return (
    <>
      {soundLost !== null && (
        <Line tone="loss" label="Sound lost">
          <span>
            <strong>Your sound is lost</strong> for <Clock sinceMs={soundLost.sinceMs} />: {soundLost.why} Whoever you were talking with hears music. It is
            tried again by itself; another path is under Sound.
          </span>
        </Line>
      )}
      {soundPath === 'none' && (
        <Line tone="brass" label="No sound">
          <span>
            <strong>You work without sound:</strong> nobody hears you, and you hear nobody. Take a path under Sound when you can.
          </span>
        </Line>
      )}
      {diversion !== null && (
        <Line tone="brass" label="Diversion">
          <span>{diversionWords(diversion)}</span>
          <Button className="!h-6" onClick={() => void give({ kind: 'setDiversion', agentId: me.id, to: null })}>
            End diversion
          </Button>
        </Line>
      )}
    </>
  )
}

function Line({ tone, label, children }: { tone: 'loss' | 'brass'; label: string; children: ReactNode }) {
  const look = tone === 'loss' ? 'border-red bg-red-wash text-red' : 'border-brass bg-brass-wash text-brass-text'
  return (
    <section role={tone === 'loss' ? 'alert' : undefined} aria-label={label} className={clsx('flex min-h-8 items-center gap-3 border-l-4 px-4 py-0.5', look)}>
      {children}
    </section>
  )
}

function ServedQueues({ mine, centre }: { mine: readonly QueueView[]; centre: CentreView }) {
  const waiting = mine.reduce((sum, q) => sum + q.waiting, 0)
  const since = mine.map((q) => q.longestSinceMs).filter((ms) => ms !== null)
  const names = mine.map((q) => nameIn(centre.queues, q.id))
  return (
    <div className="min-w-0 shrink truncate border-line border-l pl-3 text-soft">
      <span title={names.join(', ')}>{names.length > 1 ? `${names.length} queues` : names.join(', ')} </span>
      <span className={clsx(waiting > 0 && 'font-semibold text-brass-text')}>
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
