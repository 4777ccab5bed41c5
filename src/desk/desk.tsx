'use client'
// The desk: an agent's screen. Puts the parts together, gives the commands, and keeps focus where the agent has it.
import { useRef, useState } from 'react'
import type { Target } from '@/core/calls'
import type { AgentCommand } from '@/core/floor'
import type { CallId } from '@/core/ids'
import type { FloorView, MeView } from '@/exchange/protocol'
import { useCommand } from '@/exchange/react'
import { ReadingPane, type ReadingPaneHandle } from '@/reading'
import { RINGING } from '@/sound'
import { usePersonalNumber } from '@/ui'
import { Announcer } from './announcer'
import { Board, type OpenPanel } from './board/board'
import { isMine } from './board/describe'
import { useCadence } from './cadence'
import { callShortcuts, lineInFront } from './call-shortcuts'
import { CallbackAlarm, useDueCount } from './callback-alarm'
import { useCoding } from './coding'
import { DialLine, type DialLineHandle } from './dial-line'
import { DragToLine } from './drag-to-line'
import { EarlierCall } from './earlier-call'
import { HeldTooLong } from './held-too-long'
import { contactInFront, scriptOf } from './in-front'
import { useLineSound } from './line-sound'
import { Notices } from './notices'
import { useCallNotification } from './notifications'
import { OutcomeTray, type OutcomeTrayHandle } from './outcome/tray'
import { OwedMenu } from './owed-menu'
import { PresenceMenu } from './presence-menu'
import { Record } from './record'
import { ShiftBar } from './shift-bar'
import { SHORTCUTS, useShortcuts } from './shortcuts'
import { ShortcutsDialog } from './shortcuts-dialog'
import { SoundMenu } from './sound-menu'
import { StandIns } from './stand-ins'
import { TodayColumn, WaitingPane } from './waiting'
import { useZipTone } from './zip-tone'

const RING_LOUDNESS = 0.16

