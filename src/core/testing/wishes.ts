// Wishes: what somebody may want of a floor, before it is known whom or what it will be about. Chosen at random; who could press it and
// on which call is looked up on the floor as it is.
import fc from 'fast-check'
import type { Agent, Engagement } from '@/core/agents'
import { isConference } from '@/core/calls'
import type { AgentId } from '@/core/ids'
import { mayOpenBox } from '@/core/rules/voicemail'
import type { FloorState } from '@/core/state'
import { count, get, values } from '@/core/table'
import { AGENT_COUNT, TAKE_BACK_MS } from './crowded'
import { isWriting, soonerWritten, WRITING } from './writing'

/** A wish names no call and no party: they are picked, by number, among what the floor has at the moment. */
export interface Wish {
  readonly agent: number
  readonly pick: number
  readonly party: number
  readonly kind: (typeof KINDS | typeof BETWEEN_COLLEAGUES | typeof ABOUT_MESSAGES | typeof ABOUT_CONFERENCES | typeof SUPERVISING | typeof WRITING)[number]
  readonly flag: boolean
}

const KINDS = [
  ...(['startShift', 'startShift', 'startShift', 'goReady', 'goReady', 'goReady', 'goNotReady', 'endShift', 'setMute', 'setMute', 'makeCall'] as const),
  ...([
    'callArrives',
    'callArrives',
    'callArrives',
    'farEnd',
    'farEnd',
    'farEnd',
    'callerHangsUp',
    'callerSays',
    'lineMeasured',
    'digitsHeard',
    'passTime',
    'passTime',
    'keepPlace',
  ] as const),
  ...([
    'moveSeat',
    'callEmergency',
    'chooseSoundPath',
    'chooseSoundPath',
    'reportSoundLost',
    'reportDeskLost',
    'reportDeskBack',
    'setNote',
    'clearNote',
    'setDoNotDisturb',
    'setDiversion',
    'identifyCaller',
  ] as const),
  ...(['switchStorm', 'changeSetUp', 'forgetPerson'] as const),
  ...([
    'makeAttempt',
    'makeAttempt',
    'reportAttempt',
    'reportAttempt',
    'reportAttempt',
    'offerRecord',
    'offerRecord',
    'offerPromise',
    'callRecord',
    'skipRecord',
    'startCampaign',
    'pauseCampaign',
    'putBackRecords',
    'finishCampaign',
    'listDone',
  ] as const),
  ...(['answer', 'answer', 'answer', 'answer', 'answer', 'decline', 'silence', 'divert'] as const),
  ...([
    'hold',
    'hold',
    'retrieve',
    'retrieve',
    'alternate',
    'hangUp',
    'hangUp',
    'takeBack',
    'takeBack',
    'endNow',
    'endNow',
    'sendDigits',
    'moveCall',
    'record',
  ] as const),
  ...([
    'consult',
    'consult',
    'consult',
    'consult',
    'consult',
    'endConsult',
    'completeTransfer',
    'completeTransfer',
    'completeTransfer',
    'completeTransfer',
    'transfer',
    'transfer',
    'conference',
    'conference',
    'conference',
    'conference',
    'conference',
    'addParty',
    'addParty',
  ] as const),
  ...([
    'muteParty',
    'muteParty',
    'muteParty',
    'muteParty',
    'removeParty',
    'removeParty',
    'removeParty',
    'startAside',
    'startAside',
    'startAside',
    'startAside',
    'startAside',
    'endAside',
    'endAside',
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
    'moveCallback',
    'moveCallback',
    'moveCallback',
    'moveCallback',
    'handOverCallback',
    'handOverCallback',
    'dropCallback',
    'dropCallback',
    'closeTask',
    'addDoNotCall',
    'removeDoNotCall',
    'correctOutcome',
    'extendWrapUp',
    'extendWrapUp',
    'takeBackOutcome',
    'takeBackOutcome',
    'takeBackOutcome',
    'takeBackOutcome',
    'takeBackOutcome',
    'takeBackOutcome',
  ] as const),
  ...([
    'saveOutcome',
    'saveOutcome',
    'saveOutcome',
    'saveOutcome',
    'answerScript',
    'answerScript',
    'turnPage',
    'turnPage',
    'turnPage',
    'draftNotes',
    'rateSound',
  ] as const),
] as const

