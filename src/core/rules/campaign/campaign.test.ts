import { describe, expect, test } from 'vitest'
import type { Command } from '@/core/floor'
import { type AgentId, type CampaignId, toCampaignId } from '@/core/ids'
import { type SetUp, SetUpSchema } from '@/core/set-up'
import { get, values } from '@/core/table'
import { aFloor, aRecord, CAMPAIGNS, CROWDED, MANY, type TestFloor } from '@/core/testing'

const [PREVIEW, PROGRESSIVE] = CAMPAIGNS as [CampaignId, CampaignId]
const [ANN, SUPERVISOR] = MANY as [AgentId, AgentId]
const of = (kind: 'startCampaign' | 'pauseCampaign' | 'finishCampaign', campaignId = PROGRESSIVE, agentId = SUPERVISOR): Command => ({
  kind,
  agentId,
  campaignId,
})
const attempt = (n: number, campaignId = PROGRESSIVE): Command => ({ kind: 'makeAttempt', campaignId, record: aRecord(n) })
const putBack = (which: object): Command =>
  ({
    kind: 'putBackRecords',
    agentId: SUPERVISOR,
    campaignId: PROGRESSIVE,
    which: { lastResult: null, label: null, triesAtLeast: null, restedHours: null, ...which },
  }) as Command
const state = (floor: TestFloor, campaignId = PROGRESSIVE) => get(floor.state().campaigns, campaignId)?.state

const changed = (change: object): SetUp =>
  SetUpSchema.parse({ ...CROWDED, campaigns: CROWDED.campaigns.map((c) => (c.id === PROGRESSIVE ? { ...c, ...change } : c)) })

/** Both campaigns run, and Ann works one of them. */
function running(setUp: SetUp = CROWDED, campaignId = PROGRESSIVE): TestFloor {
  const floor = aFloor(setUp)
  for (const id of [PREVIEW, PROGRESSIVE]) floor.give(of('startCampaign', id))
  floor.give({ kind: 'startShift', agentId: ANN, queueIds: [], campaignId, seat: 'desk' })
  floor.give({ kind: 'goReady', agentId: ANN })
  return floor
}

describe('a campaign', () => {
  test('is started, paused, taken up again and finished; each once', () => {
    const floor = aFloor(CROWDED)
    const asked = [
      'pauseCampaign',
      'startCampaign',
      'startCampaign',
      'pauseCampaign',
      'pauseCampaign',
      'startCampaign',
      'finishCampaign',
      'finishCampaign',
    ] as const
    expect(asked.map((kind) => floor.give(of(kind)))).toEqual([
      'campaignStateUnchanged',
      'ok',
      'campaignStateUnchanged',
      'ok',
      'campaignStateUnchanged',
      'ok',
      'ok',
      'campaignStateUnchanged',
    ])
    expect(state(floor)).toBe('finished')
  })

  test('ends by itself when its list has nobody left, and not when it does not run', () => {
    const floor = running()
    floor.give({ kind: 'listDone', campaignId: PROGRESSIVE })
    expect(floor.entries.at(-1)?.event).toMatchObject({ kind: 'campaignStateChanged', to: 'finished', because: 'listDone', byAgentId: null })
    floor.give(of('startCampaign'))
    floor.give(of('pauseCampaign'))
    floor.give({ kind: 'listDone', campaignId: PROGRESSIVE })
    expect(state(floor)).toBe('paused')
  })

  test('a machine is told from a person, and no agent is rung for it', () => {
    const floor = running()
    floor.give(attempt(4))
    const attemptId = values(floor.state().attempts)[0]?.id as never
    for (const is of ['rings', 'answered', 'machine'] as const) expect(floor.give({ kind: 'reportAttempt', attemptId, report: { is } })).toBe('ok')
    expect(get(floor.state().agents, ANN)?.state.name).toBe('ready')
    expect(floor.give({ kind: 'reportAttempt', attemptId, report: { is: 'rings' } })).not.toBe('ok')
  })

  test.each<[string, () => TestFloor, Command]>([
    ['notEntitled', running, of('pauseCampaign', PROGRESSIVE, MANY[5])],
    ['targetUnknown', running, of('startCampaign', toCampaignId('campaign_none'))],
    ['campaignUnsound', () => aFloor(changed({ outcomeSetId: 'outcomes_none' })), of('startCampaign')],
    ['campaignNotRunning', () => aFloor(CROWDED), attempt(1)],
    ['noLineFree', () => withAttempts(4), attempt(9)],
    ['numberBusy', () => withAttempts(1), attempt(0)],
    ['outsideHours', () => running(changed({ hours: [{ days: [7], fromMinute: 0, toMinute: 60 }] })), attempt(1)],
    ['noSuchAttempt', running, { kind: 'reportAttempt', attemptId: 'attempt_none' as never, report: { is: 'rings' } }],
    ['nothingShown', running, { kind: 'callRecord', agentId: ANN }],
    ['nothingShown', running, { kind: 'skipRecord', agentId: ANN, why: 'At sea' }],
    ['nothingNamed', running, putBack({})],
    ['ok', running, putBack({ triesAtLeast: 2 })],
    ['agentNotFree', running, { kind: 'offerRecord', campaignId: PREVIEW, agentId: ANN, record: aRecord(1) }],
    ['ok', () => running(CROWDED, PREVIEW), { kind: 'offerRecord', campaignId: PREVIEW, agentId: ANN, record: aRecord(1) }],
  ])('%s', (reason, floor, command) => expect(floor().give(command)).toBe(reason))
})

function withAttempts(count: number): TestFloor {
  const floor = running()
  for (let n = 0; n < count; n++) floor.give(attempt(n))
  expect(floor.state().attempts.size).toBe(count)
  return floor
}
