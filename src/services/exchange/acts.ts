// Acts of supervisors that can be taken back for a while, and what has become of what they did: only what still stands as it was left is taken back, agent by
// agent, and who has gone on since is left alone. Rows of the floor never change: whether something still stands is whether it is the same value.
import type { Agent } from '@/core/agents'
import type { AgentCommand, FloorRefusal } from '@/core/floor'
import type { AgentId } from '@/core/ids'
import { isChosenReason } from '@/core/set-up'
import type { FloorState } from '@/core/state'
import { get } from '@/core/table'
import type { TakenBack } from './protocol'

/** For so long an act can be taken back. */
export const UNDO_FOR_MS = 60_000
const MOST_ACTS = 200

type Undoable = Extract<AgentCommand, { kind: 'setReadiness' | 'assignWork' | 'setDoor' | 'switchStorm' }>
export const isUndoable = (command: AgentCommand): command is Undoable =>
  command.kind === 'setReadiness' || command.kind === 'assignWork' || command.kind === 'setDoor' || command.kind === 'switchStorm'

interface Act {
  readonly id: string
  readonly command: Undoable
  readonly atMs: number
  readonly before: ReadonlyMap<AgentId, Agent>
  readonly left: ReadonlyMap<AgentId, Agent>
  /** Of a queue: its door, or whether it is switched to storm. */
  readonly queueWas: unknown
  readonly queueLeft: unknown
}

export interface Acts {
  /** Before an act is decided: gives what notes it once it was done, and tells its name. */
  watch(command: AgentCommand): () => string | null
  /** null when it is too late, or nothing is known of it (any more), or it was somebody else's. */
  takeBack(id: string, byAgentId: AgentId): TakenBack | null
}

export function createActs(state: () => FloorState, now: () => number, give: (command: AgentCommand) => FloorRefusal | null): Acts {
  let acts: readonly Act[] = []
  let count = 0
  const rowsOf = (command: Undoable): ReadonlyMap<AgentId, Agent> => {
    const ids = 'agentIds' in command ? command.agentIds : []
    return new Map(ids.flatMap((id) => ((agent) => (agent === undefined ? [] : [[id, agent] as const]))(get(state().agents, id))))
  }
  const ofQueue = (command: Undoable): unknown => {
    if (command.kind === 'setDoor') return state().doors[command.queueId] ?? null
    return command.kind === 'switchStorm' ? state().storm.includes(command.queueId) : null
  }
  const takeBackOf = (act: Act, agentId: AgentId): boolean => {
    const [was, left, is] = [act.before.get(agentId), act.left.get(agentId), get(state().agents, agentId)]
    const back = was === undefined || left === undefined || is === undefined ? null : wayBack(act.command, was, left, is, state().setUp)
    return back !== null && give(back) === null
  }
  return {
    watch(command) {
      if (!isUndoable(command)) return () => null
      const [before, queueWas] = [rowsOf(command), ofQueue(command)]
      return () => {
        const act = { id: `act_${++count}`, command, atMs: now(), before, left: rowsOf(command), queueWas, queueLeft: ofQueue(command) }
        acts = [...acts.slice(1 - MOST_ACTS), act]
        return act.id
      }
    },
    takeBack(id, byAgentId) {
      const act = acts.find((a) => a.id === id)
      if (act === undefined || act.command.agentId !== byAgentId || now() - act.atMs > UNDO_FOR_MS) return null
      acts = acts.filter((a) => a !== act)
      const { command } = act
      if ('queueId' in command) {
        const stands = ofQueue(command) === act.queueLeft && act.queueLeft !== act.queueWas
        const back = command.kind === 'setDoor' ? { ...command, door: act.queueWas as typeof command.door } : { ...command, on: act.queueWas === true }
        const isBack = stands && give(back) === null
        return isBack ? { undone: [command.queueId], leftAlone: [] } : { undone: [], leftAlone: [command.queueId] }
      }
      const changed = [...act.left.keys()].filter((agentId) => act.left.get(agentId) !== act.before.get(agentId))
      const undone = changed.filter((agentId) => takeBackOf(act, agentId))
      return { undone, leftAlone: changed.filter((agentId) => !undone.includes(agentId)) }
    },
  }
}

/** What would take it back for this agent; null where it stands no more, or there is no sure way. */
function wayBack(command: Undoable, was: Agent, left: Agent, is: Agent, setUp: FloorState['setUp']): AgentCommand | null {
  const { agentId: byAgentId } = command
  if (command.kind === 'setReadiness') {
    if (is.shift === null || is.availability !== left.availability || is.shift.leaving !== left.shift?.leaving) return null
    const { ready, reason } = was.availability
    if (!ready && (reason === null || !isChosenReason(setUp, reason))) return null
    return { kind: 'setReadiness', agentId: byAgentId, agentIds: [is.id], ready, reason: reason ?? '' }
  }
  if (command.kind !== 'assignWork' || is.shift === null || was.shift === null) return null
  const { queueIds, campaignId, levels } = is.shift
  if (queueIds !== left.shift?.queueIds || campaignId !== left.shift.campaignId || levels !== left.shift.levels) return null
  // Levels of skill that were the account's cannot be given back as such.
  if (levels !== was.shift.levels) return null
  const [then, now] = [was.shift.queueIds, queueIds]
  return {
    kind: 'assignWork',
    agentId: byAgentId,
    agentIds: [is.id],
    add: then.filter((q) => !now.includes(q)),
    drop: now.filter((q) => !then.includes(q)),
    ...(campaignId === was.shift.campaignId ? {} : { campaignId: was.shift.campaignId }),
  }
}
