import { describe, expect, test } from 'vitest'
import { pairOf } from '@/core/circles'
import type { Command } from '@/core/floor'
import { toAgentId, toQueueId } from '@/core/ids'
import { SetUpSchema } from '@/core/set-up'
import { values } from '@/core/table'
import { ANN, aFloor, BO, CY, FIRST, SECOND_QUEUE, SMALL, type TestFloor } from '@/core/testing'

const CENTRE = SetUpSchema.parse({ ...SMALL, agents: SMALL.agents.map((a) => ({ ...a, team: a.id === CY ? 'Alone' : 'Quay' })) })

/** Ann and Bo serve the first queue; Cy is not on shift. */
function floor(): TestFloor {
  const made = aFloor(CENTRE)
  for (const agentId of [ANN, BO]) made.give({ kind: 'startShift', agentId, queueIds: [FIRST], seat: 'desk' })
  return made
}
const write = (to: object, text = 'The 12:40 is late.', agentId = ANN) => ({ kind: 'writeToColleagues', agentId, to, text }) as Command
const read = (agentId: typeof ANN, throughNo: number, circle: object = pairOf(ANN, BO)) => ({ kind: 'readCircle', agentId, circle, throughNo }) as Command

describe('messages between colleagues', () => {
  test.each([
    ['noSuchAccount', write({ kind: 'agent', agentId: BO }, 'Hello', toAgentId('agent_nobody'))],
    ['messageEmpty', write({ kind: 'agent', agentId: BO }, ' \n ')],
    ['messageTooLong', write({ kind: 'agent', agentId: BO }, 'w'.repeat(100_001))],
    ['writesToThemselves', write({ kind: 'agent', agentId: ANN })],
    ['targetUnknown', write({ kind: 'agent', agentId: toAgentId('agent_nobody') })],
    ['targetUnknown', write({ kind: 'queue', queueId: toQueueId('queue_none') })],
    // Of her own team nobody else, of the queue nobody at all.
    ['nobodyReads', write({ kind: 'team', team: 'Alone' }, 'Hello', CY)],
    ['nobodyReads', write({ kind: 'team', team: '' })],
    ['nobodyReads', write({ kind: 'queue', queueId: SECOND_QUEUE })],
    ['notAmongThem', read(ANN, 1)],
  ])('are refused: %s', (reason, command) => expect(floor().give(command)).toBe(reason))

  test('reach whoever is meant, are unread until they are read, and are nobody else’s', () => {
    const made = floor()
    expect(made.give(write({ kind: 'agent', agentId: BO }))).toBe('ok')
    expect(made.give(write({ kind: 'team', team: 'Quay' }))).toBe('ok')
    expect(made.give(write({ kind: 'queue', queueId: FIRST }))).toBe('ok')
    const last = () => made.entries.at(-1)?.event
    expect(last()).toMatchObject({ kind: 'circleWritten', to: [BO], there: [BO] })
    expect(values(made.state().circles)).toHaveLength(3)
    expect(made.give(read(CY, 1))).toBe('notAmongThem')
    expect(made.give(read(BO, 9))).toBe('ok')
    expect(last()).toMatchObject({ kind: 'circleRead', agentId: BO, throughNo: 1 })
    // Read once is read.
    const { length } = made.entries
    expect(made.give(read(BO, 1))).toBe('ok')
    expect(made.entries).toHaveLength(length)
    // To somebody who is not on shift it goes all the same, and says that they were not there.
    expect(made.give(write({ kind: 'agent', agentId: CY }))).toBe('ok')
    expect(last()).toMatchObject({ to: [CY], there: [] })
  })
})