/** What colleagues want of each other, now and then: who talks to a colleague is there for nobody else. */
const BETWEEN_COLLEAGUES = [
  'callColleague',
  'callTogether',
  'askFirst',
  'answerQuestion',
  'closeQuestion',
  'callWhenFree',
  'dropCallWhenFree',
  'dropCallWhenFree',
  'writeToColleagues',
  'writeToColleagues',
  'readCircle',
  'readCircle',
] as const
/** Conferences are arranged, come into with one press or by code, and gone from. */
const ABOUT_CONFERENCES = [
  ...(['planConference', 'replanConference', 'cancelConference', 'joinConference', 'joinConference', 'joinConference'] as const),
  ...(['conferenceLineRings', 'callerKeys', 'callerKeys', 'muteOthers', 'muteOthers', 'muteOthers', 'muteOthers', 'muteOthers'] as const),
] as const
/** Whoever answers for the floor comes to calls, and is asked to. */
const SUPERVISING = [
  ...(['takeRole', 'takeRole', 'takeRole', 'takeRole', 'takeOver', 'stopListening', 'askForHelp', 'askForHelp', 'dropHelp', 'takeHelp', 'takeHelp'] as const),
  ...([
    'assignWork',
    'assignWork',
    'setReadiness',
    'setReadiness',
    'endShiftOf',
    'sendWord',
    'putAwayTold',
    'moveWaiting',
    'moveWaiting',
    'moveWaiting',
    'moveWaiting',
    'setDoor',
    'makeReview',
    'makeReview',
    'withdrawReview',
    'answerReview',
    'answerReview',
  ] as const),
] as const
/** Callers leave messages, and agents see to them. */
const ABOUT_MESSAGES = [
  ...([
    'mailboxRings',
    'mailboxRings',
    'leaveMessage',
    'callMessageBack',
    'callMessageBack',
    'callMessageBack',
    'callMessageBack',
    'callMessageBack',
    'callMessageBack',
  ] as const),
  ...([
    'setGreeting',
    'markMessage',
    'markMessage',
    'forwardMessage',
    'forwardMessage',
    'deleteMessage',
    'restoreMessage',
    'restoreMessage',
    'restoreMessage',
    'restoreMessage',
  ] as const),
] as const
const kind: fc.Arbitrary<Wish['kind']> = fc.oneof(
  { weight: 40, arbitrary: fc.constantFrom(...KINDS) },
  { weight: 1, arbitrary: fc.constantFrom(...BETWEEN_COLLEAGUES) },
  { weight: 3, arbitrary: fc.constantFrom(...ABOUT_MESSAGES) },
  { weight: 1, arbitrary: fc.constantFrom(...ABOUT_CONFERENCES) },
  { weight: 3, arbitrary: fc.constantFrom(...SUPERVISING) },
  { weight: 3, arbitrary: fc.constantFrom(...WRITING) },
)

const wishOf = (kinds: fc.Arbitrary<Wish['kind']>): fc.Arbitrary<Wish> =>
  fc.record({ agent: fc.nat(AGENT_COUNT - 1), pick: fc.nat(99), party: fc.nat(99), kind: kinds, flag: fc.boolean() })

export type Step = readonly [Wish, number]
export const steps = (maxLength: number): fc.Arbitrary<Step[]> => stepsOf(kind, maxLength)
/** Days on which much is written, and now and then somebody calls. */
export const writtenSteps = (maxLength: number): fc.Arbitrary<Step[]> =>
  stepsOf(
    fc.oneof(
      { weight: 6, arbitrary: fc.constantFrom(...WRITING) },
      { weight: 3, arbitrary: fc.constantFrom('startShift', 'goReady', 'callArrives', 'answer', 'hangUp', 'saveOutcome', 'saveOutcome', 'passTime') },
      { weight: 1, arbitrary: kind },
    ),
    maxLength,
  )
const stepsOf = (kinds: fc.Arbitrary<Wish['kind']>, maxLength: number): fc.Arbitrary<Step[]> =>
  fc.array(fc.tuple(wishOf(kinds), fc.constantFrom(0, 200, 1_500, 5_000, 12_000)), { minLength: 40, maxLength, size: 'max' })

