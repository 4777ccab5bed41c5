import { describe, expect, test } from 'vitest'
import type { Command } from '@/core/floor'
import { toCallId } from '@/core/ids'
import { SetUpSchema } from '@/core/set-up'
import { get, values } from '@/core/table'
import {
  ANN,
  aFloor,
  agreed,
  ann,
  BO,
  CENTRE,
  call,
  callbacks,
  events,
  FIRST,
  IDA,
  inAnHour,
  NUMBER,
  START_MS,
  save,
  type TestFloor,
  talked,
} from '@/core/testing'
import { DAY } from '@/core/time'

/** A month after the small centre opens. */
const SOON_MS = START_MS + 30 * DAY

describe('what an outcome asks for', () => {
  test.each([
    { says: 'no code', asked: save(null), then: 'outcomeMissing' },
    { says: 'a code of another set', asked: save('nonsense'), then: 'unknownCode' },
    { says: 'a code that is retired', asked: save('old'), then: 'unknownCode' },
    { says: 'no notes where the code needs them', asked: save('noted'), then: 'notesMissing' },
    { says: 'notes where the code needs them', asked: save('noted', { notes: 'Told her.' }), then: 'ok' },
    { says: 'no answer where the code needs one', asked: save('asked'), then: 'fieldMissing' },
    { says: 'a callback without a time', asked: save('call-back'), then: 'callbackTimeMissing' },
    {
      says: 'a callback in the past',
      asked: save('call-back', { callback: { dueAtMs: 5, timeZone: 'UTC', typed: '', owner: 'mine' } }),
      then: 'callbackInThePast',
    },
    {
      says: 'a callback to half a number',
      asked: save('call-back', { callback: { dueAtMs: SOON_MS, timeZone: 'UTC', typed: '01632', owner: 'mine' } }),
      then: 'numberTooShort',
    },
    {
      says: 'a task without a title',
      asked: save('hand-on', { task: { title: ' ', text: '', dueAtMs: SOON_MS, assignee: 'agent' } }),
      then: 'taskTitleMissing',
    },
  ])('$says: $then', ({ asked, then }) => expect(talked().give(asked)).toBe(then))
})

describe('what follows from an outcome', () => {
  test.each([
    { says: 'nothing', id: 'done', then: [] },
    { says: 'another try', id: 'again', then: ['callbackAgreed'] },
    { says: 'the number is never called', id: 'never-number', then: ['doNotCallAdded'] },
    { says: 'the number is struck', id: 'wrong', then: ['numberStruck'] },
    { says: 'a task is filed', id: 'hand-on', then: ['taskFiled'] },
  ])('$says', ({ id, then }) => {
    const floor = talked()
    const from = floor.entries.length
    expect(floor.give(save(id))).toBe('ok')
    expect(events(floor, from)).toEqual(['outcomeSaved', ...then, 'wrapUpEnded'])
    const saved = floor.entries[from]?.seq
    for (const entry of floor.entries.slice(from + 1, from + 1 + then.length)) expect(entry.causedBy).toBe(saved)
  })

  test('a task is prefilled from the call, and takes what the agent made of it', () => {
    const floor = talked()
    floor.give(save('hand-on'))
    expect(values(floor.state().tasks)[0]).toMatchObject({ title: 'See to Ida Holm', text: 'They chose one', customer: 'Ida Holm', assigneeId: ANN })
    const own = talked()
    own.give(save('hand-on', { task: { title: 'Ring the port', text: 'Soon', dueAtMs: SOON_MS, assignee: 'anybody' } }))
    expect(values(own.state().tasks)[0]).toMatchObject({ title: 'Ring the port', text: 'Soon', dueAtMs: SOON_MS, assigneeId: null })
    expect(own.give({ kind: 'closeTask', agentId: ANN, taskId: values(own.state().tasks)[0]?.taskId as never })).toBe('ok')
    expect(values(own.state().tasks)).toEqual([])
  })

  test('another outcome withdraws what followed from the first', () => {
    for (const [first, leaves] of [
      ['again', callbacks],
      ['never-person', (f: TestFloor) => values(f.state().doNotCall)],
      ['wrong', (f: TestFloor) => f.state().struck],
      ['hand-on', (f: TestFloor) => values(f.state().tasks)],
    ] as const) {
      const floor = aFloor(CENTRE)
      floor.give({ kind: 'startShift', agentId: ANN, queueIds: [FIRST], seat: 'desk' })
      floor.give({ kind: 'goReady', agentId: ANN })
      floor.give({ kind: 'callArrives', queueId: FIRST, number: NUMBER, customer: IDA, path: null })
      floor.give({ kind: 'answer', agentId: ANN, callId: toCallId('call_test_1') })
      floor.give(save(first))
      expect(leaves(floor)).toHaveLength(1)
      expect(floor.give(save('done'))).toBe('ok')
      expect(leaves(floor)).toHaveLength(0)
    }
  })

  test('tries are counted through the calls made for them, and end at their number', () => {
    const floor = talked()
    floor.give(save('again'))
    for (const [attempt, after] of [
      [1, 1],
      [2, 0],
    ] as const) {
      const callback = callbacks(floor)[0]
      expect(callback).toMatchObject({ why: 'retry', attempt, atMost: 2, ownerId: null, number: NUMBER })
      const callId = toCallId(`call_test_${attempt + 1}`)
      expect(floor.give({ kind: 'makeCall', agentId: ANN, typed: '', customer: null, callbackId: callback?.id as never })).toBe('ok')
      expect(get(floor.state().calls, callId)).toMatchObject({ queueId: FIRST, number: NUMBER, customer: { name: 'Ida Holm' } })
      floor.give({ kind: 'farEnd', callId, report: 'noAnswer' })
      floor.give({ kind: 'hangUp', agentId: ANN, callId })
      expect(floor.give(save('again', {}, attempt + 1))).toBe('ok')
      expect(callbacks(floor)).toHaveLength(after)
    }
    expect(floor.entries.findLast((e) => e.event.kind === 'callbackClosed')?.event).toMatchObject({ because: 'noTriesLeft' })
  })
})

