'use client'
// What may be done about an agent, behind their name: come to their call, as far as they are on one.
import type { Role } from '@/core/calls'
import { Menu, MenuItem } from '@/ui'
import { ROLE_WORDS, ROLES_BY_SILENCE } from '@/words'
import { useActs } from './acts'
import type { AgentRow } from './agent-row'

const DONE: Readonly<Record<Role, (name: string) => string>> = {
  listens: (name) => `You listen to ${name}.`,
  whispers: (name) => `You whisper to ${name}.`,
  talks: (name) => `You have stepped in beside ${name}.`,
}

export function AgentMenu({ agent }: { agent: AgentRow }) {
  const { act } = useActs()
  const { id, name, watched } = agent
  const callId = watched?.onCallId ?? null
  return (
    <Menu
      label={`Acts on ${name}`}
      trigger={
        <button
          type="button"
          title={name}
          className="block max-w-full truncate text-left font-semibold underline decoration-line-strong decoration-dotted underline-offset-2"
        >
          {name}
        </button>
      }
    >
      {callId === null && <MenuItem disabled onSelect={() => {}}>{`${name} is on no call`}</MenuItem>}
      {callId !== null &&
        ROLES_BY_SILENCE.map((role) => (
          <MenuItem key={role} onSelect={() => void act({ kind: 'takeRole', callId, besideId: id, role }, DONE[role](name))}>
            {ROLE_WORDS[role]}
          </MenuItem>
        ))}
      {callId !== null && (
        <MenuItem onSelect={() => void act({ kind: 'takeOver', callId, fromAgentId: id }, `You have taken the call over from ${name}.`)}>Take over</MenuItem>
      )}
    </Menu>
  )
}
