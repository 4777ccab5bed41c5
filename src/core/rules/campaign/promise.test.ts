import { describe, expect, test } from 'vitest'
import type { AgentId, CallbackId } from '@/core/ids'
import { SetUpSchema } from '@/core/set-up'
import { get, values } from '@/core/table'
import { aFloor, aRecord, CAMPAIGNS, CROWDED, MANY, type TestFloor } from '@/core/testing'
import { HOUR, MINUTE } from '@/core/time'

const [, CAMPAIGN = CAMPAIGNS[0]] = CAMPAIGNS as [string, (typeof CAMPAIGNS)[number]]
const [, SUPERVISOR, ANN, BO] = MANY as [AgentId, AgentId, AgentId, AgentId]
const RECORD = aRecord(4)

const preview = (floor: TestFloor, agentId: AgentId) => get(floor.state().previews, agentId)
const promised = (floor: TestFloor) => values(floor.state().callbacks).find((c) => c.ofCampaign !== null)
const offered = (floor: TestFloor, inMs = 1_000) => floor.give({ kind: 'offerPromise', callbackId: promised(floor)?.id as CallbackId }, inMs)

/** Ann and Bo work the progressive campaign, and Ann has just talked with somebody of its list, in wrap-up. */
function afterATalk(setUp = CROWDED): { readonly floor: TestFloor; readonly callId: string } {
  const floor = aFloor(setUp)
  floor.give({ kind: 'startCampaign', agentId: SUPERVISOR, campaignId: CAMPAIGN as never })
  for (const agentId of [ANN, BO]) {
    floor.give({ kind: 'startShift', agentId, queueIds: [], campaignId: CAMPAIGN as never, seat: 'desk' })
    floor.give({ kind: 'goReady', agentId })
  }
  floor.give({ kind: 'makeAttempt', campaignId: CAMPAIGN as never, record: RECORD })
  const attemptId = values(floor.state().attempts)[0]?.id as never
  for (const is of ['rings', 'answered'] as const) floor.give({ kind: 'reportAttempt', attemptId, report: { is } })
  floor.give({ kind: 'reportAttempt', attemptId, report: { is: 'live', sinceGreetingMs: 0 } })
  const callId = values(floor.state().work)[0]?.id as never
  expect(get(floor.state().work, callId)?.handledBy).toBe(ANN)
  floor.give({ kind: 'hangUp', agentId: ANN, callId })
  // Until then it could be taken back.
  floor.give({ kind: 'passTime' }, 5_000)
  return { floor, callId }
}

/** A callback in an hour, Ann's or anybody's; everybody is ready again. */
function promise(owner: 'mine' | 'anyone'): TestFloor {
  const { floor, callId } = afterATalk()
  const callback = { dueAtMs: floor.state().atMs + HOUR, timeZone: 'UTC', typed: '', owner }
  expect(
    floor.give({
      kind: 'saveOutcome',
      agentId: ANN,
      callId: callId as never,
      code: 'follows-0',
      notes: 'Ask for the new date.',
      callback,
      andThen: { state: 'ready' },
    } as never),
  ).toBe('ok')
  return floor
}