const WHILE_RINGING: readonly string[] = ['answer', 'decline', 'silence', 'divert']
const AFTERWARDS: readonly string[] = ['saveOutcome', 'extendWrapUp']
const ON_CONSULT: readonly string[] = ['endConsult', 'completeTransfer', 'conference']
const IN_CONFERENCE: readonly string[] = ['muteParty', 'muteOthers', 'startAside', 'endForEveryone', 'removeParty']
const WHILE_HELD: readonly string[] = ['retrieve', 'alternate']

/** What must come about first, where there is nothing yet that the wish could be about. */
export function sooner(state: FloorState, kind: Wish['kind']): Wish['kind'] {
  if (isWriting(kind)) return soonerWritten(state, kind)
  if (kind === 'moveCallback' || kind === 'handOverCallback' || kind === 'dropCallback') return count(state.callbacks) === 0 ? 'saveOutcome' : kind
  if (kind === 'takeBackOutcome') return values(state.lately).some((l) => state.atMs - l.savedAtMs < TAKE_BACK_MS) ? kind : sooner(state, 'saveOutcome')
  if (AFTERWARDS.includes(kind)) return values(state.agents).some((a) => a.wrapUps.length + a.owed.length > 0) ? kind : 'hangUp'
  if (kind === 'callRecord' || kind === 'skipRecord') return count(state.previews) === 0 ? 'offerRecord' : kind
  if (kind === 'reportAttempt') return count(state.attempts) === 0 ? 'makeAttempt' : kind
  if (kind === 'answerQuestion' || kind === 'closeQuestion') return count(state.questions) === 0 ? 'askFirst' : kind
  if (kind === 'readCircle') return count(state.circles) === 0 ? 'writeToColleagues' : kind
  if (kind === 'dropCallWhenFree') return count(state.whenFree) === 0 ? 'callWhenFree' : kind
  if (kind === 'markMessage' || kind === 'forwardMessage' || kind === 'deleteMessage') return count(state.messages) === 0 ? 'mailboxRings' : kind
  if (kind === 'restoreMessage') return values(state.messages).some((m) => m.deletedAtMs !== null) ? kind : 'deleteMessage'
  if (kind === 'callMessageBack') return values(state.calls).some((c) => c.messageId !== null) ? kind : 'mailboxRings'
  if (kind === 'replanConference' || kind === 'cancelConference' || kind === 'joinConference') return hasOpenConference(state) ? kind : 'planConference'
  if (kind === 'callerKeys') return values(state.calls).some((c) => c.connections.some((x) => x.party.kind === 'conferenceLine')) ? kind : 'conferenceLineRings'
  if (kind === 'muteOthers') return values(state.calls).some(isConference) ? kind : sooner(state, 'conference')
  if (kind === 'dropHelp' || kind === 'takeHelp') return values(state.agents).some((a) => a.help !== null) ? kind : 'askForHelp'
  if (kind === 'withdrawReview' || kind === 'answerReview') return count(state.reviews) === 0 ? 'makeReview' : kind
  if (kind === 'moveWaiting') return Object.values(state.waiting).some((line) => line.length > 0) ? kind : 'callArrives'
  if (kind === 'stopListening') return values(state.agents).some((a) => a.engagements.some((e) => e.listens)) ? kind : 'takeRole'
  if (kind === 'closeTask') return count(state.tasks) === 0 ? 'saveOutcome' : kind
  if (kind === 'endAside') return values(state.calls).some((c) => c.aside !== null) ? kind : 'startAside'
  if (kind === 'muteParty' || kind === 'startAside') return values(state.calls).some(isConference) ? kind : sooner(state, 'conference')
  if (ON_CONSULT.includes(kind)) return values(state.calls).some((c) => c.consultFor !== null) ? kind : 'consult'
  return kind
}

