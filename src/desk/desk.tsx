'use client'
// The desk: an agent's screen. Puts the parts together, gives the commands, and keeps focus where the agent has it.
import { useRef, useState } from 'react'
import type { AgentCommand } from '@/core/floor'
import type { CallId } from '@/core/ids'
import type { FloorView, MeView } from '@/exchange/protocol'
import { useCommand } from '@/exchange/react'
import { Announcer } from './announcer'
import { Board } from './board/board'
import type { CallActions } from './board/call-row'
import { isMine } from './board/describe'
import { DialLine } from './dial-line'
import { Notices } from './notices'
import { OutcomeTray, type OutcomeTrayHandle } from './outcome-tray'
import { ReadingPane, type ReadingPaneHandle } from './reading-pane'
import { Record } from './record'
import { useRingSound } from './ring-sound'
import { ShiftBar } from './shift-bar'
import { useShortcuts } from './shortcuts'
import { ShortcutsDialog } from './shortcuts-dialog'
import { StandIns } from './stand-ins'
import { TodayColumn, WaitingPane } from './waiting'

export function Desk({ view, me }: { view: FloorView; me: MeView }) {
  const command = useCommand()
  const [helpOpen, setHelpOpen] = useState(false)
  const [standInsOpen, setStandInsOpen] = useState(false)
  const [notReadyOpen, setNotReadyOpen] = useState(false)
  const [trouble, setTrouble] = useState<{ readonly says: string; readonly forState: string } | null>(null)
  const [said, setSaid] = useState('')
  const pane = useRef<ReadingPaneHandle>(null)
  const tray = useRef<OutcomeTrayHandle>(null)
  const dialLine = useRef<{ focus(): void }>(null)

  const { centre, calls, contacts } = view
  const agentId = me.id
  /** The contact in front of the agent: the call that rings or is on, otherwise the one that owes its outcome. */
  const contact = contacts.find((c) => c.callId === calls[0]?.id) ?? contacts.find((c) => c.callId === me.wrapUp?.callId)
  const call = calls.find((c) => c.id === contact?.callId)
  const mine = call?.connections.find((c) => isMine(c, agentId))
  const ringing = mine?.state === 'alerting'
  useRingSound(ringing && contact?.ringSilenced === false)

  // What was refused is said until the state it was said in has passed.
  const stateKey = `${me.state} ${me.sinceMs} ${mine?.state}`
  const give = async (asked: AgentCommand) => {
    const reply = await command(asked)
    setTrouble(reply.ok ? null : { says: `${reply.refusal.says} ${reply.refusal.next}`, forState: stateKey })
  }
  const actions: CallActions = {
    answer: (callId) => void give({ kind: 'answer', agentId, callId }),
    silence: (callId) => void give({ kind: 'silence', agentId, callId }),
    decline: (callId) => void give({ kind: 'decline', agentId, callId }),
    holdOrRetrieve: (callId) => void give({ kind: mine?.state === 'held' ? 'retrieve' : 'hold', agentId, callId }),
    toggleMute: () => void give({ kind: 'setMute', agentId, muted: !me.muted }),
    hangUp: (callId) => void give({ kind: 'hangUp', agentId, callId }),
  }
  const onCall = (action: (callId: CallId) => void) => () => call !== undefined && action(call.id)

  useShortcuts({
    ...(ringing ? { answer: onCall(actions.answer), silence: onCall(actions.silence), decline: onCall(actions.decline) } : {}),
    ...(call !== undefined && !ringing ? { hold: onCall(actions.holdOrRetrieve), hangUp: onCall(actions.hangUp) } : {}),
    mute: actions.toggleMute,
    nextPage: () => pane.current?.turn('next'),
    previousPage: () => pane.current?.turn('back'),
    notes: () => tray.current?.focusNotes(),
    save: () => tray.current?.save(),
    outcome: (key) => tray.current?.choose(key),
    state: () => (me.state === 'ready' ? setNotReadyOpen(true) : void give({ kind: 'goReady', agentId })),
    dial: () => dialLine.current?.focus(),
    help: () => setHelpOpen(true),
  })

  const script = contact === undefined ? null : (centre.scripts.find((s) => s.id === (contact.run?.scriptId ?? scriptIdFor(view, contact.queueId))) ?? null)
  const setId = centre.queues.find((q) => q.id === contact?.queueId)?.outcomeSetId ?? centre.outsideOutcomeSetId
  const outcomeSet = centre.outcomeSets.find((s) => s.id === setId)

  return (
    <div className="flex h-screen min-w-[1024px] flex-col">
      <ShiftBar
        me={me}
        centre={centre}
        queues={view.queues}
        floor={view.floor}
        notReadyOpen={notReadyOpen}
        onNotReadyOpen={setNotReadyOpen}
        onReady={() => void give({ kind: 'goReady', agentId })}
        onNotReady={(reason) => void give({ kind: 'goNotReady', agentId, reason })}
        onEndShift={() => void give({ kind: 'endShift', agentId })}
        onStandIns={() => setStandInsOpen(true)}
      />
      <Notices floor={view.floor} />
      <main className="flex min-h-0 flex-1 flex-col">
        <h1 className="sr-only">Desk of {me.name}</h1>
        <Board
          me={me}
          centre={centre}
          queues={view.queues}
          calls={calls}
          contacts={contacts}
          actions={actions}
          problem={trouble?.forState === stateKey ? trouble.says : null}
        />
        <div className="grid min-h-0 flex-1 grid-cols-[minmax(0,1fr)_420px]">
          {contact === undefined ? (
            <WaitingPane me={me} centre={centre} queues={view.queues} seats={view.seats} />
          ) : (
            <ReadingPane ref={pane} me={me} contact={contact} script={script} ringing={ringing} />
          )}
          <aside aria-label="Record and outcome" className="flex min-h-0 flex-col overflow-hidden border-line-strong border-l bg-paper">
            {contact === undefined ? (
              <TodayColumn me={me} centre={centre} />
            ) : (
              <>
                <Record contact={contact} centre={centre} answeredAtMs={call?.answeredAtMs ?? (ringing ? null : contact.handledSinceMs)} />
                {!ringing && outcomeSet !== undefined && (
                  <OutcomeTray
                    key={contact.callId}
                    ref={tray}
                    me={me}
                    contact={contact}
                    set={outcomeSet}
                    script={script}
                    centre={centre}
                    onSaved={(label, kept) => setSaid(kept ? `Outcome saved: ${label}.` : `Outcome taken: ${label}. It is not on disk.`)}
                  />
                )}
              </>
            )}
          </aside>
        </div>
      </main>
      <DialLine ref={dialLine} me={me} centre={centre} />
      <Announcer me={me} calls={calls} said={said} />
      <ShortcutsDialog open={helpOpen} onOpenChange={setHelpOpen} />
      <StandIns open={standInsOpen} onOpenChange={setStandInsOpen} centre={centre} pace={view.floor.pace} />
    </div>
  )
}

/** Which script will open when a ringing call is answered, so that it can be read already. */
const scriptIdFor = (view: FloorView, queueId: string | null): string | null => view.centre.queues.find((q) => q.id === queueId)?.scriptId ?? null
