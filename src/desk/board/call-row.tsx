'use client'
// One call on the board: my plate, the cord, the other parties' plates, what is said, and the actions of the call.
import type { Connection } from '@/core/calls'
import type { Contact } from '@/core/contacts'
import type { CallId } from '@/core/ids'
import { SHORTCUTS } from '@/desk/shortcuts'
import type { CallView, MeView } from '@/exchange/protocol'
import { Button, Clock, useNowMs } from '@/ui'
import { Cord } from './cord'
import { cordForm, failureWords, isMine, partyName } from './describe'
import { Plate } from './plate'

export interface CallActions {
  readonly answer: (callId: CallId) => void
  readonly silence: (callId: CallId) => void
  readonly decline: (callId: CallId) => void
  readonly holdOrRetrieve: (callId: CallId) => void
  readonly toggleMute: () => void
  readonly hangUp: (callId: CallId) => void
}

interface Props {
  readonly me: MeView
  readonly call: CallView
  readonly contact: Contact | undefined
  readonly queueName: string | null
  readonly holdLimitMs: number
  readonly actions: CallActions
}

export function CallRow({ me, call, contact, queueName, holdLimitMs, actions }: Props) {
  const mine = call.connections.find((c) => isMine(c, me.id))
  const others = call.connections.filter((c) => c !== mine && c.party.kind !== 'queue')
  const held = mine?.state === 'held'
  return (
    <li className="grid min-h-28 grid-cols-[210px_220px_minmax(200px,1fr)_auto] items-center py-2">
      <Plate name="You" kind={me.muted ? 'Agent · muted' : 'Agent'} clock={<MyClock mine={mine} call={call} contact={contact} />} />
      <div className="flex flex-col">
        {others.length === 0 ? <Cord form="ringing" muted={false} /> : others.map((c) => <Cord key={c.deviceId} form={cordForm(mine, c)} muted={me.muted} />)}
      </div>
      <div className="flex min-w-0 flex-col gap-2">
        {others.length === 0 && <Plate name={contact?.customer?.name ?? contact?.number ?? 'Number'} kind="Outside" clock="dialling" tone="waiting" />}
        {others.map((c) => (
          <OtherPlate key={c.deviceId} connection={c} mine={mine} call={call} contact={contact} queueName={queueName} holdLimitMs={holdLimitMs} />
        ))}
      </div>
      <div className="flex gap-2 pl-6">
        {mine?.state === 'alerting' ? (
          <RingingActions call={call} contact={contact} actions={actions} />
        ) : (
          <LiveActions me={me} call={call} held={held} mine={mine} others={others} actions={actions} />
        )}
      </div>
    </li>
  )
}

/** Two clocks, named: with you since you took or dialled it, and in all since the caller came in. */
function MyClock({ mine, call, contact }: { mine: Connection | undefined; call: CallView; contact: Contact | undefined }) {
  if (mine?.state === 'alerting') return <span>ringing here</span>
  return (
    <span className="whitespace-nowrap">
      with you <Clock sinceMs={contact?.handledSinceMs ?? call.offeredAtMs} className="text-ink" /> · in all{' '}
      <Clock sinceMs={call.offeredAtMs} className="text-ink" />
    </span>
  )
}

function OtherPlate({
  connection,
  mine,
  call,
  contact,
  queueName,
  holdLimitMs,
}: { connection: Connection; mine: Connection | undefined } & Pick<Props, 'call' | 'contact' | 'queueName' | 'holdLimitMs'>) {
  const now = useNowMs()
  const failed = failureWords(connection)
  const kind = call.direction === 'inbound' ? `Caller${queueName === null ? '' : ` · ${queueName}`}` : 'Outside'
  const held = mine?.state === 'held'
  const late = held && now - mine.sinceMs > holdLimitMs
  const name = partyName(connection)
  const said = contact?.captions.at(-1)?.text
  if (failed !== null) return <Plate name={name} kind={kind} tone="lost" clock={<span className="text-red">{failed}</span>} />
  if (mine?.state === 'alerting' || connection.state === 'alerting')
    return (
      <Plate
        name={name}
        kind={kind}
        tone="waiting"
        clock={
          mine?.state === 'alerting' ? (
            <>
              waited <Clock sinceMs={call.offeredAtMs} className="text-ink" />
              {contact?.path && <> · chose “{contact.path}”</>}
            </>
          ) : (
            <>
              ringing there <Clock sinceMs={connection.sinceMs} className="text-ink" />
            </>
          )
        }
      />
    )
  return (
    <Plate
      name={name}
      kind={kind}
      tone={late ? 'late' : held ? 'waiting' : 'plain'}
      clock={
        held ? (
          <>
            on hold <Clock sinceMs={mine.sinceMs} className="font-semibold text-ink" />, hears music
            {late && <strong className="text-red"> · held too long</strong>}
          </>
        ) : (
          <span className="text-ink italic" title={said}>
            {said === undefined ? 'connected' : `“${said}”`}
          </span>
        )
      }
    />
  )
}

function RingingActions({ call, contact, actions }: Pick<Props, 'call' | 'contact' | 'actions'>) {
  return (
    <>
      <Button tone="primary" size="large" onClick={() => actions.answer(call.id)} shortcut={SHORTCUTS.answer.keys}>
        Answer
      </Button>
      <Button size="large" onClick={() => actions.silence(call.id)} disabled={contact?.ringSilenced} shortcut={SHORTCUTS.silence.keys}>
        Silence
      </Button>
      <Button size="large" onClick={() => actions.decline(call.id)} shortcut={SHORTCUTS.decline.keys}>
        Decline
      </Button>
    </>
  )
}

interface LiveProps {
  readonly me: MeView
  readonly call: CallView
  readonly held: boolean
  readonly mine: Connection | undefined
  readonly others: readonly Connection[]
  readonly actions: CallActions
}

function LiveActions({ me, call, held, mine, others, actions }: LiveProps) {
  const canHold = held || (mine?.state === 'connected' && others.some((c) => c.state === 'connected'))
  return (
    <>
      <Button
        size="large"
        tone={held ? 'brass' : 'plain'}
        disabled={!canHold}
        title={canHold ? undefined : 'Nobody is connected yet.'}
        onClick={() => actions.holdOrRetrieve(call.id)}
        shortcut={SHORTCUTS.hold.keys}
      >
        {held ? 'Retrieve' : 'Hold'}
      </Button>
      <Button size="large" tone={me.muted ? 'brass' : 'plain'} onClick={actions.toggleMute} shortcut={SHORTCUTS.mute.keys}>
        {me.muted ? 'Unmute' : 'Mute'}
      </Button>
      <span aria-hidden className="mx-2 w-px self-stretch bg-line" />
      <Button size="large" tone="loss" onClick={() => actions.hangUp(call.id)} shortcut={SHORTCUTS.hangUp.keys}>
        Hang up
      </Button>
    </>
  )
}
