'use client'
// The plate of somebody else on a call, in every state that party can be in.
import { DropdownMenu } from 'radix-ui'
import type { ReactNode } from 'react'
import { type Connection, isConference, isMachine, isOnLine, takesPart } from '@/core/calls'
import type { AgentId, CallId, DeviceId } from '@/core/ids'
import { formatClock } from '@/core/time'
import type { Work } from '@/core/work'
import { Speaks } from '@/parts/frame'
import { Button, Clock, useNowMs, usePortal } from '@/parts/ui'
import { failureWords, isMine, lineWords, nameOf } from '@/parts/words'
import type { CallView } from '@/services/exchange/protocol'
import { ActionButton } from './action-button'
import { useBoard } from './board-context'
import { Plate, type PlateTone } from './plate'

interface Props {
  readonly view: CallView
  readonly connection: Connection
  readonly work: Work | undefined
}

export function PartyPlate({ view, connection, work }: Props) {
  const { me, seats, centre } = useBoard()
  const now = useNowMs()
  const mine = view.call.connections.find((c) => isMine(c, me.id))
  const name = capital(nameOf(connection.party, { me, seats, centre }))
  const late = mine?.state === 'held' && isOnLine(connection) && now - mine.sinceMs > centre.holdLimitMs
  return (
    <Plate
      name={name}
      kind={kindOf(view, connection, work, centre.queues.find((q) => q.id === work?.queueId)?.name ?? null)}
      tone={late ? 'late' : toneOf(view, connection, mine)}
      clock={<Clocked view={view} connection={connection} mine={mine} work={work} late={late} />}
      {...(isConference(view.call) && connection.state === 'connected' ? { speaks: <Speaks deviceId={connection.deviceId} /> } : {})}
    >
      {partyActions({ view, connection, name, agentId: me.id })}
    </Plate>
  )
}

function kindOf({ call }: CallView, { party, silenced, received, line, role, beside }: Connection, work: Work | undefined, queueName: string | null): string {
  const heard = lineWords(line)
  const more = `${heard === null ? '' : ` · ${heard}`}${silenced ? ' · muted for all' : ''}${received === '' ? '' : ` · heard keys ${received}`}`
  if (party.kind === 'agent' && beside !== null) return `Supervisor${role === 'talks' ? ' · stepped in' : ''}${more}`
  if (party.kind === 'agent') return `Colleague${more}`
  if (isMachine(party)) return party.kind === 'conferenceLine' ? 'Keys in the code' : 'Voicemail'
  const isCaller = call.consultFor === null && call.direction === 'inbound' && party.kind === 'outside' && party.number === call.number
  if (!isCaller) return `Outside${more}`
  const returned = work?.returned == null ? '' : ' · returned'
  const first = call.headStartMs > 0 ? ` · Priority +${formatClock(call.headStartMs)}` : ''
  return `Caller${queueName === null ? '' : ` · ${queueName}`}${first}${returned}${more}`
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
  readonly work: Work | undefined
  readonly late: boolean
}

