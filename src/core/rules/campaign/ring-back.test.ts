import { expect, test } from 'vitest'
import { type CampaignId, toCallId } from '@/core/ids'
import { type CampaignSetUp, ENTITLEMENTS, SetUpSchema } from '@/core/set-up'
import { get, values } from '@/core/table'
import { ANN, aFloor, aRecord, BO, CAMPAIGNS, CROWDED, FIRST, SECOND_QUEUE, SMALL, type TestFloor } from '@/core/testing'
import { behalfOf } from '@/core/work'

const CAMPAIGN = CAMPAIGNS[0] as CampaignId
/** Of codes of its own: what they do to a record is the campaign's to say, whoever's queue it came through. */
const OWN_CODES = { ...SMALL.outcomeSets[0], id: 'outcomes_own', codes: SMALL.outcomeSets[0]?.codes.map((c) => ({ ...c, code: `own-${c.code}` })) }
const SET_UP = SetUpSchema.parse({
  ...SMALL,
  agents: SMALL.agents.map((a) => ({ ...a, may: ENTITLEMENTS })),
  outcomeSets: [...SMALL.outcomeSets, OWN_CODES],
  campaigns: [{ ...(CROWDED.campaigns[0] as CampaignSetUp), agentIds: [BO], outcomeSetId: 'outcomes_own', target: null }],
})
const OWN = `own-${SMALL.outcomeSets[0]?.codes.find((c) => c.follows.kind === 'nothing' && c.counts.final)?.code ?? SMALL.outcomeSets[0]?.codes[0]?.code}`
const RECORD = { ...aRecord(4), tries: 2 }

/** Ann serves the queue and no campaign; somebody rings the campaign back. */
function rungBack(): TestFloor {
  const floor = aFloor(SET_UP)
  floor.give({ kind: 'startShift', agentId: ANN, queueIds: [FIRST], campaignId: null, seat: 'desk' })
  floor.give({ kind: 'goReady', agentId: ANN })
  const who = { number: RECORD.number, customer: null, path: null, rungBack: { campaignId: CAMPAIGN, record: RECORD } }
  expect(floor.give({ kind: 'callArrives', queueId: FIRST, ...who })).toBe('ok')
  return floor
}
const work = (floor: TestFloor) => {
  const [one] = values(floor.state().work)
  if (one === undefined) throw new Error('no work')
  return one
}

test('whoever rings a campaign back waits in its queue, and is coded by the campaign: no try of theirs, and the record is done', () => {
  const floor = rungBack()
  const callId = work(floor).id
  expect(floor.give({ kind: 'answer', agentId: ANN, callId })).toBe('ok')
  expect(work(floor)).toMatchObject({ direction: 'inbound', queueId: FIRST, campaign: { attemptId: null, record: { recordId: RECORD.recordId } } })
  expect(behalfOf(work(floor))).toEqual({ queueId: FIRST, campaignId: CAMPAIGN })
  // Nobody is rung while they are on the line, and their line is the queue's.
  expect(floor.give({ kind: 'startCampaign', agentId: ANN, campaignId: CAMPAIGN })).toBe('ok')
  expect(floor.give({ kind: 'makeAttempt', campaignId: CAMPAIGN, record: RECORD })).toBe('numberBusy')
  floor.give({ kind: 'hangUp', agentId: ANN, callId })
  const queues = { kind: 'saveOutcome', agentId: ANN, callId, notes: '', andThen: { state: 'ready' } } as const
  expect(floor.give({ ...queues, code: OWN.slice('own-'.length) } as never)).toBe('unknownCode')
  expect(floor.give({ ...queues, code: OWN } as never)).toBe('ok')
  const coded = floor.entries.map((e) => e.event).find((e) => e.kind === 'recordCoded')
  expect(coded).toMatchObject({ recordId: RECORD.recordId, campaignId: CAMPAIGN, callId })
  expect(get(floor.state().campaigns, CAMPAIGN)?.days[0]?.attempts ?? 0).toBe(0)
})

test('handed on to another queue it is that queue’s', () => {
  const floor = rungBack()
  const callId = work(floor).id
  floor.give({ kind: 'answer', agentId: ANN, callId })
  expect(floor.give({ kind: 'transfer', agentId: ANN, callId, target: { kind: 'queue', queueId: SECOND_QUEUE } })).toBe('ok')
  expect(behalfOf(work(floor))).toEqual({ queueId: SECOND_QUEUE, campaignId: null })
})

test.each([
  { says: 'a campaign’s call that was handed on to a queue', direction: 'campaign', queueId: FIRST, codes: 'queue' },
  { says: 'one that was not', direction: 'campaign', queueId: null, codes: 'campaign' },
  { says: 'a call of somebody who rang back', direction: 'inbound', queueId: FIRST, codes: 'campaign' },
  { says: 'one that was handed on from there', direction: 'inbound', queueId: SECOND_QUEUE, codes: 'queue' },
] as const)('$says is corrected on a later day by the codes of the $codes', ({ direction, queueId, codes }) => {
  const corrects = (code: string) =>
    aFloor(SET_UP).give({
      kind: 'correctOutcome',
      agentId: ANN,
      callId: toCallId('call_of_before_1'),
      queueId,
      campaignId: CAMPAIGN,
      direction,
      code,
      was: null,
      why: 'Misread.',
    })
  const [own, queues] = [corrects(OWN), corrects(OWN.slice('own-'.length))]
  expect([own, queues]).toEqual(codes === 'campaign' ? ['ok', 'unknownCode'] : ['unknownCode', 'ok'])
})
