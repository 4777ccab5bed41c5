'use client'
// The board: who hears whom, drawn as cords. A row a line; what is parked below; one line of words when nothing is on.
import { useMemo } from 'react'
import type { Target } from '@/core/calls'
import type { Ask } from '@/core/floor'
import type { CallId } from '@/core/ids'
import { MISSED_RING } from '@/core/set-up'
import type { Work } from '@/core/work'
import { SHORTCUTS } from '@/parts/frame'
import { Button, Clock, nameIn, useNowMs } from '@/parts/ui'
import { callerWords, describeAfter, memoInWords, nameOf, othersOn, stateWords } from '@/parts/words'
import type { CallView, CentreView, MeView } from '@/services/exchange/protocol'
import { useSeen } from '@/services/exchange/react'
import { BoardProvider, useBoard, usePreview } from './board-context'
import type { Panel } from './call-actions'
import { CallRow, lineOf } from './call-row'
import { Keypad } from './keypad'
import { ParkedStrip } from './parked-strip'
import { Picker } from './picker'

export interface OpenPanel {
  readonly callId: CallId
  readonly panel: Exclude<Panel, null>
  /** Whom it is about, when they were dropped on the line or found in the dial line. */
  readonly target?: Target
}

interface Props {
  readonly me: MeView
  readonly centre: CentreView
  readonly calls: readonly CallView[]
  readonly work: readonly Work[]
  readonly give: (command: Ask) => Promise<boolean>
  readonly panel: OpenPanel | null
  readonly onPanel: (panel: OpenPanel | null) => void
  readonly problem: string | null
  /** The line somebody is being dragged over. */
  readonly over: CallId | null
}

export const Board = memoInWords(function Board({ me, centre, calls, work, give, panel, onPanel, problem, over }: Props) {
  // With nobody on, nobody's name is asked for.
  const seats = useSeen((view) => (calls.length === 0 ? NOBODY : view.seats)) ?? NOBODY
  const { shown, startPreview, endPreview } = usePreview()
  const names = { me, seats, centre }
  const tools = useMemo(() => ({ me, centre, seats, give, startPreview, endPreview }), [me, centre, seats, give, startPreview, endPreview])
  return (
    <BoardProvider value={tools}>
      <section aria-label="Board" className="@container relative shrink-0 border-line-strong border-b bg-paper px-4">
        {calls.length === 0 ? (
          <IdleLine me={me} centre={centre} work={work} />
        ) : (
          <ul className="max-h-[50vh] divide-y divide-line overflow-auto max-lg:max-h-none">
            {calls.map((view) => (
              <CallRow
                key={view.call.id}
                view={view}
                isOver={over === lineOf(view.call)}
                after={shown?.views.find((v) => v.call.id === view.call.id)}
                work={work.find((c) => c.id === view.call.id)}
                silenced={work.find((w) => w.id === view.call.workId)?.ringSilenced ?? view.call.hushed}
                firstName={firstNameOf(view, calls, names)}
                consulting={calls.some((v) => v.call.consultFor === view.call.id && v.call.connections.every((c) => c.state !== 'failed'))}
                panel={panel?.callId === view.call.id ? panel.panel : null}
                onPanel={(next) => onPanel(next === null ? null : { callId: view.call.id, panel: next })}
                onTryNext={() => view.call.consultFor !== null && onPanel({ callId: view.call.consultFor, panel: 'transfer' })}
              />
            ))}
          </ul>
        )}
        <ParkedStrip />
        {panel !== null && <OpenedPanel calls={calls} panel={panel} onClose={() => onPanel(null)} />}
        {shown !== null && (
          // Over the edge of the board, so that nothing below moves while the pointer goes from button to button.
          <p role="status" aria-label="What would happen" className="absolute right-4 -bottom-3 z-30 border border-ink bg-ink px-3 py-1 text-on-fill">
            {describeAfter(shown.views, names)}
          </p>
        )}
        {problem !== null && (
          <p role="alert" className="mb-2 border-red border-l-4 pl-2 text-red">
            {problem}
          </p>
        )}
      </section>
    </BoardProvider>
  )
})

const NOBODY = [] as const