function Clocked({ view: { call }, connection, mine, work, late }: ClockedProps) {
  const failed = failureWords(connection)
  if (!takesPart(connection)) return <span className="font-semibold text-sea">{connection.role === 'whispers' ? 'whispers' : 'listens in'}</span>
  if (failed !== null) return <span className="font-semibold text-red">{failed}</span>
  if (mine?.state === 'alerting')
    return (
      <>
        {call.workId === null && call.consultFor === null
          ? 'calls you '
          : work?.returned == null
            ? 'waited '
            : `came back, ${RETURNED[work.returned.failure] ?? 'not taken'}; in all `}
        <Clock sinceMs={call.offeredAtMs} className="text-ink" />
        {work?.path != null && work.returned === null && <> · chose “{work.path}”</>}
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
        on hold <Clock sinceMs={mine.sinceMs} className="font-semibold text-ink" />, hears{' '}
        {call.connections.filter(takesPart).length > 2 ? 'the others' : 'music'}
        {late && <strong className="text-red"> · held too long</strong>}
      </>
    )
  if (call.aside !== null && call.aside.deviceId !== connection.deviceId && !isBy(connection, call.aside.byAgentId))
    return <>apart from you, {call.aside.othersHear === 'music' ? 'hears music' : 'hears the others'}</>
  const said = connection.said
  return (
    <span className="text-ink italic" title={said ?? 'connected'}>
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

interface ActionsOf {
  readonly view: CallView
  readonly connection: Connection
  readonly name: string
  readonly agentId: AgentId
}

/** In a conference, what concerns one party: muting them, a word apart, taking them off. Nothing with only one other. */
function partyActions({ view: { call }, connection, name, agentId }: ActionsOf): ReactNode {
  const on = { agentId, callId: call.id, deviceId: connection.deviceId }
  const mine = call.connections.find((c) => isMine(c, agentId))
  if (mine?.state !== 'connected' || call.clearing !== null || !takesPart(mine) || !takesPart(connection)) return undefined
  if (call.connections.filter(takesPart).length < 3) return undefined
  if (connection.state === 'failed')
    return (
      <Small command={{ kind: 'removeParty', ...on }} name={`Put away ${name}`}>
        Put away
      </Small>
    )
  const remove = (
    <Small command={{ kind: 'removeParty', ...on }} name={`Remove ${name}`}>
      Remove
    </Small>
  )
  if (!isOnLine(connection)) return remove
  if (!isConference(call)) return undefined
  const outsiders = call.connections.filter((c) => c.party.kind === 'outside' && isOnLine(c)).length
  const apart = call.aside?.byAgentId === agentId && call.aside.deviceId === connection.deviceId
  return (
    <>
      <Small
        command={{ kind: 'muteParty', ...on, muted: !connection.silenced }}
        name={`${connection.silenced ? 'Unmute' : 'Mute'} ${name}`}
        pressed={connection.silenced}
      >
        {connection.silenced ? 'Unmute' : 'Mute'}
      </Small>
      {apart && (
        <Small command={{ kind: 'endAside', callId: call.id }} name="Come back to all" pressed>
          Come back to all
        </Small>
      )}
      {call.aside === null && <AsideMenu on={on} name={name} mayMuteOthers={connection.party.kind === 'outside' && outsiders > 1} />}
      {!apart && remove}
    </>
  )
}

/** What the others hear meanwhile is a choice, made in the same gesture. */
interface AsideProps {
  readonly on: { agentId: AgentId; callId: CallId; deviceId: DeviceId }
  readonly name: string
  /** There is somebody else from outside. */
  readonly mayMuteOthers: boolean
}

function AsideMenu({ on, name, mayMuteOthers }: AsideProps) {
  const { give, startPreview, endPreview } = useBoard()
  const item = (othersHear: 'music' | 'eachOther', words: string) => {
    const command = { kind: 'startAside', ...on, othersHear } as const
    return (
      <DropdownMenu.Item
        onFocus={() => startPreview(command)}
        onBlur={endPreview}
        onSelect={() => {
          endPreview()
          void give(command)
        }}
        className="cursor-pointer px-3 py-1.5 outline-none data-[highlighted]:bg-green-wash"
      >
        {words}
      </DropdownMenu.Item>
    )
  }
  const portal = usePortal()
  return (
    <DropdownMenu.Root modal={false}>
      <DropdownMenu.Trigger asChild>
        <Button aria-label={`Talk privately to ${name}`} className="!h-7 px-2">
          Privately
        </Button>
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal {...portal}>
        <DropdownMenu.Content
          align="start"
          sideOffset={4}
          aria-label={`While you talk privately to ${name}`}
          className="z-40 rounded-sm border border-line-strong bg-raised py-1 shadow-lg"
        >
          {item('music', 'The others hear music')}
          {item('eachOther', 'The others hear each other')}
          {mayMuteOthers && (
            <DropdownMenu.Item
              onSelect={() => void give({ kind: 'muteOthers', callId: on.callId, deviceId: on.deviceId })}
              className="cursor-pointer border-line border-t px-3 py-1.5 outline-none data-[highlighted]:bg-green-wash"
            >
              Before all: mute the others
            </DropdownMenu.Item>
          )}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  )
}

function Small(props: Parameters<typeof ActionButton>[0]) {
  return <ActionButton {...props} className="!h-7 px-2" />
}

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1)