/** Agents who could press this now: somebody must ring to be answered, and consult to complete. */
export function suited(state: FloorState, kind: Wish['kind']): readonly AgentId[] {
  const could = (a: Agent): boolean => {
    if (kind === 'takeBackOutcome') return state.atMs - (get(state.lately, a.id)?.savedAtMs ?? 0) < TAKE_BACK_MS && a.engagements.length === 0
    if (kind === 'correctOutcome') return values(state.coded).some((c) => c.agentId === a.id)
    if (AFTERWARDS.includes(kind)) return a.wrapUps.length + (kind === 'saveOutcome' ? a.owed.length : 0) > 0
    if (kind === 'callRecord' || kind === 'skipRecord') return get(state.previews, a.id) !== undefined
    if (kind === 'offerRecord') return a.shift?.campaignId != null && a.state.name === 'ready' && get(state.previews, a.id) === undefined
    if (kind === 'startCampaign' || kind === 'pauseCampaign' || kind === 'finishCampaign' || kind === 'putBackRecords') return a.id !== 'agent_6'
    if (kind === 'startShift') return a.shift === null
    if (kind === 'goReady') return a.shift !== null && !a.availability.ready
    if (kind === 'goNotReady') return a.state.name === 'ready'
    if (kind === 'askFirst' || kind === 'callWhenFree') return a.shift !== null
    if (kind === 'answerQuestion') return values(state.questions).some((q) => q.toAgentId === a.id && q.answered === null)
    if (kind === 'closeQuestion') return values(state.questions).some((q) => q.byAgentId === a.id)
    if (kind === 'dropCallWhenFree') return values(state.whenFree).some((w) => w.byAgentId === a.id)
    if (kind === 'replanConference' || kind === 'cancelConference')
      return values(state.conferences).some((c) => c.hostAgentId === a.id && c.cancelledAtMs === null)
    if (kind === 'joinConference' || kind === 'callColleague' || kind === 'callTogether') return a.shift !== null && a.engagements.length === 0
    if (kind === 'markMessage' || kind === 'forwardMessage' || kind === 'deleteMessage' || kind === 'restoreMessage') return hasMessage(state, a.id)
    if (kind === 'takeRole' || kind === 'takeOver') return a.shift !== null && a.engagements.every((e) => e.listens) && a.wrapUps.length === 0
    if (kind === 'assignWork' || kind === 'setReadiness' || kind === 'moveWaiting' || kind === 'sendWord') return a.id !== 'agent_6'
    if (kind === 'putAwayTold') return a.told.length > 0
    if (kind === 'makeReview') return a.id !== 'agent_6'
    if (kind === 'withdrawReview') return values(state.reviews).some((r) => r.byAgentId === a.id)
    if (kind === 'answerReview') return values(state.reviews).some((r) => r.agentId === a.id)
    if (kind === 'dropHelp') return a.help !== null
    if (kind === 'stopListening') return a.engagements.some((e) => e.listens)
    if (kind === 'clearNote') return a.note !== null
    if (kind === 'chooseSoundPath') return a.shift?.soundLost != null
    if (kind === 'reportDeskLost') return a.shift?.seat === 'desk' && a.shift.deskLost === null
    if (kind === 'reportDeskBack') return a.shift?.deskLost != null
    if (kind === 'reportSoundLost') return a.shift?.soundPath !== 'none'
    if (kind === 'endAside') return values(state.calls).some((c) => c.aside?.byAgentId === a.id)
    return a.engagements.some((e) => fits(state, e, kind))
  }
  return values(state.agents).flatMap((a) => (could(a) ? [a.id] : []))
}

const hasMessage = (state: FloorState, id: AgentId): boolean => values(state.messages).some((m) => mayOpenBox(state, id, m.box))

/** Calls this may be pressed on: somebody must ring to be answered, and be consulted to complete. */
export function fits(state: FloorState, { callId, state: end }: Engagement, kind: Wish['kind']): boolean {
  const call = get(state.calls, callId)
  if (call === undefined) return false
  if (WHILE_RINGING.includes(kind)) return end === 'alerting'
  if (ON_CONSULT.includes(kind)) return call.consultFor !== null && end !== 'alerting' && call.connections.every((c) => c.state !== 'alerting')
  if (IN_CONFERENCE.includes(kind)) return isConference(call)
  if (kind === 'endAside') return call.aside !== null
  if (kind === 'callMessageBack') return call.messageId !== null && end === 'connected'
  if (kind === 'turnPage') return get(state.work, callId)?.run?.answers.speaking !== undefined
  if (WHILE_HELD.includes(kind)) return end === 'held'
  return end !== 'alerting'
}

const hasOpenConference = (state: FloorState): boolean => values(state.conferences).some((c) => c.cancelledAtMs === null)