/** Opens over what lies below the board, so that no line and no field moves under the agent's hand. */
function OpenedPanel({ calls, panel, onClose }: { calls: readonly CallView[]; panel: OpenPanel; onClose: () => void }) {
  const { me } = useBoard()
  const view = calls.find((v) => v.call.id === panel.callId)
  if (view === undefined) return null
  const received = othersOn(view, me.id).flatMap((c) => (c.received === '' ? [] : [c.received]))
  return (
    <div className="absolute inset-x-4 top-full z-20">
      {panel.panel === 'keypad' ? (
        <Keypad key={panel.callId} callId={panel.callId} received={received} onClose={onClose} />
      ) : (
        <Picker key={`${panel.callId} ${panel.panel}`} callId={panel.callId} use={panel.panel} target={panel.target ?? null} onClose={onClose} />
      )}
    </div>
  )
}

/** Who is on the line a consult is about, by the name they are spoken to. */
function firstNameOf({ call }: CallView, calls: readonly CallView[], names: Parameters<typeof nameOf>[1]): string {
  const first = calls.find((v) => v.call.id === call.consultFor)
  const others = first === undefined ? [] : othersOn(first, names.me.id)
  return others.length === 1 && others[0] !== undefined ? nameOf(others[0].party, names) : 'the others'
}

/** The outcome saved a moment ago, for as long as it can be taken back. */
function SavedLately({ me, takeBackMs }: { me: MeView; takeBackMs: number }) {
  const now = useNowMs()
  const { give } = useBoard()
  if (me.lately === null || now - me.lately.savedAtMs >= takeBackMs) return null
  const { callId, savedAtMs } = me.lately
  return (
    <span className="flex items-center gap-2">
      <span>
        Outcome saved. For <span className="tabular">{Math.max(1, Math.ceil((savedAtMs + takeBackMs - now) / 1000))}</span> s:
      </span>
      <Button shortcut={SHORTCUTS.undo.keys} onClick={() => void give({ kind: 'takeBackOutcome', callId })}>
        Undo
      </Button>
    </span>
  )
}

/** One line when nothing is on: what the desk waits for, or what it still owes. */
function IdleLine({ me, centre, work }: Pick<Props, 'me' | 'centre' | 'work'>) {
  const waiting = useSeen((view) => view.queues.reduce((sum, q) => (me.queueIds.includes(q.id) ? sum + q.waiting : sum), 0)) ?? 0
  const owed = me.wrapUp === null ? undefined : work.find((c) => c.id === me.wrapUp?.callId)
  const served = [...(me.campaignId === null ? [] : [nameIn(centre.campaigns, me.campaignId)]), ...me.queueIds.map((id) => nameIn(centre.queues, id))]
  return (
    <p className="flex min-h-12 flex-wrap items-center gap-2">
      <span aria-hidden className="inline-block size-3 rounded-full border-2 border-ink bg-raised" />
      <span className="font-semibold">No call.</span>
      {owed !== undefined && (
        <span>
          {owed.endedAtMs === null ? 'You have left the call with ' : 'The call with '}
          <strong>{callerWords(owed.customer?.name, owed.number, 'a withheld number')}</strong>
          {owed.endedAtMs === null ? '; your part of it needs an outcome.' : ' has ended; outcome needed.'}
        </span>
      )}
      {owed === undefined && me.state === 'ready' && (
        <span>
          Waiting for the next call from {listedOr(served)}.{waiting > 0 && ` ${waiting} waiting, being handed out.`}
        </span>
      )}
      {owed === undefined && me.state === 'notReady' && me.reason === MISSED_RING && (
        <strong className="text-brass-text">A call rang here and was not answered in time. It went on, and you are not ready until you say so.</strong>
      )}
      {owed === undefined && me.state === 'notReady' && me.reason !== MISSED_RING && (
        <span>Nothing rings here while you are {stateWords(me.state, me.reason).toLowerCase()}.</span>
      )}
      <span className="ml-auto flex items-center gap-3 text-soft">
        {owed === undefined && <SavedLately me={me} takeBackMs={centre.takeBackMs} />}
        {owed === undefined && me.state === 'ready' && (
          <span>
            ready for <Clock sinceMs={me.sinceMs} />
          </span>
        )}
      </span>
    </p>
  )
}

const listedOr = (names: readonly string[]): string => (names.length < 2 ? names.join('') : `${names.slice(0, -1).join(', ')} or ${names.at(-1)}`)
