// Every message of a tab, by everybody who may not send it: nothing happens, and they are told why.
import { describe, expect, test } from 'vitest'
import { toAgentId } from '@/core/ids'
import { memoryStore } from '@/services/storage'
import { SAILINGS } from '@/world/scenario'
import { FROM_NEWER, NOTHING_READY } from './desk-refusals'
import { type RefusalView, type RenewedPins, type TabMessage, TabMessageSchema } from './protocol'
import { MESSAGE_RIGHTS } from './rights'
import { aFloor, aTab, CALL, ELUNED, HELLO, inCall, LINNEA, PIN, RING, save } from './testing'

type Kind = TabMessage['kind']

const CALLER = { queueId: SAILINGS, customerId: null, patienceMs: null, staysMs: null }
/** One of each. A kind that is added has no test before it stands here: the compiler asks for it. */
const SAMPLES: { readonly [K in Kind]: object } = {
  ping: {},
  hello: HELLO,
  signIn: { agentId: ELUNED, pin: '0000' },
  signOut: {},
  renewPins: {},
  touch: {},
  unlock: { pin: '0000' },
  lock: {},
  numbers: { write: [], read: [] },
  handset: { act: 'putDown' },
  phoneDials: { typed: '01632 960950' },
  phoneKeys: { samples: new Float32Array(8) },
  phoneHangsUp: {},
  dismissNotice: { noticeId: 'resumed' },
  command: { command: { kind: 'hangUp', callId: CALL } },
  preview: { command: { kind: 'hangUp', callId: CALL } },
  takeBackAct: { act: 'act 1' },
  setPin: { agentId: LINNEA, pin: '4711', shown: PIN },
  lineSound: { callId: CALL, samples: new Float32Array(8) },
  searchCircles: { search: 'boat' },
  threadLines: { threadId: 'thread_1', beforeNo: 1 },
  drafts: { threadId: 'thread_1' },
  keepDraft: { threadId: 'thread_1', text: 'x', aside: false },
  dropDraft: { threadId: 'thread_1', ofAgentId: ELUNED },
  messages: {},
  conferences: {},
  reviews: { callId: null },
  doNotCall: { search: '', atMost: 9 },
  people: { asked: { search: '', group: '', sort: 'name', descending: false, from: 0, atMost: 9, recent: [] } },
  whoseNumbers: { numbers: ['+441632960112'] },
  changePeople: { puts: [], removes: [] },
  checkPeople: { contacts: [] },
  setFavourite: { id: 'contact_1', on: true },
  setUsualNumber: { id: 'contact_1', number: null },
  soundHere: { on: true },
  ringHandset: {},
  expectPhone: {},
  setPace: { pace: 'storm' },
  ringMe: RING,
  writer: { channel: 'chat', queueId: SAILINGS, toMe: false, customerId: null, patienceMs: null },
  callerIntoQueue: CALLER,
  ringBack: { campaignId: 'campaign_winter-timetable' },
  colleagueCalls: {},
  leaveMessage: { box: { kind: 'queue', queueId: SAILINGS } },
  nextAnswer: { as: 'person' },
  listAnswers: { as: null },
  history: { afterSeq: 0, throughSeq: null },
  foresee: { command: { kind: 'setReadiness', agentIds: [ELUNED], ready: false, reason: 'Break' } },
  pacing: { campaignId: 'campaign_winter-timetable' },
  ledger: {},
  damaged: {},
  readAgain: {},
  findKept: { sought: { numbers: ['+441632960112'], addresses: [], names: [] } },
  forget: { sought: { numbers: ['+441632960112'], addresses: [], names: [] }, about: [] },
  keptThing: { of: 'own', name: 'breakdowns' },
  keepThing: { of: 'own', name: 'breakdowns', text: '[]' },
  did: { what: 'recordingPlayed', about: 'call_1' },
  audit: { atMost: 9 },
  checkEverything: {},
  flushed: {},
  soundKey: {},
  openSounds: { identity: null },
  backsUp: { came: 'begins' },
  putBackupInPlace: {},
  setUp: {},
}
const KINDS = Object.keys(SAMPLES) as Kind[]
const message = (kind: Kind) => ({ ...SAMPLES[kind], kind })