describe('what was promised to somebody of a list', () => {
  test('comes to who promised it when it is due and they are free, is called with one press, and is done when that call is coded', () => {
    const floor = promise('mine')
    expect(offered(floor)).toBe('notInThatState')
    floor.give({ kind: 'goNotReady', agentId: ANN, reason: 'Break' }, HOUR)
    // Bo is free, and it is not his.
    expect(offered(floor)).toBe('agentNotFree')
    floor.give({ kind: 'goReady', agentId: ANN })
    expect(offered(floor)).toBe('ok')
    expect(preview(floor, ANN)).toMatchObject({ record: { recordId: RECORD.recordId, tries: RECORD.tries + 1 }, callbackId: promised(floor)?.id })
    // Nobody is shown it twice.
    expect(offered(floor)).toBe('notInThatState')
    expect(floor.give({ kind: 'callRecord', agentId: ANN })).toBe('ok')
    const attempt = values(floor.state().attempts)[0]
    expect(attempt).toMatchObject({ agentId: ANN, record: { recordId: RECORD.recordId } })
    expect(promised(floor)?.dialled).toEqual({ callId: attempt?.callId, byAgentId: ANN })
    for (const report of ['ringing', 'answered'] as const) floor.give({ kind: 'farEnd', callId: attempt?.callId as never, report })
    floor.give({ kind: 'hangUp', agentId: ANN, callId: attempt?.callId as never })
    floor.give({ kind: 'passTime' }, 5_000)
    expect(floor.give({ kind: 'saveOutcome', agentId: ANN, callId: attempt?.callId as never, code: 'done', andThen: { state: 'ready' } } as never)).toBe('ok')
    expect(promised(floor)).toBeUndefined()
  })

  test('anybody’s goes to whoever has been free longest; skipped it is put off, and comes again', () => {
    const floor = promise('anyone')
    expect(offered(floor, HOUR + 1)).toBe('ok')
    expect(preview(floor, BO)?.callbackId).toBe(promised(floor)?.id)
    expect(floor.give({ kind: 'skipRecord', agentId: BO, why: 'Has just written' })).toBe('ok')
    expect(promised(floor)?.dueAtMs).toBe(floor.state().atMs + 15 * MINUTE)
    expect(offered(floor)).toBe('notInThatState')
    expect(offered(floor, 15 * MINUTE)).toBe('ok')
  })

  test('is not shown to whom somebody else is on the way: they would find nobody', () => {
    const floor = promise('anyone')
    floor.give({ kind: 'goNotReady', agentId: BO, reason: 'Break' })
    floor.give({ kind: 'makeAttempt', campaignId: CAMPAIGN as never, record: aRecord(9) }, HOUR)
    expect(offered(floor)).toBe('agentNotFree')
    floor.give({ kind: 'reportAttempt', attemptId: values(floor.state().attempts)[0]?.id as never, report: { is: 'busy' } })
    expect(offered(floor)).toBe('ok')
  })

  test('given up, moved or handed over while it is looked at, it is shown no more', () => {
    for (const by of [
      { kind: 'dropCallback', why: 'Has called us.' },
      { kind: 'handOverCallback', ownerId: ANN },
    ]) {
      const floor = promise('anyone')
      offered(floor, HOUR + 1)
      expect(preview(floor, BO)).toBeDefined()
      expect(floor.give({ ...by, agentId: ANN, callbackId: promised(floor)?.id } as never)).toBe('ok')
      expect(preview(floor, BO)).toBeUndefined()
    }
  })
})

test('called again by hand afterwards it is one more try of the same record; any other number is a call of its own', () => {
  for (const [typed, attempts] of [
    [RECORD.number, [{ agentId: ANN, campaignId: CAMPAIGN, record: { recordId: RECORD.recordId, tries: RECORD.tries + 1 } }]],
    ['01632 960199', []],
  ] as const) {
    const { floor, callId } = afterATalk()
    const andThen = { state: 'notReady', reason: 'Break' } as const
    expect(floor.give({ kind: 'saveOutcome', agentId: ANN, callId, code: 'done', notes: '', andThen } as never)).toBe('ok')
    expect(floor.give({ kind: 'makeCall', agentId: ANN, typed, customer: null })).toBe('ok')
    expect(values(floor.state().attempts)).toMatchObject(attempts)
  }
})

test('not there until: a time that is said is when the record may be called again, one that has passed is refused', () => {
  const asksUntil = SetUpSchema.parse({
    ...CROWDED,
    outcomeSets: CROWDED.outcomeSets.map((set) => ({
      ...set,
      codes: set.codes.map((c) => (c.follows.kind === 'retry' ? { ...c, onlyDialled: false, follows: { ...c.follows, asksUntil: true } } : c)),
    })),
  })
  const { floor, callId } = afterATalk(asksUntil)
  const saved = (dueAtMs: number) =>
    floor.give({
      kind: 'saveOutcome',
      agentId: ANN,
      callId,
      code: 'follows-1',
      notes: '',
      andThen: { state: 'ready' },
      callback: { dueAtMs, timeZone: 'UTC', typed: '', owner: 'mine' },
    } as never)
  expect(saved(5)).toBe('callbackInThePast')
  const untilMs = floor.state().atMs + 30 * HOUR
  expect(saved(untilMs)).toBe('ok')
  expect(floor.entries.map((e) => e.event).find((e) => e.kind === 'recordCoded')).toMatchObject({ becomes: { kind: 'again', notBeforeMs: untilMs } })
  // Nobody has promised to call: it is the dialer's again.
  expect(promised(floor)).toBeUndefined()
})
