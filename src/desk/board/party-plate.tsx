'use client'
// The plate of somebody else on a call, in every state that party can be in.
import { type Connection, isConference, isOnLine } from '@/core/calls'
import type { Contact } from '@/core/contacts'
import type { CallView } from '@/exchange/protocol'
import { Clock, useNowMs } from '@/ui'
import { ActionButton } from './action-button'
import { useBoard } from './board-context'
import { failureWords, isMine, nameOf } from './describe'
import { Plate, type PlateTone } from './plate'

interface Props {
  readonly view: CallView
  readonly connection: Connection
  readonly contact: Contact | undefined
}

export function PartyPlate({ view, connection, contact }: Props) {
  const { me, seats, centre } = useBoard()
  const now = useNowMs()
  const mine = view.call.connections.find((c) => isMine(c, me.id))
  const name = capital(nameOf(connection.party, { me, seats, centre }))
  const late = mine?.state === 'held' && isOnLine(connection) && now - mine.sinceMs > centre.holdLimitMs
  return (
    <Plate
      name={name}
      kind={kindOf(view, connection, contact, centre.queues.find((q) => q.id === contact?.queueId)?.name ?? null)}
      tone={late ? 'late' : toneOf(view, connection, mine)}
      clock={<Clocked view={view} connection={connection} mine={mine} contact={contact} late={late} />}
    >
      <PartyActions view={view} connection={connection} name={name} />
    </Plate>
  )
}

function kindOf({ call }: CallView, { party, silenced, received }: Connection, contact: Contact | undefined, queueName: string | null): string {
  const more = `${silenced ? ' · muted for all' : ''}${received === '' ? '' : ` · heard keys ${received}`}`
  if (party.kind === 'agent') return `Colleague${more}`
  if (party.kind === 'voicemail') return 'Voicemail'
  const isCaller = call.consultFor === null && call.direction === 'inbound' && party.kind === 'outside' && party.number === call.number
  if (!isCaller) return `Outside${more}`
  const returned = contact?.returned == null ? '' : ' · returned'
  return `Caller${queueName === null ? '' : ` · ${queueName}`}${returned}${more}`
}

function toneOf({ call }: CallView, connection: Connection, mine: Connection | undefined): PlateTone {
  if (connection.state === 'failed') return 'lost'
  if ([mine?.state, connection.state].some((s) => s === 'alerting' || s === 'initiated')) return 'waiting'
  if (mine?.state === 'held') return 'waiting'
  return call.consultFor === null ? 'plain' : 'second'
}

interface ClockedProps {
  readonly view: CallView
  readonly connection: Connection
  readonly mine: Connection | undefined
  readonly contact: Contact | undefined
  readonly late: boolean
}

function Clocked({ view: { call }, connection, mine, contact, late }: ClockedProps) {
  const failed = failureWords(connection)
  if (failed !== null) return <span className="font-semibold text-red">{failed}</span>
  if (mine?.state === 'alerting')
    return (
      <>
        {contact?.returned == null ? 'waited ' : `came back, ${RETURNED[contact.returned.failure] ?? 'not taken'}; in all `}
        <Clock sinceMs={call.offeredAtMs} className="text-ink" />
        {contact?.path != null && contact.returned === null && <> · chose “{contact.path}”</>}
        {call.consultFor !== null && ' · asks you something'}
      </>
    )
  if (connection.state === 'initiated') return <>dialling</>
  if (connection.state === 'alerting')
    return (
      <>
        ringing there <Clock sinceMs={connection.sinceMs} className="text-ink" />
      </>
    )
  if (mine?.state === 'held')
    return (
      <>
        on hold <Clock sinceMs={mine.sinceMs} className="font-semibold text-ink" />, hears {call.connections.length > 2 ? 'the others' : 'music'}
        {late && <strong className="text-red"> · held too long</strong>}
      </>
    )
  if (call.aside !== null && call.aside.deviceId !== connection.deviceId && !isBy(connection, call.aside.byAgentId))
    return <>apart from you, {call.aside.othersHear === 'music' ? 'hears music' : 'hears the others'}</>
  const said = connection.said
  return (
    <span className="text-ink italic" title={said ?? undefined}>
      {said === null ? 'connected' : `“${said}”`}
    </span>
  )
}

const isBy = ({ party }: Connection, agentId: string) => party.kind === 'agent' && party.agentId === agentId
const RETURNED: Readonly<Record<string, string>> = {
  busy: 'busy',
  noAnswer: 'no answer',
  refused: 'refused',
  unreachable: 'not reached',
  machine: 'a machine answered',
}

/** In a conference, what concerns one party: muting them, a word apart, taking them off. A failed attempt is put away. */
function PartyActions({ view: { call }, connection, name }: { view: CallView; connection: Connection; name: string }) {
  const { me } = useBoard()
  const on = { agentId: me.id, callId: call.id, deviceId: connection.deviceId }
  const mine = call.connections.find((c) => isMine(c, me.id))
  if (mine?.state !== 'connected' || call.clearing !== null) return null
  if (connection.state === 'failed' && call.connections.length > 2)
    return (
      <Small command={{ kind: 'removeParty', ...on }} name={`Put away ${name}`}>
        Put away
      </Small>
    )
  if (!isConference(call) || !isOnLine(connection)) {
    const calledIn = connection.state === 'alerting' || connection.state === 'initiated'
    return calledIn && call.connections.length > 2 ? (
      <Small command={{ kind: 'removeParty', ...on }} name={`Remove ${name}`}>
        Remove
      </Small>
    ) : null
  }
  const apart = call.aside?.byAgentId === me.id && call.aside.deviceId === connection.deviceId
  return (
    <div className="flex shrink-0 gap-1">
      <Small
        command={{ kind: 'muteParty', ...on, muted: !connection.silenced }}
        name={`${connection.silenced ? 'Unmute' : 'Mute'} ${name}`}
        pressed={connection.silenced}
      >
        {connection.silenced ? 'Unmute' : 'Mute'}
      </Small>
      {apart ? (
        <Small command={{ kind: 'endAside', agentId: me.id, callId: call.id }} name="Come back to all" pressed>
          Come back to all
        </Small>
      ) : (
        call.aside === null && (
          <Small command={{ kind: 'startAside', ...on, othersHear: 'music' }} name={`Talk privately to ${name}`}>
            Privately
          </Small>
        )
      )}
      <Small command={{ kind: 'removeParty', ...on }} name={`Remove ${name}`}>
        Remove
      </Small>
    </div>
  )
}

function Small(props: Parameters<typeof ActionButton>[0]) {
  return <ActionButton {...props} className="px-2 text-sm" />
}

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1)
