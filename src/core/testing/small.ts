// Builders for tests: a small centre, and a floor that is driven by commands and remembers its entries.
import { brokenBy, type Command, decide, openFloor, takeUp } from '@/core/floor'
import { toAgentId, toOutcomeSetId, toQueueId, toScriptId } from '@/core/ids'
import type { CarriedOver, LedgerEntry } from '@/core/ledger'
import { type SetUp, SetUpSchema } from '@/core/set-up'
import { type FloorState, floorOf } from '@/core/state'

export const START_MS = Date.UTC(2026, 10, 24, 9)
export const ANN = toAgentId('agent_ann')
export const BO = toAgentId('agent_bo')
export const CY = toAgentId('agent_cy')
export const FIRST = toQueueId('queue_first')
export const SECOND_QUEUE = toQueueId('queue_second')

const code = (key: string, id: string, follows: object = { kind: 'nothing' }, doubts: object[] = []) => ({
  code: id,
  label: id,
  key,
  means: 'for tests',
  counts: { contact: true, rightParty: true, conversion: false, final: true },
  follows,
  doubts,
})

export const SMALL: SetUp = SetUpSchema.parse({
  centre: 'Small centre',
  homeCountry: 'GB',
  ringLimitMs: 20_000,
  holdLimitMs: 60_000,
  takeBackMs: 0,
  notReadyReasons: [
    { name: 'Break', paid: true, plannedMs: 600_000 },
    { name: 'Lunch', paid: false, plannedMs: 1_800_000 },
    { name: 'Missed ring', paid: true, plannedMs: null, givenByFloor: true },
    { name: 'Sound lost', paid: true, plannedMs: null, givenByFloor: true },
    { name: 'Desk lost', paid: true, plannedMs: null, givenByFloor: true },
    { name: 'Outcome owed', paid: true, plannedMs: null, givenByFloor: true },
  ],
  agents: [ANN, BO, CY].map((id, i) => ({ id, name: ['Ann', 'Bo', 'Cy'][i], role: 'agent', queueIds: [FIRST, SECOND_QUEUE], playable: false })),
  queues: [
    {
      id: FIRST,
      name: 'First',
      headStartMs: 60_000,
      keepsPlaces: true,
      serviceLevelMs: 10_000,
      recommendedWrapUpMs: 30_000,
      scriptId: 'script_small',
      outcomeSetId: 'outcomes_small',
      paths: ['one'],
    },
    {
      id: SECOND_QUEUE,
      name: 'Second',
      serviceLevelMs: 20_000,
      recommendedWrapUpMs: 30_000,
      scriptId: null,
      outcomeSetId: 'outcomes_small',
      paths: [],
    },
  ],
  scripts: [
    {
      id: toScriptId('script_small'),
      version: 3,
      name: 'Small script',
      startPage: 'hello',
      pages: [
        {
          id: 'hello',
          title: 'Hello',
          say: ['Hello {caller.name|there}'],
          direction: null,
          questions: [
            { field: 'speaking', label: 'Speaking', kind: 'yesNo' },
            { field: 'reference', label: 'Reference', kind: 'text', shape: { pattern: 'FL-\\d{6}', example: 'FL-204816' } },
            {
              field: 'wish',
              label: 'Wish',
              kind: 'choice',
              options: [
                { value: 'go', label: 'Go' },
                { value: 'stay', label: 'Stay' },
              ],
            },
          ],
          ways: [
            { when: { field: 'speaking', is: true }, to: 'end' },
            { when: { field: 'speaking', is: false }, to: 'sorry' },
          ],
          suggests: [],
        },
        { id: 'end', title: 'End', say: ['Bye'], direction: null, questions: [], ways: [], suggests: ['done'] },
        { id: 'sorry', title: 'Sorry', say: ['Sorry'], direction: null, questions: [], ways: [{ when: null, to: 'end' }], suggests: [] },
      ],
    },
  ],
  outcomeSets: [
    {
      id: toOutcomeSetId('outcomes_small'),
      name: 'Small',
      codes: [code('1', 'done'), code('2', 'later', { kind: 'nothing' }, [{ when: { field: 'wish', is: 'stay' }, says: 'They want to stay. Later?' }])],
    },
  ],
  outsideOutcomeSetId: 'outcomes_small',
})

export interface TestFloor {
  state(): FloorState
  readonly entries: LedgerEntry[]
  /** Gives a command `inMs` after the last one; `ok` or the reason it was refused for. Throws when it leaves behind what must not be on any floor. */
  give(command: Command, inMs?: number): string
}

/** With what earlier days have left, where there were any. */
export function aFloor(setUp: SetUp = SMALL, { floorId = 'test', startMs = START_MS, before = null as CarriedOver | null } = {}): TestFloor {
  const opened = openFloor(floorId, setUp, startMs)
  const entries = [opened]
  let atMs = startMs
  const state = floorOf(opened)
  if (before !== null) entries.push(...takeUp(state, before, { atMs }).entries)
  return {
    state: () => state,
    entries,
    give(command, inMs = 1000) {
      atMs += inMs
      const decision = decide(state, command, { atMs })
      if (!decision.ok) return decision.refusal.reason
      const laws = brokenBy(state, decision.journal)
      if (laws.length > 0) throw new Error(`${JSON.stringify(command)} broke: ${laws.join('; ')}`)
      entries.push(...decision.entries)
      return 'ok'
    },
  }
}

/** A floor with these agents on shift and ready. */
export function aReadyFloor(agents: readonly (typeof ANN)[] = [ANN]): TestFloor {
  const floor = aFloor()
  for (const agentId of agents) {
    floor.give({ kind: 'startShift', agentId, queueIds: [FIRST, SECOND_QUEUE], seat: 'desk' })
    floor.give({ kind: 'goReady', agentId })
  }
  return floor
}

export const arrives = (queueId = FIRST): Command => ({ kind: 'callArrives', queueId, number: '+441632960112', customer: null, path: 'one' })
