import { describe, expect, test } from 'vitest'
import { whoHearsWhom } from '@/core/calls'
import { type Command, preview } from '@/core/floor'
import { deviceOfAgent, deviceOutside, toCallId } from '@/core/ids'
import { isMutedOn } from '@/core/state'
import { get, must } from '@/core/table'
import { ANN, aReadyFloor, arrives, BO, SECOND_QUEUE, SMALL } from '@/core/testing'
import { sceneOf } from '@/parts/sound/scene'
import { describeAfter, describeBoard } from '@/parts/words'
import type { CallView, MeView } from '@/services/exchange/protocol'
import { cordOf, linkOf } from './cord-form'

const call = (n: number) => toCallId(`call_test_${n}`)
const on = (kind: string, n = 1, more: object = {}, agentId = ANN) => ({ kind, agentId, callId: call(n), ...more }) as Command
const bo = { kind: 'agent', agentId: BO } as const
const TALKING = [arrives(), on('answer')]
const CONSULTING = [...TALKING, on('consult', 1, { target: bo }), on('answer', 2, {}, BO)]
const CONFERENCE = [...CONSULTING, on('conference', 2)]
const NAMES = { me: { id: ANN }, seats: SMALL.agents.map(({ id, name }) => ({ id, name })), centre: { queues: SMALL.queues } }
const CALLER = '+441632960112'

function board(given: readonly Command[]) {
  const floor = aReadyFloor([ANN, BO])
  for (const command of given) expect(floor.give(command)).toBe('ok')
  const state = floor.state()
  const agent = must(state.agents, ANN)
  const views: CallView[] = agent.engagements.map(({ callId }) => {
    const found = must(state.calls, callId)
    return { call: found, ears: whoHearsWhom(found, isMutedOn(state)) }
  })
  const me = { id: ANN, muted: agent.muted, state: agent.state.name } as MeView
  return { floor, state, views, me }
}

describe('the board in words', () => {
  test.each<{ says: string; given: Command[]; words: string }>([
    { says: 'nothing on', given: [], words: 'No call on the board.' },
    { says: 'ringing', given: [arrives()], words: `${CALLER} is ringing.` },
    { says: 'talking', given: TALKING, words: `You are talking with ${CALLER}.` },
    { says: 'muted', given: [...TALKING, { kind: 'setMute', agentId: ANN, muted: true }], words: `You are talking with ${CALLER}. You are muted.` },
    { says: 'on hold', given: [...TALKING, on('hold')], words: `${CALLER} is on hold, 0:42.` },
    { says: 'consulting', given: CONSULTING, words: `${CALLER} is on hold, 0:43. You are talking with Bo.` },
    { says: 'a conference', given: CONFERENCE, words: `You are talking with ${CALLER} and Bo.` },
    {
      says: 'an aside',
      given: [...CONFERENCE, on('startAside', 1, { deviceId: deviceOfAgent(BO), othersHear: 'music' })],
      words: `You are talking privately with Bo; ${CALLER} hears music.`,
    },
    { says: 'over', given: [...TALKING, on('hangUp')], words: 'No call. The last call has ended; outcome needed.' },
  ])('$says', ({ given, words }) => {
    const { me, views, state } = board(given)
    expect(describeBoard(me, views, NAMES, state.atMs + 42_000)).toBe(words)
  })

  test.each<{ says: string; given: Command[]; command: Command; words: string }>([
    { says: 'hold', given: TALKING, command: on('hold'), words: `${CALLER} hears music.` },
    { says: 'hang up', given: TALKING, command: on('hangUp'), words: 'The call ends.' },
    { says: 'consult', given: TALKING, command: on('consult', 1, { target: bo }), words: `${CALLER} hears music; it rings at Bo.` },
    { says: 'blind transfer', given: TALKING, command: on('transfer', 1, { target: bo }), words: `${CALLER} hears ringing; it rings at Bo; you leave.` },
    {
      says: 'transfer to a queue',
      given: TALKING,
      command: on('transfer', 1, { target: { kind: 'queue', queueId: SECOND_QUEUE } }),
      words: `${CALLER} hears music; it rings at Bo; the call waits in Second; you leave.`,
    },
    { says: 'complete transfer', given: CONSULTING, command: on('completeTransfer', 2), words: `${CALLER} and Bo will talk; you leave.` },
    { says: 'conference', given: CONSULTING, command: on('conference', 2), words: `You, ${CALLER} and Bo will talk.` },
    { says: 'leave', given: CONFERENCE, command: on('hangUp'), words: `${CALLER} and Bo will talk; you leave.` },
    { says: 'park', given: TALKING, command: on('park'), words: `${CALLER} hears music; parked in slot 1; you leave.` },
  ])('before $says it says what will be', ({ given, command, words }) => {
    const { state } = board(given)
    const seen = preview(state, command as never, { atMs: state.atMs })
    expect(seen.ok && describeAfter(seen.calls, NAMES)).toBe(words)
  })
})

describe('cords and sound say the same', () => {
  const caller = deviceOutside(call(1), 1)
  test.each<{ says: string; given: Command[]; form: string; ear: string }>([
    { says: 'talking', given: TALKING, form: 'talking', ear: 'voice' },
    { says: 'held', given: [...TALKING, on('hold')], form: 'held', ear: 'silence' },
    { says: 'apart', given: [...CONFERENCE, on('startAside', 1, { deviceId: deviceOfAgent(BO), othersHear: 'music' })], form: 'apart', ear: 'silence' },
    { says: 'ringing', given: [arrives()], form: 'ringing', ear: 'silence' },
  ])('$says', ({ given, form, ear }) => {
    const { state, views, me } = board(given)
    const view = views[0] as CallView
    const find = (deviceId: string) => view.call.connections.find((c) => c.deviceId === deviceId)
    expect(cordOf(view, find(deviceOfAgent(ANN)), find(caller) as never, me.muted).form).toBe(form)
    expect(sceneOf(views, ANN).ear[caller]).toBe(ear)
    expect(get(state.calls, call(1))).toBeDefined()
  })

  test('in a conference the others are joined to each other, and nobody hears me while I am muted', () => {
    const { views } = board([...CONFERENCE, { kind: 'setMute', agentId: ANN, muted: true }])
    const view = views[0] as CallView
    const others = view.call.connections.filter((c) => c.deviceId !== deviceOfAgent(ANN))
    expect(linkOf(view, others[0] as never, others[1] as never)).toBe('talking')
    expect(sceneOf(views, ANN)).toMatchObject({ heard: false, ear: { [caller]: 'voice', [deviceOfAgent(BO)]: 'voice' } })
  })
})
