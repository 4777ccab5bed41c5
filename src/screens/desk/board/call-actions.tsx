'use client'
// The actions of a call, at its row's end: what they are depends on what the call is to me. Ending a call stands apart from
// everything else, and ending one party is never here but on that party's plate.
import clsx from 'clsx'
import { type Call, type Connection, isConference, isKept, onLine, services, takesPart } from '@/core/calls'
import { type FloorRefusal, toRefusalText } from '@/core/floor'
import { SHORTCUTS } from '@/parts/frame'
import { Button, Menu, MenuItem } from '@/parts/ui'
import { callerWords, lacking } from '@/parts/words'
import type { CallView } from '@/services/exchange/protocol'
import { ActionButton } from './action-button'
import { BesideMenu } from './beside-actions'
import { useBoard } from './board-context'
import type { PickerUse } from './picker'

export type Panel = PickerUse | 'keypad' | null

interface Props {
  readonly view: CallView
  readonly mine: Connection
  readonly panel: Panel
  readonly onPanel: (panel: Panel) => void
}

const why = (decision: ReturnType<typeof services.hold>): FloorRefusal | null => (decision.ok ? null : decision.refusal)

export function RingingActions({ view: { call }, onPanel, silenced }: Pick<Props, 'view' | 'onPanel'> & { silenced: boolean }) {
  const { me } = useBoard()
  const on = { callId: call.id }
  return (
    <div className="flex items-center gap-2">
      <ActionButton command={{ kind: 'answer', ...on }} tone="primary" size="large" shortcut={SHORTCUTS.answer.keys}>
        Answer
      </ActionButton>
      <div className="grid grid-cols-2 gap-1">
        <SilenceButton call={call} silenced={silenced} />
        <Button onClick={() => onPanel('divert')} shortcut={SHORTCUTS.divert.keys}>
          Divert
        </Button>
        <ActionButton command={{ kind: 'decline', ...on }} shortcut={SHORTCUTS.decline.keys}>
          Decline
        </ActionButton>
        <ActionButton
          command={{ kind: 'divert', ...on, target: { kind: 'voicemail', agentId: me.id } }}
          refusal={isKept(call) ? { reason: 'callerNotOnLine' } : null}
          shortcut={SHORTCUTS.voicemail.keys}
        >
          To voicemail
        </ActionButton>
      </div>
    </div>
  )
}

function SilenceButton({ call, silenced }: { call: Call; silenced: boolean }) {
  const { give } = useBoard()
  return (
    <Button
      disabled={silenced}
      title={silenced ? 'It is silent already; it goes on ringing on the screen.' : undefined}
      onClick={() => void give({ kind: 'silence', callId: call.id })}
      shortcut={SHORTCUTS.silence.keys}
    >
      Silence
    </Button>
  )
}

/** The second line of a consult: complete it, join it, go to and fro, or end it. */
export function ConsultActions({ view: { call }, mine, firstName, onTryNext }: Pick<Props, 'view' | 'mine'> & { firstName: string; onTryNext: () => void }) {
  const { me, centre } = useBoard()
  const on = { callId: call.id }
  const answered = call.connections.some((c) => c !== mine && (c.state === 'connected' || c.state === 'held') && takesPart(c))
  const failed = call.connections.some((c) => c.state === 'failed')
  const refusal: FloorRefusal | null = answered ? null : { reason: 'consultNotAnswered' }
  return (
    <div className="flex flex-wrap items-center justify-end gap-2">
      {failed ? (
        <Button tone="primary" onClick={onTryNext} shortcut={SHORTCUTS.transfer.keys}>
          Try next
        </Button>
      ) : (
        <>
          <ActionButton
            command={{ kind: 'completeTransfer', ...on }}
            refusal={refusal}
            tone={answered ? 'primary' : 'plain'}
            shortcut={SHORTCUTS.complete.keys}
          >
            Complete transfer
          </ActionButton>
          <ActionButton command={{ kind: 'conference', ...on }} refusal={lacking(me, centre, 'conference') ?? refusal} shortcut={SHORTCUTS.conference.keys}>
            Conference
          </ActionButton>
        </>
      )}
      {mine.state === 'held' ? (
        <ActionButton command={{ kind: 'alternate', ...on }} shortcut={SHORTCUTS.alternate.keys}>
          Talk to {nameForTalk(call, mine)}
        </ActionButton>
      ) : (
        call.consultFor !== null && (
          <ActionButton command={{ kind: 'alternate', callId: call.consultFor }} shortcut={SHORTCUTS.alternate.keys}>
            Talk to {firstName}
          </ActionButton>
        )
      )}
      <span aria-hidden className="mx-1 w-px self-stretch bg-line" />
      <ActionButton command={{ kind: 'endConsult', ...on }} tone="loss" shortcut={SHORTCUTS.endConsult.keys}>
        End consult
      </ActionButton>
    </div>
  )
}

