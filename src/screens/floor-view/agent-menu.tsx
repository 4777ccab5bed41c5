'use client'
// What may be done about an agent, behind their name: come to their call, change what they serve, set them ready or not, tell them something.
import type { Role } from '@/core/calls'
import type { Ask } from '@/core/floor'
import type { Reason } from '@/core/set-up'
import { MenuItem, MenuLine } from '@/parts/ui'
import { CHANNEL_WORDS, ROLE_WORDS, ROLES_BY_SILENCE } from '@/parts/words'
import { ActItem, ActMenu } from './act-item'
import { useActs, useMayAct } from './acts'
import type { AgentRow } from './agent-row'
import { pieceName } from './pieces-words'
import { useRead } from './read-piece'

const DONE: Readonly<Record<Role, (name: string) => string>> = {
  listens: (name) => `You listen to ${name}.`,
  whispers: (name) => `You whisper to ${name}.`,
  talks: (name) => `You have stepped in beside ${name}.`,
}

interface Props {
  readonly agent: AgentRow
  readonly reasons: readonly Reason[]
  readonly onWork: (agents: readonly AgentRow[]) => void
  readonly onWord: (agents: readonly AgentRow[]) => void
}

export function AgentMenu({ agent, reasons, onWork, onWord }: Props) {
  const { act } = useActs()
  const mayAct = useMayAct()
  const read = useRead()
  const { id, name, watched, pieces } = agent
  if (!mayAct) return <span className="block truncate font-semibold">{name}</span>
  const callId = watched?.onCallId ?? null
  const sets = (ready: boolean, reason: string): Ask => ({ kind: 'setReadiness', agentIds: [id], ready, reason })
  const ends: Ask = { kind: 'endShiftOf', toAgentId: id }
  return (
    <ActMenu
      label={`Acts on ${name}`}
      trigger={
        <button
          type="button"
          title={name}
          className="block min-h-6 max-w-full truncate text-left font-semibold underline decoration-line-strong decoration-dotted underline-offset-2"
        >
          {name}
        </button>
      }
    >
      {callId !== null && (
        <>
          {ROLES_BY_SILENCE.map((role) => (
            <MenuItem key={role} onSelect={() => void act({ kind: 'takeRole', callId, besideId: id, role }, DONE[role](name))}>
              {ROLE_WORDS[role]}
            </MenuItem>
          ))}
          <MenuItem onSelect={() => void act({ kind: 'takeOver', callId, fromAgentId: id }, `You have taken the call over from ${name}.`)}>Take over</MenuItem>
          <MenuLine />
        </>
      )}
      {pieces.map((p) => (
        <MenuItem key={p.id} onSelect={() => read(p.id)}>
          Read {CHANNEL_WORDS[p.channel].toLowerCase()} with {pieceName(p)}…
        </MenuItem>
      ))}
      {pieces.length > 0 && <MenuLine />}
      <MenuItem onSelect={() => onWord([agent])}>Message…</MenuItem>
      <MenuItem onSelect={() => onWork([agent])}>Change work…</MenuItem>
      <MenuLine />
      <ActItem ask={sets(true, '')} onSelect={() => void act(sets(true, ''), `${name} is set ready.`)}>
        Set ready
      </ActItem>
      {reasons.map((r) => (
        <ActItem key={r.name} ask={sets(false, r.name)} onSelect={() => void act(sets(false, r.name), `${name} is set not ready: ${r.name}.`)}>
          Set not ready: {r.name}
        </ActItem>
      ))}
      <MenuLine />
      <ActItem ask={ends} onSelect={() => void act(ends, `${name}’s shift is ended.`)}>
        End shift
      </ActItem>
    </ActMenu>
  )
}
