// A floor on which every agent talks and more calls wait, and the commands that keep it so: a talker hangs up and codes, the longest waiting call is
// answered, a new one comes in.
import { type Command, decide, openFloor } from '@/core/floor'
import { type AgentId, toAgentId } from '@/core/ids'
import type { LedgerEntry } from '@/core/ledger'
import { SetUpSchema } from '@/core/set-up'
import { type FloorState, floorOf } from '@/core/state'
import { get } from '@/core/table'
import { FENNHOLM, SAILINGS } from '@/world/scenario'

/** Calls under way for each agent: one is talked on, the others wait. */
const LIVE_CALLS_EACH = 10 / 3

const arrives: Command = { kind: 'callArrives', queueId: SAILINGS, number: '+441632960112', customer: null, path: null }

export interface BusyFloor {
  readonly state: FloorState
  readonly ids: readonly AgentId[]
  /** All that has happened on it. */
  readonly entries: LedgerEntry[]
  atMs: number
}

export function aBusyFloor(agentCount = 60): BusyFloor {
  const ids = Array.from({ length: agentCount }, (_, i) => toAgentId(`agent_bench_${i}`))
  const setUp = SetUpSchema.parse({
    ...FENNHOLM,
    agents: ids.map((id, i) => ({ id, name: `Agent ${i}`, role: 'agent' as const, queueIds: [SAILINGS], playable: false })),
  })
  const opened = openFloor('bench', setUp, 1)
  const floor: BusyFloor = { state: floorOf(opened), ids, entries: [opened], atMs: 1 }
  const { state } = floor
  const give = (command: Command) => must(floor, command)
  for (const agentId of ids) {
    give({ kind: 'startShift', agentId, queueIds: [SAILINGS], seat: 'desk' })
    give({ kind: 'goReady', agentId })
  }
  for (let i = 0; i < agentCount * LIVE_CALLS_EACH; i++) give(arrives)
  for (const agentId of ids) give({ kind: 'answer', agentId, callId: callOf(state, agentId) })
  return floor
}

/** Gives `count` commands; throws when one is refused, which would be a fast no-op. */
export function keepBusy(floor: BusyFloor, count: number): void {
  const { state, ids } = floor
  for (let given = 0; given < count; given += 8) {
    const agentId = ids[(given / 8) % ids.length] as AgentId
    const callId = callOf(state, agentId)
    const me = { agentId, callId }
    const turn: Command[] = [
      { kind: 'hold', ...me },
      { kind: 'retrieve', ...me },
      { kind: 'draftNotes', ...me, text: `note ${given}`, followUp: '' },
      { kind: 'answerScript', ...me, field: 'speaking', value: 'booker' },
      { kind: 'hangUp', ...me },
      { kind: 'saveOutcome', ...me, code: 'booking-changed', notes: '', followUp: '', andThen: { state: 'ready' } },
    ]
    for (const command of turn) must(floor, command)
    must(floor, { kind: 'answer', agentId, callId: callOf(state, agentId) })
    must(floor, arrives)
  }
}

function must(floor: BusyFloor, command: Command): void {
  const decision = decide(floor.state, command, { atMs: ++floor.atMs })
  if (!decision.ok) throw new Error(`the bench gave a command that is refused: ${JSON.stringify(command)}: ${decision.refusal.reason}`)
  for (const entry of decision.entries) floor.entries.push(entry)
}

function callOf(state: FloorState, agentId: AgentId) {
  const engagement = get(state.agents, agentId)?.engagements[0]
  if (engagement === undefined) throw new Error(`${agentId} has no call`)
  return engagement.callId
}