export function Desk({ view, me }: { view: FloorView; me: MeView }) {
  const command = useCommand()
  const [helpOpen, setHelpOpen] = useState(false)
  const [standInsOpen, setStandInsOpen] = useState(false)
  const [notReadyOpen, setNotReadyOpen] = useState(false)
  const [trouble, setTrouble] = useState<{ readonly says: string; readonly forState: string } | null>(null)
  const [said, setSaid] = useState('')
  const pane = useRef<ReadingPaneHandle>(null)
  const tray = useRef<OutcomeTrayHandle>(null)
  const dialLine = useRef<DialLineHandle>(null)

  const [panel, setPanel] = useState<OpenPanel | null>(null)
  const { centre, calls, contacts, seats } = view
  const agentId = me.id
  /** The line in front of the agent: the one that rings, otherwise the one heard, otherwise the first. */
  const inFront = lineInFront(calls, me)
  const rings = inFront?.call.connections.some((c) => isMine(c, agentId) && c.state === 'alerting') ?? false
  const [coding, setCoding] = useCoding(me, rings ? null : (inFront?.call.id ?? null))
  const ofLine = contactInFront(inFront, contacts, me)
  const contact = contacts.find((c) => c.callId === coding) ?? ofLine
  const call = calls.find((c) => c.call.id === contact?.callId)?.call
  const mine = call?.connections.find((c) => isMine(c, agentId))
  const ringing = rings && coding === null
  const [voiceVolume, setVoiceVolume] = usePersonalNumber('voice volume', 1)
  const [ringVolume, setRingVolume] = usePersonalNumber('ring volume', 0.75)
  useCadence(RINGING, rings && ofLine?.ringSilenced !== true && me.soundPath !== 'none', RING_LOUDNESS * ringVolume)
  useZipTone(me, calls, ringVolume)
  useCallNotification(
    rings && ofLine !== undefined ? ofLine.callId : null,
    `${ofLine?.customer?.name ?? ofLine?.number ?? 'A caller'} is ringing`,
    [centre.queues.find((q) => q.id === ofLine?.queueId)?.name, ofLine?.path].filter((t) => t != null).join(' · '),
  )
  const due = useDueCount(me, view.promises)
  const sound = useLineSound(me, calls, voiceVolume)

  // What was refused is said until the state it was said in has passed.
  const stateKey = `${me.state} ${me.sinceMs} ${mine?.state}`
  const give = async (asked: AgentCommand) => {
    const reply = await command(asked)
    setTrouble(reply.ok ? null : { says: `${reply.refusal.says} ${reply.refusal.next}`, forState: stateKey })
    return reply.ok
  }
  useShortcuts({
    ...callShortcuts({ me, calls, inFront, give, onPanel: setPanel, panel }),
    mute: () => void give({ kind: 'setMute', agentId, muted: !me.muted }),
    nextPage: () => pane.current?.turn('next'),
    previousPage: () => pane.current?.turn('back'),
    notes: () => tray.current?.focusNotes(),
    ...(me.lately !== null && calls.length === 0 ? { undo: () => void give({ kind: 'takeBackOutcome', agentId, callId: me.lately?.callId as CallId }) } : {}),
    save: () => tray.current?.save(),
    extend: () => tray.current?.extend(),
    outcome: (key) => tray.current?.choose(key),
    // Within a call the key is about what follows it.
    state: () =>
      me.afterwards.ready && (me.state !== 'wrapUp' || me.owed.length >= centre.mostOwed) ? setNotReadyOpen(true) : void give({ kind: 'goReady', agentId }),
    dial: () => dialLine.current?.focus(),
    help: () => setHelpOpen(true),
  })

  /** The caller's line, to which somebody may be brought; null while none is on. */
  const pickable = inFront === undefined || rings ? null : (inFront.call.consultFor ?? inFront.call.id)
  const choose = (callId: CallId, target: Target) => setPanel({ callId, panel: 'transfer', target })
  /** Whoever has the call codes it, and whoever has left it and owes; others on the line read along. */
  const mayCode = contact !== undefined && !ringing && (contact.handledBy === agentId || contact.owedBy.includes(agentId))
  const script = contact === undefined ? null : scriptOf(view, contact)
  const setId = centre.queues.find((q) => q.id === contact?.queueId)?.outcomeSetId ?? centre.outsideOutcomeSetId
  const outcomeSet = centre.outcomeSets.find((s) => s.id === setId)

  return (
    <DragToLine onDrop={choose}>
      <div className="flex h-screen min-w-[1024px] flex-col">
        <ShiftBar
          me={me}
          centre={centre}
          queues={view.queues}
          give={give}
          notReadyOpen={notReadyOpen}
          onNotReadyOpen={setNotReadyOpen}
          onReady={() => void give({ kind: 'goReady', agentId })}
          onNotReady={(reason) => void give({ kind: 'goNotReady', agentId, reason })}
          onEndShift={() => void give({ kind: 'endShift', agentId })}
          onStandIns={() => setStandInsOpen(true)}
          due={due}
          owed={<OwedMenu me={me} centre={centre} onCode={setCoding} />}
          presence={<PresenceMenu me={me} seats={seats} centre={centre} />}
          sound={
            <SoundMenu
              me={me}
              view={view.sound}
              give={give}
              voice={voiceVolume}
              ring={ringVolume}
              onVoice={setVoiceVolume}
              onRing={setRingVolume}
              problem={sound.problem}
              look={sound.look}
            />
          }
        />
        <Notices floor={view.floor} />
        <CallbackAlarm
          me={me}
          promises={view.promises}
          timeZone={centre.timeZone}
          onCall={(callbackId) => void give({ kind: 'makeCall', agentId, typed: '', customer: null, callbackId })}
        />
        <main className="flex min-h-0 flex-1 flex-col">
          <h1 className="sr-only">Desk of {me.name}</h1>
          <Board
            me={me}
            centre={centre}
            queues={view.queues}
            seats={seats}
            calls={calls}
            parked={view.parked}
            contacts={contacts}
            give={give}
            panel={panel}
            onPanel={setPanel}
            problem={trouble?.forState === stateKey ? trouble.says : null}
          />
          <div className="grid min-h-0 flex-1 grid-cols-[minmax(0,1fr)_420px] [contain:strict]">
            {contact === undefined ? (
              <WaitingPane me={me} centre={centre} queues={view.queues} seats={view.seats} onChoose={(_, name) => dialLine.current?.find(name)} />
            ) : (
              <ReadingPane
                key={contact.callId}
                ref={pane}
                agentName={me.name}
                contact={contact}
                script={script}
                readOnly={!mayCode || contact.run === null}
                readBy={seats.find((s) => s.id === contact.handledBy && s.id !== agentId)?.name ?? null}
                opensWhen={ringing ? 'youAnswer' : contact.run === null && contact.endedAtMs === null ? 'theyAnswer' : null}
                keys={{ next: SHORTCUTS.nextPage.keys, back: SHORTCUTS.previousPage.keys }}
                actions={{
                  answer: (field, value) => command({ kind: 'answerScript', agentId, callId: contact.callId, field, value }),
                  turn: (direction, pageId) =>
                    command({ kind: 'turnPage', agentId, callId: contact.callId, direction, ...(pageId === undefined ? {} : { pageId }) }),
                }}
              />
            )}
            <aside aria-label="Record and outcome" className="flex min-h-0 flex-col overflow-hidden border-line-strong border-l bg-paper">
              {contact === undefined ? (
                <TodayColumn me={me} centre={centre} seats={seats} />
              ) : (
                <>
                  {coding !== null && <EarlierCall inFront={inFront} ofLine={ofLine} onBack={() => setCoding(null)} />}
                  <Record
                    me={me}
                    contact={contact}
                    call={call}
                    centre={centre}
                    promised={view.promises.callbacks.find((c) => c.id === contact.fromCallbackId)}
                    seats={seats}
                    answeredAtMs={call?.answeredAtMs ?? (ringing ? null : contact.handledSinceMs)}
                  />
                  {mayCode && outcomeSet !== undefined && (
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
        <DialLine
          ref={dialLine}
          me={me}
          centre={centre}
          seats={seats}
          queues={view.queues}
          onPick={pickable === null ? null : (target) => choose(pickable, target)}
        />
        <HeldTooLong me={me} centre={centre} calls={calls} />
        <Announcer me={me} calls={calls} names={{ me, seats, centre }} said={said} />
        <ShortcutsDialog open={helpOpen} onOpenChange={setHelpOpen} />
        <StandIns open={standInsOpen} onOpenChange={setStandInsOpen} centre={centre} pace={view.floor.pace} />
      </div>
    </DragToLine>
  )
}
