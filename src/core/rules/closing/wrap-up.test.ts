import { describe, expect, test } from 'vitest'
import { toCallId } from '@/core/ids'
import { get } from '@/core/table'
import { ANN, ann, BO, call, FIRST, SECOND_QUEUE, save, talked } from '@/core/testing'

describe('wrap-up and what is owed', () => {
  test('over its limit the call is owed and the queue says how the agent goes on', () => {
    for (const [queueId, state] of [
      [FIRST, 'notReady'],
      [SECOND_QUEUE, 'ready'],
    ] as const) {
      const floor = talked(ANN, queueId)
      floor.give({ kind: 'passTime' }, 89_000)
      expect(ann(floor)?.state.name).toBe('wrapUp')
      floor.give({ kind: 'passTime' }, 1_000)
      expect(ann(floor)?.state.name).toBe(state)
      expect(ann(floor)?.owed).toMatchObject([{ callId: 'call_test_1', because: 'limit' }])
      expect(floor.give(save('done', { notes: 'Late, and kept.' }))).toBe('ok')
      expect(ann(floor)).toMatchObject({ owed: [], state: { name: 'ready' } })
      expect(floor.state().work.size).toBe(0)
    }
  })

  test.each([
    { says: 'once', given: ['Much to write'], then: ['ok'] },
    { says: 'not twice', given: ['Much to write', 'More'], then: ['ok', 'alreadyExtended'] },
    { says: 'not without a reason', given: [''], then: ['whyMissing'] },
  ])('it is extended $says', ({ given, then }) => {
    const floor = talked()
    expect(given.map((why) => floor.give({ kind: 'extendWrapUp', agentId: ANN, callId: toCallId('call_test_1'), why }))).toEqual(then)
    floor.give({ kind: 'passTime' }, 91_000)
    expect(ann(floor)?.state.name).toBe(then[0] === 'ok' ? 'wrapUp' : 'notReady')
    floor.give({ kind: 'passTime' }, 30_000)
    expect(ann(floor)?.state.name).toBe('notReady')
  })

  test('who takes no wrap-up is ready at once and owes; over the allowed number they are not', () => {
    const floor = talked(BO)
    const bo = () => get(floor.state().agents, BO)
    expect(bo()).toMatchObject({ state: { name: 'ready' }, owed: [{ because: 'noWrapUp' }] })
    call(floor, BO, FIRST, 2)
    expect(bo()).toMatchObject({ state: { name: 'notReady', reason: 'Outcome owed' }, owed: [{}, {}] })
    expect(floor.give({ kind: 'goReady', agentId: BO })).toBe('outcomeOwed')
    expect(floor.give({ kind: 'endShift', agentId: BO })).toBe('outcomeOwed')
    floor.give(save('done', { agentId: BO }, 1))
    expect(bo()).toMatchObject({ state: { name: 'ready' }, owed: [{ callId: 'call_test_2' }] })
  })

  test('going ready in wrap-up leaves the outcome for later, as far as that is allowed', () => {
    const floor = talked()
    expect(floor.give({ kind: 'goReady', agentId: ANN })).toBe('ok')
    expect(ann(floor)).toMatchObject({ state: { name: 'ready' }, owed: [{ because: 'leftForLater' }] })
    call(floor, ANN, FIRST, 2)
    expect(floor.give({ kind: 'goReady', agentId: ANN })).toBe('outcomeOwed')
    expect(floor.give(save('done', {}, 2))).toBe('ok')
    expect(ann(floor)?.state.name).toBe('ready')
  })
})
