// A generator of everything that may be asked of a floor, aimed at what is there, so that long and deep runs come about.
import fc from 'fast-check'
import type { Agent, Engagement } from '@/core/agents'
import { agentsOn, isConference, type Target } from '@/core/calls'
import type { AgentCommand, Command, FloorState } from '@/core/floor'
import { type AgentId, type CallId, toAgentId, toCallbackId, toCallId, toDeviceId, toTaskId } from '@/core/ids'
import { ENTITLEMENTS, type SetUp, SetUpSchema } from '@/core/set-up'
import { count, get, values } from '@/core/table'
import { aFloor, FIRST, SECOND_QUEUE, SMALL, type TestFloor } from './small'

const AGENT_COUNT = 12
const TAKE_BACK_MS = 4_000
export const MANY: readonly AgentId[] = Array.from({ length: AGENT_COUNT }, (_, i) => toAgentId(`agent_${i + 1}`))
const OUTSIDE_PARTIES = 30

const SKILL = 'skill_craft'
const PIN = '1111'

/** A code for each thing that can follow. */
const FOLLOWED = [
  { kind: 'callback' },
  { kind: 'retry', afterMs: 20_000, atMost: 2 },
  { kind: 'neverCall', whom: 'number' },
  { kind: 'neverCall', whom: 'person' },
  { kind: 'wrongNumber' },
  { kind: 'task', title: 'See to {caller.name|them}', text: '', dueAfterMs: 60_000, assignee: 'agent' },
].map((follows, i) => ({
  ...SMALL.outcomeSets[0]?.codes[0],
  code: `follows-${i}`,
  label: `Follows ${i}`,
  key: String(i + 3),
  follows,
  onlyDialled: follows.kind === 'retry',
}))

/** The small centre with twelve agents of every level, overflow, a full limit and a grace for taking back. */
export const CROWDED: SetUp = SetUpSchema.parse({
  ...SMALL,
  takeBackMs: TAKE_BACK_MS,
  mostOwed: 1,
  callbackMissedAfterMs: 30_000,
  outcomeSets: SMALL.outcomeSets.map((set) => ({ ...set, codes: [...set.codes, ...FOLLOWED] })),
  parkLimitMs: 20_000,
  skills: [{ id: SKILL, name: 'Craft' }],
  agents: MANY.map((id, i) => ({
    id,
    name: `Agent ${i + 1}`,
    pin: PIN,
    role: 'agent',
    queueIds: i === 0 ? [SECOND_QUEUE] : [FIRST, SECOND_QUEUE],
    skills: [{ skillId: SKILL, level: 1 + (i % 5) }],
    may: ENTITLEMENTS.filter((e) => (i !== 1 || e !== 'conference') && (i !== 5 || e !== 'supervision')),
    answersItself: i === 2,
    takesWrapUp: i !== 3,
    playable: false,
  })),
  queues: SMALL.queues.map((q) =>
    q.id === FIRST
      ? {
          ...q,
          needs: [{ skillId: SKILL, level: 3 }],
          fullLimit: 6,
          recommendedWrapUpMs: 5_000,
          wrapUpLimit: { afterMs: 10_000, andThen: 'notReady', extensionMs: 8_000 },
          overflow: [
            { afterMs: 5_000, to: 'anyLevel' },
            { afterMs: 12_000, to: SECOND_QUEUE },
          ],
        }
      : {
          ...q,
          recommendedWrapUpMs: 5_000,
          wrapUpLimit: { afterMs: 15_000, andThen: 'ready', extensionMs: 5_000 },
          goesFirst: [{ group: 'Pass', headStartMs: 30_000 }],
          storm: { announcement: 'Storm.', headStartMs: 90_000, overflow: [{ afterMs: 0, to: 'anyLevel' }] },
        },
  ),
})

const queuesOf = (agentId: AgentId) => [...(CROWDED.agents.find((a) => a.id === agentId)?.queueIds ?? [])]

/** The crowded centre with everybody on shift and ready. */
export function aCrowdedFloor(): TestFloor {
  const floor = aFloor(CROWDED)
  for (const agentId of MANY) {
    floor.give({ kind: 'startShift', agentId, pin: PIN, queueIds: queuesOf(agentId), seat: 'desk' }, 10)
    floor.give({ kind: 'goReady', agentId }, 10)
  }
  return floor
}