function nameForTalk(call: Call, mine: Connection): string {
  const other = call.connections.find((c) => c !== mine && takesPart(c))?.party
  return other?.kind === 'outside' ? callerWords(other.name, other.number, 'them') : 'them'
}

/** An ordinary line or a conference. While a consult about it is on, the second line has the actions. */
export function LiveActions({ view: { call }, mine, panel, onPanel, consulting }: Props & { consulting: boolean }) {
  const { me, centre } = useBoard()
  const on = { callId: call.id }
  const held = mine.state === 'held'
  const many = isConference(call)
  const dialling = call.connections.every((c) => c === mine || c.state !== 'connected' || !takesPart(c))
  const nobody: FloorRefusal | null = dialling ? { reason: 'nobodyToConsultAbout' } : null
  const toggle = (next: Exclude<Panel, null>) => onPanel(panel === next ? null : next)
  if (consulting)
    return (
      <ActionButton command={{ kind: 'hangUp', ...on }} tone="loss" shortcut={SHORTCUTS.hangUp.keys}>
        Hang up
      </ActionButton>
    )
  return (
    // The two ways out of a conference stand below the rest: beside it they would take the room the plates need for names.
    <div className={clsx('flex justify-end gap-2', many ? 'flex-col items-end' : 'flex-wrap items-stretch')}>
      <div className="flex flex-wrap justify-end gap-1 @6xl:grid @6xl:auto-cols-auto @6xl:grid-flow-col @6xl:grid-rows-2">
        <ActionButton
          command={{ kind: held ? 'retrieve' : 'hold', ...on }}
          refusal={why(held ? services.retrieve(call, me.id) : services.hold(call, me.id))}
          tone={held ? 'brass' : 'plain'}
          // As wide as its longer name, so that nothing beside it moves when it changes.
          className="min-w-[5.5rem]"
          shortcut={SHORTCUTS.hold.keys}
        >
          {held ? 'Retrieve' : 'Hold'}
        </ActionButton>
        <ActionButton command={{ kind: 'setMute', muted: !me.muted }} tone={me.muted ? 'brass' : 'plain'} shortcut={SHORTCUTS.mute.keys}>
          {me.muted ? 'Unmute' : 'Mute'}
        </ActionButton>
        <PanelButton is="transfer" panel={panel} refusal={nobody} onToggle={toggle} shortcut={SHORTCUTS.transfer.keys}>
          Transfer
        </PanelButton>
        <PanelButton is="conference" panel={panel} refusal={lacking(me, centre, 'conference') ?? nobody} onToggle={toggle} shortcut={SHORTCUTS.conference.keys}>
          Conference
        </PanelButton>
        <PanelButton
          is="keypad"
          panel={panel}
          refusal={mine.state === 'connected' ? null : { reason: 'notOnCall' }}
          onToggle={toggle}
          shortcut={SHORTCUTS.keypad.keys}
        >
          Keypad
        </PanelButton>
        <ActionButton command={{ kind: 'park', ...on }} refusal={many ? { reason: 'parkOnlyOne' } : nobody} shortcut={SHORTCUTS.park.keys}>
          Park
        </ActionButton>
        <ActionButton
          command={{ kind: 'record', ...on, to: call.recording === null ? 'on' : 'off' }}
          refusal={lacking(me, centre, 'recording') ?? (call.answeredAtMs === null ? { reason: 'notConnected' } : null)}
          tone={call.recording === null ? 'plain' : 'brass'}
          shortcut={SHORTCUTS.record.keys}
        >
          {call.recording === null ? 'Start recording' : 'Stop recording'}
        </ActionButton>
        <MoveMenu call={call} mine={mine} />
        {mine.beside !== null ? (
          <BesideMenu call={call} mine={mine} />
        ) : (
          <ActionButton
            command={me.help?.callId === call.id ? { kind: 'dropHelp' } : { kind: 'askForHelp', ...on }}
            pressed={me.help?.callId === call.id}
            tone={me.help?.callId === call.id ? 'brass' : 'plain'}
            shortcut={SHORTCUTS.askForHelp.keys}
          >
            Ask for help
          </ActionButton>
        )}
      </div>
      {!many && <span aria-hidden className="w-px bg-line" />}
      {many ? (
        <div className="flex flex-wrap justify-end gap-2">
          <ActionButton
            command={{ kind: 'hangUp', ...on }}
            refusal={why(services.leave(call, me.id, centre.outsidersMayStay))}
            tone="loss"
            shortcut={SHORTCUTS.hangUp.keys}
          >
            Leave conference
          </ActionButton>
          <ActionButton command={{ kind: 'endForEveryone', ...on }} tone="loss" name="End for everyone">
            End for everyone ({onLine(call).length - 1})
          </ActionButton>
        </div>
      ) : (
        <ActionButton command={{ kind: 'hangUp', ...on }} tone="loss" className="!h-auto min-h-8 self-stretch px-5 text-base" shortcut={SHORTCUTS.hangUp.keys}>
          Hang up
        </ActionButton>
      )}
    </div>
  )
}