describe('callbacks', () => {
  const withCallback = (owner: 'mine' | 'anyone') => {
    const floor = talked()
    floor.give(agreed(floor, owner))
    floor.give({ kind: 'startShift', agentId: BO, queueIds: [FIRST], seat: 'desk' })
    return { floor, callbackId: callbacks(floor)[0]?.id as never }
  }
  test.each([
    { says: 'a colleague dials one that is anybody’s', owner: 'anyone', when: { kind: 'makeCall', typed: '', customer: null }, then: 'ok' },
    { says: 'a colleague does not dial mine', owner: 'mine', when: { kind: 'makeCall', typed: '', customer: null }, then: 'callbackOfAnother' },
    { says: 'nor move it', owner: 'mine', when: { kind: 'moveCallback', dueAtMs: SOON_MS, timeZone: 'UTC', why: '' }, then: 'callbackOfAnother' },
    { says: 'it is moved', owner: 'anyone', when: { kind: 'moveCallback', dueAtMs: SOON_MS, timeZone: 'UTC', why: '' }, then: 'ok' },
    { says: 'but not beyond a year', owner: 'anyone', when: { kind: 'moveCallback', dueAtMs: 9e12, timeZone: 'UTC', why: '' }, then: 'callbackTooFar' },
    {
      says: 'nor to a zone that is none',
      owner: 'anyone',
      when: { kind: 'moveCallback', dueAtMs: SOON_MS, timeZone: 'Mars/Base', why: '' },
      then: 'timeZoneUnknown',
    },
    { says: 'nor into the past', owner: 'anyone', when: { kind: 'moveCallback', dueAtMs: 5, timeZone: 'UTC', why: '' }, then: 'callbackInThePast' },
    { says: 'it is taken over', owner: 'anyone', when: { kind: 'handOverCallback', ownerId: BO }, then: 'ok' },
    { says: 'not handed to whoever has it', owner: 'anyone', when: { kind: 'handOverCallback', ownerId: null }, then: 'callbackUnchanged' },
    { says: 'nor to a stranger', owner: 'anyone', when: { kind: 'handOverCallback', ownerId: 'agent_nobody' }, then: 'targetUnknown' },
    { says: 'it is given up with a reason', owner: 'anyone', when: { kind: 'dropCallback', why: 'She called us.' }, then: 'ok' },
    { says: 'and not without', owner: 'anyone', when: { kind: 'dropCallback', why: ' ' }, then: 'whyMissing' },
  ] as const)('$says: $then', ({ owner, when, then }) => {
    const { floor, callbackId } = withCallback(owner)
    expect(floor.give({ ...when, agentId: BO, callbackId } as Command)).toBe(then)
  })

  test('one that is being called is nobody else’s, and is done when that call is coded', () => {
    const { floor, callbackId } = withCallback('anyone')
    floor.give({ kind: 'makeCall', agentId: ANN, typed: '', customer: null, callbackId })
    expect(floor.give({ kind: 'makeCall', agentId: BO, typed: '', customer: null, callbackId })).toBe('callbackUnderWay')
    floor.give({ kind: 'farEnd', callId: toCallId('call_test_2'), report: 'ringing' })
    floor.give({ kind: 'farEnd', callId: toCallId('call_test_2'), report: 'answered' })
    expect(get(floor.state().work, 'call_test_2')?.run?.scriptId).toBe('script_small')
    floor.give({ kind: 'hangUp', agentId: ANN, callId: toCallId('call_test_2') })
    floor.give(save('done', {}, 2))
    expect(floor.give({ kind: 'dropCallback', agentId: BO, callbackId, why: 'Over.' })).toBe('noSuchCallback')
  })

  test('one that nobody makes escalates: it is anybody’s, and moving it brings it back to its time', () => {
    const { floor, callbackId } = withCallback('mine')
    floor.give({ kind: 'passTime' }, 3_600_000 + 50_000)
    expect(callbacks(floor)[0]?.escalatedAtMs).toBeNull()
    floor.give({ kind: 'passTime' }, 20_000)
    expect(callbacks(floor)[0]).toMatchObject({ ownerId: null, escalatedAtMs: floor.state().atMs })
    floor.give({ kind: 'moveCallback', agentId: BO, callbackId, dueAtMs: inAnHour(floor), timeZone: 'UTC', why: '' })
    expect(callbacks(floor)[0]?.escalatedAtMs).toBeNull()
  })
})