/** A wish names no call and no party: they are picked, by number, among what the floor has at the moment. */
interface Wish {
  readonly agent: number
  readonly pick: number
  readonly party: number
  readonly kind: (typeof KINDS)[number]
  readonly flag: boolean
}

const KINDS = [
  ...(['startShift', 'startShift', 'startShift', 'goReady', 'goReady', 'goReady', 'goNotReady', 'endShift', 'setMute', 'makeCall'] as const),
  ...([
    'callArrives',
    'callArrives',
    'callArrives',
    'farEnd',
    'farEnd',
    'farEnd',
    'callerHangsUp',
    'callerSays',
    'digitsHeard',
    'passTime',
    'passTime',
    'keepPlace',
  ] as const),
  ...([
    'moveSeat',
    'chooseSoundPath',
    'chooseSoundPath',
    'reportSoundLost',
    'setNote',
    'clearNote',
    'setDoNotDisturb',
    'setDiversion',
    'identifyCaller',
  ] as const),
  ...(['switchStorm', 'changeSetUp'] as const),
  ...(['answer', 'answer', 'answer', 'answer', 'answer', 'decline', 'silence', 'divert'] as const),
  ...(['hold', 'retrieve', 'alternate', 'hangUp', 'hangUp', 'takeBack', 'sendDigits', 'moveCall', 'record'] as const),
  ...([
    'consult',
    'consult',
    'consult',
    'endConsult',
    'completeTransfer',
    'completeTransfer',
    'transfer',
    'transfer',
    'conference',
    'conference',
    'addParty',
    'addParty',
  ] as const),
  ...([
    'muteParty',
    'muteParty',
    'removeParty',
    'startAside',
    'startAside',
    'startAside',
    'endAside',
    'endAside',
    'endAside',
    'endAside',
    'endAside',
    'endForEveryone',
    'park',
    'pickUp',
    'pickUp',
  ] as const),
  ...([
    'moveCallback',
    'handOverCallback',
    'handOverCallback',
    'dropCallback',
    'closeTask',
    'addDoNotCall',
    'removeDoNotCall',
    'correctOutcome',
    'extendWrapUp',
    'takeBackOutcome',
    'takeBackOutcome',
  ] as const),
  ...(['saveOutcome', 'saveOutcome', 'saveOutcome', 'saveOutcome', 'answerScript', 'answerScript', 'turnPage', 'turnPage', 'turnPage', 'draftNotes'] as const),
] as const

const wish: fc.Arbitrary<Wish> = fc.record({
  agent: fc.nat(AGENT_COUNT - 1),
  pick: fc.nat(99),
  party: fc.nat(99),
  kind: fc.constantFrom(...KINDS),
  flag: fc.boolean(),
})

export type Step = readonly [Wish, number]
export const steps = (maxLength: number): fc.Arbitrary<Step[]> =>
  fc.array(fc.tuple(wish, fc.constantFrom(0, 200, 1_500, 5_000, 12_000)), { minLength: 40, maxLength, size: 'max' })

const nth = <T>(items: readonly T[], n: number): T | undefined => (items.length === 0 ? undefined : items[n % items.length])