interface PanelButtonProps {
  readonly is: Exclude<Panel, null>
  readonly panel: Panel
  readonly refusal: FloorRefusal | null
  readonly onToggle: (panel: Exclude<Panel, null>) => void
  readonly shortcut: string
  readonly children: string
}

function PanelButton({ is, panel, refusal, onToggle, shortcut, children }: PanelButtonProps) {
  const why = refusal === null ? null : toRefusalText(refusal)
  return (
    <Button
      aria-expanded={panel === is}
      // Not `disabled`, as with every control that may not be pressed: it can be reached, and says why.
      aria-disabled={why !== null || undefined}
      title={why === null ? undefined : `${why.says} ${why.next}`}
      onClick={() => why === null && onToggle(is)}
      shortcut={shortcut}
      className="aria-expanded:border-ink aria-expanded:bg-paper"
    >
      {children}
    </Button>
  )
}

const DEVICES = [
  ['computer', 'This computer'],
  ['handset', 'Desk handset'],
  ['ownPhone', 'My own phone'],
] as const

function MoveMenu({ call, mine }: { call: Call; mine: Connection }) {
  const { give } = useBoard()
  return (
    <Menu label="Move call to" align="end" trigger={<Button shortcut={SHORTCUTS.move.keys}>Move call</Button>}>
      {DEVICES.map(([endpoint, label]) => (
        <MenuItem key={endpoint} disabled={mine.endpoint === endpoint} onSelect={() => void give({ kind: 'moveCall', callId: call.id, endpoint })}>
          {label}
          {mine.endpoint === endpoint && ' · the call is here'}
        </MenuItem>
      ))}
    </Menu>
  )
}