describe('an outcome taken back', () => {
  const back = (n = 1): Command => ({ kind: 'takeBackOutcome', agentId: ANN, callId: toCallId(`call_test_${n}`) })
  const withGrace = (inMs: number, id = 'again') => {
    const floor = aFloor(SetUpSchema.parse({ ...CENTRE, takeBackMs: 4_000 }))
    floor.give({ kind: 'startShift', agentId: ANN, queueIds: [FIRST], seat: 'desk' })
    floor.give({ kind: 'goReady', agentId: ANN })
    call(floor)
    floor.give({ kind: 'hangUp', agentId: ANN, callId: toCallId('call_test_1') })
    floor.give(save(id, { notes: 'Half a story' }))
    return { floor, verdict: floor.give(back(), inMs) }
  }

  test('within the grace the call is wrapped up again with what was written, and nothing has followed', () => {
    const { floor, verdict } = withGrace(4_000)
    expect(verdict).toBe('ok')
    expect(ann(floor)).toMatchObject({ state: { name: 'wrapUp' }, codedCount: 0 })
    expect(get(floor.state().work, 'call_test_1')).toMatchObject({ notes: 'Half a story', outcome: null, owedBy: [ANN] })
    expect(callbacks(floor)).toEqual([])
    expect(floor.give(save('done'))).toBe('ok')
    expect(floor.state().work.size).toBe(0)
  })

  test('over the grace, or with another call, it stands', () => {
    expect(withGrace(4_001).verdict).toBe('outcomeStands')
    expect(talked().give(back())).toBe('outcomeStands')
    const { floor } = withGrace(9_000, 'done')
    floor.give({ kind: 'callArrives', queueId: FIRST, number: NUMBER, customer: IDA, path: 'one' }, 0)
    expect(floor.give(back(), 0)).toBe('outcomeStands')
  })
})

describe('corrections', () => {
  const correct = (more: object = {}): Command =>
    ({
      kind: 'correctOutcome',
      agentId: ANN,
      callId: toCallId('call_test_1'),
      queueId: FIRST,
      direction: 'inbound',
      code: 'later',
      was: 'done',
      why: 'Pressed the wrong key',
      ...more,
    }) as Command
  test.each([
    { says: 'by the agent, on this shift', when: correct(), then: 'ok' },
    { says: 'to the same', when: correct({ code: 'done' }), then: 'codeUnchanged' },
    { says: 'to a code that is retired', when: correct({ code: 'old' }), then: 'unknownCode' },
    { says: 'without a reason', when: correct({ why: '' }), then: 'whyMissing' },
    { says: 'by somebody else', when: correct({ agentId: BO }), then: 'notYoursToCorrect' },
    { says: 'by a supervisor', when: correct({ agentId: 'agent_sue' }), then: 'ok' },
    { says: 'by an owner of the set-up', when: correct({ agentId: 'agent_own' }), then: 'notYoursToCorrect' },
    { says: 'of a call of last week, by a supervisor', when: correct({ agentId: 'agent_sue', callId: 'call_old_1' }), then: 'ok' },
    { says: 'of a call of last week, by an agent', when: correct({ callId: 'call_old_1' }), then: 'notYoursToCorrect' },
  ])('$says: $then', ({ when, then }) => {
    const floor = talked()
    floor.give(save('done'))
    expect(floor.give(when)).toBe(then)
  })

  test('a new shift knows the calls of the last one no more', () => {
    const floor = talked()
    floor.give(save('done'))
    floor.give({ kind: 'endShift', agentId: ANN })
    floor.give({ kind: 'startShift', agentId: ANN, queueIds: [FIRST], seat: 'desk' })
    expect(floor.give(correct())).toBe('notYoursToCorrect')
  })
})
