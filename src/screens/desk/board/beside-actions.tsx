'use client'
// What whoever answers for the floor may do on a call they have come to beside an agent: only listen, whisper, step in, go on with it instead, leave.
import { type Call, type Connection, connectionOf } from '@/core/calls'
import { ROLE_KEYS, SHORTCUTS } from '@/parts/frame'
import { Button, Menu, MenuItem } from '@/parts/ui'
import { nameOf, ROLE_WORDS, ROLES_BY_SILENCE } from '@/parts/words'
import type { CallView } from '@/services/exchange/protocol'
import { ActionButton } from './action-button'
import { useBoard } from './board-context'

interface Props {
  readonly view: CallView
  readonly mine: Connection
}

export function BesideActions({ view: { call }, mine }: Props) {
  const { me, seats, centre } = useBoard()
  const beside = agentBeside(call, mine)
  if (beside === null) return <StopListening call={call} />
  const on = { callId: call.id }
  const name = nameOf({ kind: 'agent', agentId: beside }, { me, seats, centre })
  return (
    <div className="flex flex-wrap items-center justify-end gap-2">
      <fieldset className="flex" aria-label={`How you are with ${name}`}>
        {ROLES_BY_SILENCE.map((role) => (
          <ActionButton
            key={role}
            command={{ kind: 'takeRole', ...on, besideId: beside, role }}
            pressed={mine.role === role}
            tone={mine.role === role ? 'primary' : 'plain'}
            shortcut={SHORTCUTS[ROLE_KEYS[role]].keys}
            className="-ml-px rounded-none"
          >
            {ROLE_WORDS[role]}
          </ActionButton>
        ))}
      </fieldset>
      <ActionButton command={{ kind: 'takeOver', ...on, fromAgentId: beside }} shortcut={SHORTCUTS.transfer.keys}>
        Take over
      </ActionButton>
      <span aria-hidden className="mx-1 w-px self-stretch bg-line" />
      <StopListening call={call} />
    </div>
  )
}

/** Who has stepped in is a party like any other, and may go back to listening. */
export function BesideMenu({ call, mine }: { call: Call; mine: Connection }) {
  const { give } = useBoard()
  const beside = agentBeside(call, mine)
  if (beside === null) return null
  const on = { callId: call.id }
  return (
    <Menu label="From stepped in to" align="end" trigger={<Button>Stepped in</Button>}>
      <MenuItem onSelect={() => void give({ kind: 'takeRole', ...on, besideId: beside, role: 'listens' })}>Listen</MenuItem>
      <MenuItem onSelect={() => void give({ kind: 'takeRole', ...on, besideId: beside, role: 'whispers' })}>Whisper</MenuItem>
      <MenuItem onSelect={() => void give({ kind: 'takeOver', ...on, fromAgentId: beside })}>Take over</MenuItem>
    </Menu>
  )
}

function StopListening({ call }: { call: Call }) {
  return (
    <ActionButton command={{ kind: 'stopListening', callId: call.id }} tone="loss" shortcut={SHORTCUTS.hangUp.keys}>
      Stop listening
    </ActionButton>
  )
}

function agentBeside(call: Call, mine: Connection) {
  const party = mine.beside === null ? undefined : connectionOf(call, mine.beside)?.party
  return party?.kind === 'agent' ? party.agentId : null
}