test('every message the schema knows has a sample, and each sample is one', () => {
  const known = TabMessageSchema.options.map((o) => ('unwrap' in o ? o.unwrap() : o).shape.kind.value)
  expect(KINDS.toSorted()).toEqual(known.toSorted())
  for (const kind of KINDS) expect(TabMessageSchema.safeParse({ ...message(kind), requestId: 'r' }).error?.issues ?? [], kind).toEqual([])
})

describe('a stranger', () => {
  const shut = KINDS.filter((kind) => !['anybody', 'device'].includes(MESSAGE_RIGHTS[kind] as string))
  test.each(shut)('is refused %s', async (kind) => {
    const { exchange } = await inCall()
    const stranger = aTab(exchange)
    await stranger.ask(HELLO)
    const { seq } = exchange.state()
    expect(await stranger.ask(message(kind))).toMatchObject({ ok: false, refusal: { reason: 'notSignedIn' } })
    expect(exchange.state().seq).toBe(seq)
  })

  test('may answer or end nobody’s call as a device that has not joined, and is told nothing by it', async () => {
    const { exchange, tab } = await inCall()
    await tab.ask({ kind: 'expectPhone' })
    const { seq } = exchange.state()
    for (const is of ['ownPhone', 'handset'] as const) {
      const stranger = aTab(exchange)
      await stranger.ask({ ...HELLO, device: { is, agentId: ELUNED } })
      for (const kind of ['handset', 'phoneHangsUp', 'phoneKeys'] as const) await stranger.ask(message(kind))
      await stranger.ask({ kind: 'handset', act: 'lift' })
      expect(stranger.view().device ?? { state: 'idle', with: null }).toMatchObject({ state: 'idle', with: null })
      stranger.detach()
    }
    expect(exchange.state().seq).toBe(seq)
    expect(tab.view().sound?.phone?.state).toBe('waiting')
  })
})

test.each(
  KINDS.filter((kind) => typeof MESSAGE_RIGHTS[kind] !== 'string' || !['anybody', 'device', 'account', 'seat'].includes(MESSAGE_RIGHTS[kind] as string)),
)('an agent without that right is refused %s, and whoever has it is not', async (kind) => {
  const { exchange, tab } = await inCall()
  expect(await tab.ask(message(kind))).toMatchObject({ ok: false, refusal: { reason: 'notEntitled' } })
  const owner = aTab(exchange)
  await owner.ask(HELLO)
  await owner.signIn(LINNEA)
  expect(await owner.ask(message(kind))).not.toMatchObject({ refusal: { reason: 'notEntitled' } })
})

test('what is too much is said, whoever sends it, and nothing is done about it', async () => {
  const { exchange } = await aFloor()
  const tab = aTab(exchange)
  await tab.ask(HELLO)
  for (const data of [
    { kind: 'signIn', agentId: toAgentId(`agent_${'a'.repeat(1_000_001)}`), pin: '1' },
    { kind: 'ping', more: Array.from({ length: 2_000_000 }, () => 0) },
  ])
    expect(await tab.ask(data)).toMatchObject({ ok: false, refusal: { reason: 'tooMuch' } })
  expect(await tab.ask({ kind: 'signIn', agentId: ELUNED, pin: '1'.repeat(65) })).toMatchObject({ ok: false, refusal: { reason: 'notUnderstood' } })
})

