// A floor of 60 agents and 200 live calls (60 talking, 140 waiting), and the commands that keep it so: a talker hangs
// up and codes, the longest waiting call is answered, a new one comes in.
import { type Command, decide, openFloor } from '@/core/floor'
import { toAgentId } from '@/core/ids'
import { SetUpSchema } from '@/core/set-up'
import { type FloorState, floorOf } from '@/core/state'
import { get } from '@/core/table'
import { FENNHOLM, SAILINGS } from '@/world/scenario'

const AGENTS = 60
const LIVE_CALLS = 200

const ids = Array.from({ length: AGENTS }, (_, i) => toAgentId(`agent_bench_${i}`))
const SET_UP = SetUpSchema.parse({
  ...FENNHOLM,
  agents: ids.map((id, i) => ({ id, name: `Agent ${i}`, role: 'agent' as const, queueIds: [SAILINGS], playable: false })),
})
const arrives: Command = { kind: 'callArrives', queueId: SAILINGS, number: '+441632960112', customer: null, path: null }

export interface BusyFloor {
  readonly state: FloorState
  atMs: number
}

export function aBusyFloor(): BusyFloor {
  const opened = openFloor('bench', SET_UP, 1)
  const state = floorOf(opened)
  let atMs = 1
  const give = (command: Command) => {
    must(state, command, ++atMs)
  }
  for (const agentId of ids) {
    give({ kind: 'startShift', agentId, queueIds: [SAILINGS], seat: 'desk' })
    give({ kind: 'goReady', agentId })
  }
  for (let i = 0; i < LIVE_CALLS; i++) give(arrives)
  for (const agentId of ids) give({ kind: 'answer', agentId, callId: callOf(state, agentId) })
  return { state, atMs }
}

/** Gives `count` commands; throws when one is refused, which would be a fast no-op. */
export function keepBusy(floor: BusyFloor, count: number): void {
  const { state } = floor
  for (let given = 0; given < count; given += 8) {
    const agentId = ids[(given / 8) % AGENTS] as (typeof ids)[number]
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
    for (const command of turn) must(state, command, ++floor.atMs)
    must(state, { kind: 'answer', agentId, callId: callOf(state, agentId) }, ++floor.atMs)
    must(state, arrives, ++floor.atMs)
  }
}

function must(state: FloorState, command: Command, atMs: number): void {
  const decision = decide(state, command, { atMs })
  if (!decision.ok) throw new Error(`the bench gave a command that is refused: ${JSON.stringify(command)}: ${decision.refusal.reason}`)
}

function callOf(state: FloorState, agentId: (typeof ids)[number]) {
  const engagement = get(state.agents, agentId)?.engagements[0]
  if (engagement === undefined) throw new Error(`${agentId} has no call`)
  return engagement.callId
}
