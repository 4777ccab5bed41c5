// A centre in which something follows from every outcome, for the tests of what follows: a code for each consequence, wrap-ups with a limit, a
// supervisor, an owner of the set-up, and one outcome that may be owed.
import type { AgentCommand } from '@/core/floor'
import { toCallId } from '@/core/ids'
import type { FloorEvent } from '@/core/ledger'
import { type SetUp, SetUpSchema } from '@/core/set-up'
import { get, values } from '@/core/table'
import { ANN, aFloor, BO, FIRST, SECOND_QUEUE, SMALL, type TestFloor } from './small'

export const NUMBER = '+441632960112'
export const IDA = { name: 'Ida Holm', group: 'Visitor', facts: [] }

const code = (key: string, id: string, follows: object, more: object = {}) => ({
  ...SMALL.outcomeSets[0]?.codes[0],
  key,
  code: id,
  label: id,
  follows,
  ...more,
})

/** The small centre with a code for everything that can follow, wrap-ups with a limit, a supervisor, and one outcome that may be owed. */
export const CENTRE: SetUp = SetUpSchema.parse({
  ...SMALL,
  mostOwed: 1,
  callbackMissedAfterMs: 60_000,
  agents: [
    ...SMALL.agents.map((a) => (a.id === BO ? { ...a, takesWrapUp: false } : a)),
    { ...SMALL.agents[0], id: 'agent_sue', name: 'Sue', role: 'supervisor', queueIds: [], may: ['supervision'] },
    { ...SMALL.agents[0], id: 'agent_own', name: 'Own', role: 'supervisor', queueIds: [], may: ['setUp'] },
  ],
  queues: SMALL.queues.map((q) => ({
    ...q,
    wrapUpLimit: { afterMs: 90_000, andThen: q.id === FIRST ? 'notReady' : 'ready', extensionMs: 30_000 },
  })),
  outcomeSets: SMALL.outcomeSets.map((set) => ({
    ...set,
    codes: [
      ...set.codes,
      code('3', 'call-back', { kind: 'callback' }),
      code('4', 'again', { kind: 'retry', afterMs: 7_200_000, atMost: 2 }),
      code('5', 'never-number', { kind: 'neverCall', whom: 'number' }),
      code('6', 'never-person', { kind: 'neverCall', whom: 'person' }),
      code('7', 'wrong', { kind: 'wrongNumber' }),
      code('8', 'hand-on', { kind: 'task', title: 'See to {caller.name|them}', text: 'They chose {call.path|nothing}', dueAfterMs: 60_000, assignee: 'agent' }),
      code('9', 'noted', { kind: 'nothing' }, { needs: { notes: true, field: null } }),
      code('0', 'asked', { kind: 'nothing' }, { needs: { notes: false, field: 'reference' } }),
      code('1', 'old', { kind: 'nothing' }, { retired: true }),
      code('2', 'old-too', { kind: 'nothing' }, { retired: true }),
    ],
  })),
})

export const save = (id: string | null, more: Partial<Extract<AgentCommand, { kind: 'saveOutcome' }>> = {}, n = 1): AgentCommand => ({
  kind: 'saveOutcome',
  agentId: ANN,
  callId: toCallId(`call_test_${n}`),
  code: id,
  notes: '',
  followUp: '',
  andThen: { state: 'ready' },
  ...more,
})

/** Ann (or Bo) has talked with Ida and is rid of her. */
export function talked(agentId = ANN, queueId = FIRST): TestFloor {
  const floor = aFloor(CENTRE)
  floor.give({ kind: 'startShift', agentId, queueIds: [FIRST, SECOND_QUEUE], seat: 'desk' })
  floor.give({ kind: 'goReady', agentId })
  call(floor, agentId, queueId, 1)
  return floor
}

export function call(floor: TestFloor, agentId = ANN, queueId = FIRST, n = 1): void {
  const callId = toCallId(`call_test_${n}`)
  floor.give({ kind: 'callArrives', queueId, number: NUMBER, customer: IDA, path: 'one' })
  for (const kind of ['answer', 'hangUp'] as const) {
    const verdict = floor.give({ kind, agentId, callId })
    if (verdict !== 'ok') throw new Error(`${kind}: ${verdict}`)
  }
}

/** What happened from an entry on. */
export const events = (floor: TestFloor, from: number): FloorEvent['kind'][] => floor.entries.slice(from).map((e) => e.event.kind)
/** Ann as she is now. */
export const ann = (floor: TestFloor) => get(floor.state().agents, ANN)
export const callbacks = (floor: TestFloor) => values(floor.state().callbacks)
export const inAnHour = (floor: TestFloor) => floor.state().atMs + 3_600_000
export const agreed = (floor: TestFloor, owner: 'mine' | 'anyone' = 'mine') =>
  save('call-back', { callback: { dueAtMs: inAnHour(floor), timeZone: 'Europe/London', typed: '', owner } })
