// Refusals that no story of their matter leads to, a row each: where the floor stands, what is asked, why it is refused.
import { describe, expect, test } from 'vitest'
import { listening } from '@/core/calls'
import type { Command } from '@/core/floor'
import { type AgentId, type CampaignId, toAgentId, toCallId, toConferenceId, toMessageId, toQueueId, toTaskId } from '@/core/ids'
import { values } from '@/core/table'
import { ANN, aFloor, aReadyFloor, aRecord, arrives, BO, CAMPAIGNS, CROWDED, FIRST, MANY, SECOND_QUEUE, SMALL, type TestFloor } from '@/core/testing'
import { DAY } from '@/core/time'

const CALL = toCallId('call_test_1')
const [, PROGRESSIVE] = CAMPAIGNS as [CampaignId, CampaignId]
const [, SUPERVISOR, WORKER, OTHER] = MANY as [AgentId, AgentId, AgentId, AgentId]
const by = (kind: string, more: object = {}, agentId: AgentId = ANN) => ({ kind, agentId, ...more }) as Command
const on = (kind: string, more: object = {}, agentId: AgentId = ANN) => by(kind, { callId: CALL, ...more }, agentId)

const given = (floor: TestFloor, ...commands: readonly Command[]): TestFloor => {
  for (const command of commands) expect(floor.give(command), JSON.stringify(command)).toBe('ok')
  return floor
}
const ready = (...more: readonly Command[]) => given(aReadyFloor([ANN, BO]), ...more)
/** Bo serves the second queue alone. */
const apart = (...more: readonly Command[]) =>
  given(
    aFloor(SMALL),
    by('startShift', { queueIds: [FIRST], seat: 'desk' }),
    by('goReady'),
    by('startShift', { queueIds: [SECOND_QUEUE], seat: 'desk' }, BO),
    ...more,
  )

/** A progressive campaign runs, and whoever works it is the only one a ringing attempt can come to. */
function awaited(): TestFloor {
  const floor = given(
    aFloor(CROWDED),
    by('startCampaign', { campaignId: PROGRESSIVE }, SUPERVISOR),
    by('startShift', { queueIds: [FIRST], campaignId: PROGRESSIVE, seat: 'desk' }, WORKER),
    by('goReady', {}, WORKER),
    { kind: 'makeAttempt', campaignId: PROGRESSIVE, record: aRecord(4) },
  )
  const attemptId = values(floor.state().attempts)[0]?.id as never
  for (const is of ['rings', 'answered'] as const) floor.give({ kind: 'reportAttempt', attemptId, report: { is } })
  return floor
}

const note = (untilMs: number | null): Command => by('setNote', { text: 'At the dentist', untilMs, coverId: null })
const nobodyOnLine = () => ready(by('callColleague', { toAgentId: BO, at: 'desk' }))

describe('refused', () => {
  test.each<[string, string, () => TestFloor, Command]>([
    ['closing', 'wrapUpHasNoLimit', () => ready(arrives(), on('answer'), on('hangUp')), on('extendWrapUp', { why: 'Typing' })],
    ['conferences', 'noSuchConference', ready, by('joinConference', { conferenceId: toConferenceId('conference_none') })],
    ['conferences', 'noSuchConference', ready, by('cancelConference', { conferenceId: toConferenceId('conference_none'), why: 'Gale' })],
    ['door', 'messagesNotTaken', () => given(aFloor(SMALL), arrives()), { kind: 'leaveMessage', callId: CALL }],
    ['promises', 'noSuchTask', ready, by('closeTask', { taskId: toTaskId('task_none') })],
    ['shift', 'campaignNotYours', () => aFloor(SMALL), by('startShift', { queueIds: [], campaignId: PROGRESSIVE, seat: 'desk' })],
    ['shift', 'campaignClosed', () => aFloor(CROWDED), by('startShift', { queueIds: [], campaignId: PROGRESSIVE, seat: 'desk' }, WORKER)],
    ['shift', 'deskIsLost', () => ready(by('goNotReady', { reason: 'Break' }), { kind: 'reportDeskLost', agentId: ANN }), by('goReady')],
    ['shift', 'noteEndsTooLate', ready, note(aFloor().state().atMs + 400 * DAY)],
    ['shift', 'nothingToClear', ready, by('clearNote')],
    ['shift', 'ok', () => ready(note(null)), by('clearNote')],
    ['shift', 'personOnTheWay', awaited, by('endShift', {}, WORKER)],
    ['shift', 'soundPathUnchanged', ready, by('chooseSoundPath', { path: 'computer' })],
    ['colleagues', 'personOnTheWay', awaited, by('callColleague', { toAgentId: OTHER, at: 'desk' }, WORKER)],
    [
      'supervision',
      'agentMayNotWork',
      () => given(aFloor(CROWDED), by('startShift', { queueIds: [FIRST], seat: 'desk' }, WORKER)),
      by('assignWork', { agentIds: [WORKER], add: [], drop: [], campaignId: PROGRESSIVE }, SUPERVISOR),
    ],
    [
      'supervision',
      'callerUnnumbered',
      () => given(aFloor(CROWDED), { kind: 'callArrives', queueId: FIRST, number: null, customer: null, path: null }),
      on('moveWaiting', { to: { kind: 'callback' } }, SUPERVISOR),
    ],
    [
      'colleagues',
      'ok',
      ready,
      by('callTogether', {
        targets: [
          { kind: 'agent', agentId: BO },
          { kind: 'number', typed: '01632 960113', name: null },
        ],
      }),
    ],
    ['supervision', 'personComesTo', awaited, by('assignWork', { agentIds: [WORKER], add: [], drop: [], campaignId: null }, SUPERVISOR)],
    ['talk', 'notInGroup', () => apart(arrives(FIRST)), on('pickUp', {}, BO)],
    ['talk', 'targetTakesNoMessages', () => ready(arrives(), on('answer')), on('transfer', { target: { kind: 'queueVoicemail', queueId: SECOND_QUEUE } })],
    ['talk', 'nobodyToConsultAbout', nobodyOnLine, on('transfer', { target: { kind: 'number', typed: '01632 960113', name: null } })],
    ['voicemail', 'noMessageInHand', () => ready(arrives(), on('answer')), on('callMessageBack')],
    ['voicemail', 'noSuchMailbox', ready, by('setGreeting', { box: { kind: 'queue', queueId: toQueueId('queue_none') }, greeting: { kind: 'usual' } })],
    ['voicemail', 'noSuchMessage', ready, by('markMessage', { messageId: toMessageId('message_none'), heard: true })],
    [
      'talk',
      'callerNotOnLine',
      () =>
        ready(by('goNotReady', { reason: 'Break' }), by('goNotReady', { reason: 'Break' }, BO), arrives(), { kind: 'keepPlace', callId: CALL }, by('goReady')),
      on('divert', { target: { kind: 'agent', agentId: BO } }),
    ],
    ['any', 'notOnShift', ready, by('goReady', {}, toAgentId('agent_none'))],
  ])('%s: %s', (_, reason, floor, command) => expect(floor().give(command)).toBe(reason))
})

test('somebody who is a party of the call already comes to it no second time', () => {
  const floor = ready(arrives(), on('answer'), on('consult', { target: { kind: 'agent', agentId: BO } }), on('answer', { callId: toCallId('call_test_2') }, BO))
  given(floor, on('conference', { callId: toCallId('call_test_2') }))
  const call = values(floor.state().calls)[0]
  expect(call && listening.takeRole(call, BO, ANN, 'listens')).toMatchObject({ ok: false, refusal: { reason: 'alreadyParty' } })
})