/** The command a wish stands for on this floor at this moment. */
export function toCommand(floor: TestFloor, { agent, pick, party, kind: wanted, flag }: Wish): Command {
  const state = floor.state()
  const kind = pick % 9 === 0 ? wanted : sooner(state, wanted)
  const agentId = pick % 9 === 0 ? (MANY[agent] as AgentId) : (nth(suited(state, kind), agent) ?? (MANY[agent] as AgentId))
  const me = get(state.agents, agentId)
  const anyCall = nth(values(state.calls), pick)
  const fitting = me?.engagements.filter((e) => fits(state, e, kind)).map((e) => e.callId) ?? []
  const own = nth(
    fitting.length > 0 ? fitting : [...(me?.engagements.map((e) => e.callId) ?? []), ...[...(me?.wrapUps ?? []), ...(me?.owed ?? [])].map((w) => w.callId)],
    pick,
  )
  // Mostly somebody who could press this, at a call of their own; sometimes not.
  const callId: CallId = (pick % 9 === 0 ? anyCall?.id : own) ?? anyCall?.id ?? toCallId('call_test_1')
  const call = get(state.calls, callId)
  const deviceId = nth(call?.connections ?? [], party)?.deviceId ?? toDeviceId('dev_nobody')
  const outside = nth(
    values(state.calls).flatMap((c) => c.connections.flatMap((x) => (x.party.kind === 'outside' ? [{ callId: c.id, deviceId: x.deviceId }] : []))),
    pick,
  )
  const far = outside ?? { callId, deviceId }
  // The far end the network has yet to say something about: dialled and not ringing, or ringing.
  const awaited = nth(
    values(state.calls).flatMap((c) => {
      const dialled = c.connections.flatMap((x) => (x.party.kind === 'outside' && (x.state === 'initiated' || x.state === 'alerting') ? [x.deviceId] : []))
      return c.direction === 'outbound' && c.outsideCount === 0 ? [{ callId: c.id }] : dialled.map((d) => ({ callId: c.id, deviceId: d }))
    }),
    pick,
  )
  const on = { agentId, callId }
  const callback = nth(
    values(state.callbacks).filter((c) => pick % 9 === 0 || (c.dialled === null && (c.ownerId === null || c.ownerId === agentId))),
    pick,
  )
  const target = targetOf(party, flag)
  switch (kind) {
    case 'startShift':
      return { kind, agentId, pin: PIN, queueIds: flag ? [SECOND_QUEUE] : queuesOf(agentId), seat: pick % 5 === 0 ? 'standIn' : 'desk' }
    case 'moveSeat':
      return { kind, agentId, pin: PIN }
    case 'chooseSoundPath':
      return { kind, agentId, path: nth(['computer', 'handset', 'ownPhone', 'none'] as const, party) ?? 'computer' }
    case 'reportSoundLost':
      return { kind, agentId, why: 'Unplugged.' }
    case 'setNote':
      return { kind, agentId, text: party % 5 === 0 ? ' ' : 'Back soon', untilMs: flag ? null : state.atMs + party * 500, coverId: nth(MANY, party) ?? null }
    case 'clearNote':
      return { kind, agentId }
    case 'setDoNotDisturb':
      return { kind, agentId, on: party % 7 === 0 }
    case 'setDiversion':
      return { kind, agentId, to: party % 5 !== 0 ? null : flag ? { kind: 'voicemail' } : { kind: 'number', typed: '01632 960140' } }
    case 'switchStorm':
      return { kind, agentId, pin: PIN, queueId: flag ? FIRST : SECOND_QUEUE, on: party % 2 === 0 }
    case 'changeSetUp':
      return { kind, agentId, pin: PIN, setUp: { ...state.setUp, ringLimitMs: 15_000 + (party % 5) * 2_000 } }
    case 'identifyCaller':
      return { kind, ...on, customerId: null, customer: flag ? null : { name: 'Somebody', group: 'Pass', facts: [] } }
    case 'keepPlace':
      return { kind, callId: nth(Object.values(state.waiting).flat(), pick) ?? callId }
    case 'goReady':
    case 'endShift':
      return { kind, agentId }
    case 'goNotReady':
      return { kind, agentId, reason: 'Break' }
    case 'setMute':
      return { kind, agentId, muted: flag }
    case 'makeCall':
      return {
        kind,
        agentId,
        typed: `01632 9601${String(party % OUTSIDE_PARTIES).padStart(2, '0')}`,
        customer: flag ? { name: 'Passholder', group: 'Pass', facts: [] } : null,
        ...(party % 2 === 0 && callback !== undefined ? { callbackId: callback.id } : {}),
        ...(pick % 3 === 0 ? { waiver: { agentId: MANY[party % AGENT_COUNT] as AgentId, pin: PIN, why: 'They asked.' } } : {}),
      }
    case 'moveCallback':
      return {
        kind,
        agentId,
        callbackId: callback?.id ?? toCallbackId('callback_none'),
        dueAtMs: state.atMs + (party + 1) * 2_000 * (party % 5 === 0 ? -1 : 1),
        timeZone: 'UTC',
        why: '',
      }
    case 'handOverCallback':
      return { kind, agentId, callbackId: callback?.id ?? toCallbackId('callback_none'), ownerId: nth(MANY, party) ?? null }
    case 'dropCallback':
      return { kind, agentId, callbackId: callback?.id ?? toCallbackId('callback_none'), why: party % 4 === 0 ? '' : 'Not wanted.' }
    case 'closeTask':
      return { kind, agentId, taskId: nth(values(state.tasks), pick)?.taskId ?? toTaskId('task_none') }
    case 'addDoNotCall':
      return { kind, agentId, pin: PIN, entries: [{ whom: flag ? { person: 'Passholder' } : { number: '+441632960101' }, why: 'Asked us.' }] }
    case 'removeDoNotCall':
      return { kind, agentId, pin: PIN, whom: nth(values(state.doNotCall), pick)?.whom ?? { number: '+441632960101' }, why: 'A mistake.' }
    case 'correctOutcome': {
      const coded = nth(values(state.coded), pick)
      const of = { queueId: FIRST, direction: 'inbound', was: null, why: 'Misread.' }
      return { kind, agentId, callId: coded?.callId ?? callId, pin: flag ? PIN : null, code: party % 2 === 0 ? 'done' : 'later', ...of }
    }
    case 'takeBackOutcome':
      return { kind, agentId, callId: get(state.lately, agentId)?.contact.callId ?? callId }
    case 'extendWrapUp':
      return { kind, ...on, why: 'Much to write.' }
    case 'callArrives':
      return {
        kind,
        queueId: flag ? FIRST : SECOND_QUEUE,
        number: `+4416329601${String(party % OUTSIDE_PARTIES).padStart(2, '0')}`,
        customer: pick % 4 === 0 ? { name: 'Passholder', group: 'Pass', facts: [] } : null,
        path: null,
      }
    case 'farEnd':
      return {
        kind,
        ...(awaited ?? far),
        report: nth(['ringing', 'ringing', 'answered', 'answered', 'answered', 'busy', 'noAnswer', 'machine'] as const, party) ?? 'busy',
      }
    case 'callerHangsUp':
      return { kind, ...far }
    case 'callerSays':
      return { kind, ...far, turn: 0, text: 'Well.' }
    case 'digitsHeard':
      return { kind, ...far, digits: '1' }
    case 'passTime':
      return { kind }
    case 'sendDigits':
      return { kind, ...on, digits: flag ? '12#' : 'x' }
    case 'moveCall':
      return { kind, ...on, endpoint: flag ? 'handset' : 'computer' }
    case 'record':
      return { kind, ...on, to: nth(['on', 'paused', 'off'] as const, party) ?? 'on' }
    case 'divert':
    case 'consult':
    case 'transfer':
    case 'addParty':
      return { kind, ...on, target }
    case 'muteParty':
      return { kind, ...on, deviceId, muted: flag }
    case 'removeParty':
      return { kind, ...on, deviceId }
    case 'startAside':
      return { kind, ...on, deviceId, othersHear: flag ? 'music' : 'eachOther' }
    case 'pickUp':
      return { kind, agentId, callId: anyCall?.id ?? callId }
    case 'saveOutcome':
      return {
        kind,
        ...on,
        code: nth(['done', 'later', null, 'follows-0', 'follows-1', 'follows-2', 'follows-3', 'follows-4', 'follows-5'], party) ?? null,
        notes: 'n',
        followUp: '',
        andThen: { state: 'ready' },
        callback: { dueAtMs: state.atMs + 5_000, timeZone: 'UTC', typed: '', owner: flag ? 'mine' : 'anyone' },
      }
    case 'answerScript':
      return { kind, ...on, field: 'speaking', value: true }
    case 'turnPage':
      return { kind, ...on, direction: flag ? 'next' : 'back' }
    case 'draftNotes':
      return { kind, ...on, text: 'half', followUp: '' }
    default:
      return { kind, ...on } as AgentCommand
  }
}