test('signing out takes the copies of the tab along, and the handset that stood on its desk', async () => {
  const { exchange, tab, key, pass } = await inCall()
  const copy = aTab(exchange)
  await copy.ask({ ...HELLO, key })
  const handset = aTab(exchange)
  await handset.ask({ ...HELLO, key, device: { is: 'handset', agentId: ELUNED } })
  expect([copy.view().door.signedIn, handset.view().device?.agentId]).toEqual([ELUNED, ELUNED])
  await tab.give({ kind: 'hangUp', callId: CALL })
  pass(10_000)
  for (const command of [save('information'), { kind: 'endShift' } as const]) expect(await tab.give(command)).toMatchObject({ ok: true })
  expect(await tab.ask({ kind: 'signOut' })).toMatchObject({ ok: true })
  expect(copy.view().door).toMatchObject({ signedIn: null, because: 'You were signed out at the desk this was opened from.' })
  expect(await copy.give({ kind: 'goReady' })).toMatchObject({ ok: false, refusal: { reason: 'notSignedIn' } })
})

describe('PINs given anew at the door', () => {
  test('are given to nobody while those of the centre can be read', async () => {
    const { exchange } = await aFloor()
    const stranger = aTab(exchange)
    await stranger.ask(HELLO)
    expect(stranger.view().door.pinsUnreadable).toBe(false)
    expect(await stranger.ask({ kind: 'renewPins' })).toMatchObject({ ok: false, refusal: { reason: 'pinsReadable' } })
  })

  test('where they cannot: to the owners alone, once, recorded, and said to whoever signs in', async () => {
    const store = memoryStore()
    await store.set('secrets', 'torn')
    const { exchange } = await aFloor({ store })
    const [door, next] = [aTab(exchange), aTab(exchange)]
    await door.ask(HELLO)
    await next.ask(HELLO)
    expect(door.view().door.pinsUnreadable).toBe(true)
    expect(await door.ask({ kind: 'signIn', agentId: LINNEA, pin: PIN })).toMatchObject({ ok: false, refusal: { reason: 'pinsUnreadable' } })
    const reply = await door.ask({ kind: 'renewPins' })
    const given = reply.ok ? (JSON.parse(reply.text ?? '[]') as RenewedPins) : []
    expect(given.map(({ name }) => name)).toEqual(['Linnea Wickerby'])
    expect(await next.ask({ kind: 'renewPins' })).toMatchObject({ ok: false, refusal: { reason: 'pinsReadable' } })
    expect(await next.ask({ kind: 'signIn', agentId: ELUNED, pin: PIN })).toMatchObject({ ok: false, refusal: { reason: 'noPin' } })
    expect(await next.ask({ kind: 'signIn', agentId: LINNEA, pin: given[0]?.pin })).toMatchObject({ ok: true })
    expect(next.view().floor.notices.map((n) => n.id)).toContain('pins')
    const ledger = await next.ask({ kind: 'ledger' })
    expect(ledger.ok && ledger.text).toContain('"kind":"pinsRenewed","agentIds":["agent_linnea-wickerby"]')
    expect(ledger.ok && ledger.text).not.toContain(given[0]?.pin ?? 'none')
  })
})

describe('a backup that takes the place of what is stored', () => {
  const as = async (problem: RefusalView | null) => {
    const done: string[] = []
    const floor = await aFloor({ replacement: { problem: async () => problem, go: async () => void done.push('go') } })
    const [owner, other] = [aTab(floor.exchange), aTab(floor.exchange)]
    for (const tab of [owner, other]) await tab.ask(HELLO)
    await owner.signIn(LINNEA)
    const reply = await owner.ask({ kind: 'putBackupInPlace' })
    floor.tryAgain()
    floor.tryAgain()
    return { reply, done, ended: floor.ended(), told: [owner, other].map((tab) => tab.messages.some((m) => m.kind === 'replaced')) }
  }
  test('ends the floor once it counts, and every page hears of it', async () => {
    expect(await as(null)).toMatchObject({ reply: { ok: true }, done: ['go'], ended: 1, told: [true, true] })
  })
  test('ends nothing where none was read whole, or a newer version made it', async () => {
    for (const problem of [NOTHING_READY, FROM_NEWER])
      expect(await as(problem)).toMatchObject({ reply: { ok: false, refusal: { reason: problem.reason } }, done: [], ended: 0, told: [false, false] })
  })
})
