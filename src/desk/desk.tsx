'use client'
// The desk: an agent's screen. Puts the parts together below the frame, and keeps focus where the agent has it.
import { useRef } from 'react'
import type { Target } from '@/core/calls'
import type { CallId } from '@/core/ids'
import { useCommand } from '@/exchange/react'
import { type OnShift, SHORTCUTS, scriptOf, useShortcuts } from '@/frame'
import { ReadingPane, type ReadingPaneHandle } from '@/reading'
import { Board } from './board/board'
import { DialLine, type DialLineHandle } from './dial-line'
import { DragToLine } from './drag-to-line'
import { EarlierCall } from './earlier-call'
import { OutcomeTray, type OutcomeTrayHandle } from './outcome/tray'
import { Record } from './record'
import { Tour } from './tour'
import { TodayColumn, WaitingPane } from './waiting'

export function Desk({ shift }: { shift: OnShift }) {
  const command = useCommand()
  const { me, view, inFront, rings, ofLine, coding, setCoding, give, panel, setPanel } = shift
  const pane = useRef<ReadingPaneHandle>(null)
  const tray = useRef<OutcomeTrayHandle>(null)
  const dialLine = useRef<DialLineHandle>(null)
  const { centre, calls, seats } = view
  const agentId = me.id
  const work = view.work.find((c) => c.id === coding) ?? ofLine
  const call = calls.find((c) => c.call.id === work?.id)?.call
  const ringing = rings && coding === null

  useShortcuts({
    nextPage: () => pane.current?.turn('next'),
    previousPage: () => pane.current?.turn('back'),
    notes: () => tray.current?.focusNotes(),
    save: () => tray.current?.save(),
    extend: () => tray.current?.extend(),
    outcome: (key) => tray.current?.choose(key),
    dial: () => dialLine.current?.focus(),
  })

  /** The caller's line, to which somebody may be brought; null while none is on. */
  const pickable = inFront === undefined || rings ? null : (inFront.call.consultFor ?? inFront.call.id)
  const choose = (callId: CallId, target: Target) => setPanel({ callId, panel: 'transfer', target })
  /** Whoever has the call codes it, and whoever has left it and owes; others on the line read along. */
  const mayCode = work !== undefined && !ringing && (work.handledBy === agentId || work.owedBy.includes(agentId))
  const script = work === undefined ? null : scriptOf(view, work)
  const setId = centre.queues.find((q) => q.id === work?.queueId)?.outcomeSetId ?? centre.outsideOutcomeSetId
  const outcomeSet = centre.outcomeSets.find((s) => s.id === setId)

  return (
    <DragToLine onDrop={choose}>
      <main className="flex min-h-0 min-w-[1024px] flex-1 flex-col">
        <h1 tabIndex={-1} className="sr-only">
          Desk of {me.name}
        </h1>
        <Board
          me={me}
          centre={centre}
          queues={view.queues}
          seats={seats}
          calls={calls}
          parked={view.parked}
          work={view.work}
          give={give}
          panel={panel}
          onPanel={setPanel}
          problem={shift.trouble}
        />
        <Tour me={me} calls={calls} />
        <div className="grid min-h-0 flex-1 grid-cols-[minmax(0,1fr)_420px] [contain:strict]">
          {work === undefined ? (
            <WaitingPane me={me} centre={centre} queues={view.queues} seats={view.seats} onChoose={(_, name) => dialLine.current?.find(name)} />
          ) : (
            <ReadingPane
              key={work.id}
              ref={pane}
              agentName={me.name}
              work={work}
              script={script}
              readOnly={!mayCode || work.run === null}
              readBy={seats.find((s) => s.id === work.handledBy && s.id !== agentId)?.name ?? null}
              opensWhen={ringing ? 'youAnswer' : work.run === null && work.endedAtMs === null ? 'theyAnswer' : null}
              keys={{ next: SHORTCUTS.nextPage.keys, back: SHORTCUTS.previousPage.keys }}
              actions={{
                answer: (field, value) => command({ kind: 'answerScript', callId: work.id, field, value }),
                turn: (direction, pageId) => command({ kind: 'turnPage', callId: work.id, direction, ...(pageId === undefined ? {} : { pageId }) }),
              }}
            />
          )}
          <aside data-focus-home aria-label="Record and outcome" className="flex min-h-0 flex-col overflow-hidden border-line-strong border-l bg-paper">
            {work === undefined ? (
              <TodayColumn me={me} centre={centre} />
            ) : (
              <>
                {coding !== null && <EarlierCall inFront={inFront} ofLine={ofLine} onBack={() => setCoding(null)} />}
                <Record
                  work={work}
                  call={call}
                  centre={centre}
                  promised={view.callbacks.find((c) => c.id === work.fromCallbackId)}
                  seats={seats}
                  answeredAtMs={call?.answeredAtMs ?? (ringing ? null : work.handledSinceMs)}
                />
                {mayCode && outcomeSet !== undefined && (
                  <OutcomeTray
                    key={work.id}
                    ref={tray}
                    me={me}
                    work={work}
                    set={outcomeSet}
                    script={script}
                    centre={centre}
                    onSaved={(label, kept) => shift.say(kept ? `Outcome saved: ${label}.` : `Outcome taken: ${label}. It is not on disk.`)}
                  />
                )}
              </>
            )}
          </aside>
        </div>
        <DialLine
          ref={dialLine}
          me={me}
          centre={centre}
          seats={seats}
          queues={view.queues}
          onPick={pickable === null ? null : (target) => choose(pickable, target)}
        />
      </main>
    </DragToLine>
  )
}