const WHILE_RINGING: readonly string[] = ['answer', 'decline', 'silence', 'divert']
const AFTERWARDS: readonly string[] = ['saveOutcome', 'extendWrapUp']
const ON_CONSULT: readonly string[] = ['endConsult', 'completeTransfer', 'conference']
const IN_CONFERENCE: readonly string[] = ['muteParty', 'startAside', 'endForEveryone', 'removeParty']
const WHILE_HELD: readonly string[] = ['retrieve', 'alternate']

/** What must come about first, where there is nothing yet that the wish could be about. */
function sooner(state: FloorState, kind: Wish['kind']): Wish['kind'] {
  if (kind === 'moveCallback' || kind === 'handOverCallback' || kind === 'dropCallback') return count(state.callbacks) === 0 ? 'saveOutcome' : kind
  if (kind === 'takeBackOutcome') return values(state.lately).some((l) => state.atMs - l.savedAtMs < TAKE_BACK_MS) ? kind : 'saveOutcome'
  if (kind === 'closeTask') return count(state.tasks) === 0 ? 'saveOutcome' : kind
  if (kind === 'endAside') return values(state.calls).some((c) => c.aside !== null) ? kind : 'startAside'
  return kind
}

/** Agents who could press this now: somebody must ring to be answered, and consult to complete. */
function suited(state: FloorState, kind: Wish['kind']): readonly AgentId[] {
  const could = (a: Agent): boolean => {
    if (kind === 'takeBackOutcome') return state.atMs - (get(state.lately, a.id)?.savedAtMs ?? 0) < TAKE_BACK_MS && a.engagements.length === 0
    if (kind === 'correctOutcome') return values(state.coded).some((c) => c.agentId === a.id)
    if (AFTERWARDS.includes(kind)) return a.wrapUps.length + (kind === 'saveOutcome' ? a.owed.length : 0) > 0
    if (kind === 'startShift') return a.shift === null
    if (kind === 'chooseSoundPath') return a.shift?.soundLost != null
    if (kind === 'reportSoundLost') return a.shift?.soundPath !== 'none'
    if (kind === 'endAside') return values(state.calls).some((c) => c.aside?.byAgentId === a.id)
    return a.engagements.some((e) => fits(state, e, kind))
  }
  return values(state.agents).flatMap((a) => (could(a) ? [a.id] : []))
}

/** Calls this may be pressed on: somebody must ring to be answered, and be consulted to complete. */
function fits(state: FloorState, { callId, state: end }: Engagement, kind: Wish['kind']): boolean {
  const call = get(state.calls, callId)
  if (call === undefined) return false
  if (WHILE_RINGING.includes(kind)) return end === 'alerting'
  if (ON_CONSULT.includes(kind)) return call.consultFor !== null && end !== 'alerting' && call.connections.every((c) => c.state !== 'alerting')
  if (IN_CONFERENCE.includes(kind)) return isConference(call)
  if (kind === 'endAside') return call.aside !== null
  if (kind === 'turnPage') return get(state.contacts, callId)?.run?.answers.speaking !== undefined
  if (WHILE_HELD.includes(kind)) return end === 'held'
  return end !== 'alerting'
}

function targetOf(n: number, flag: boolean): Target {
  if (n % 6 === 0) return { kind: 'queue', queueId: flag ? FIRST : SECOND_QUEUE }
  if (n % 6 === 1) return { kind: 'number', typed: `01632 9601${String(n % OUTSIDE_PARTIES).padStart(2, '0')}`, name: null }
  if (n % 17 === 2) return { kind: 'voicemail', agentId: MANY[n % AGENT_COUNT] as AgentId }
  return { kind: 'agent', agentId: MANY[n % AGENT_COUNT] as AgentId }
}

/** Everybody with a place on a call, as comparable text: what a transfer must conserve. */
export const partiesOn = (floor: TestFloor, callId: CallId): string[] => {
  const call = get(floor.state().calls, callId)
  return call === undefined ? [] : [...agentsOn(call), ...call.connections.flatMap((c) => (c.party.kind === 'outside' ? [c.deviceId] : []))].map(String).sort()
}
