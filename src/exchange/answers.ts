// What each message of a tab does, and who may send it. Rights are asked here, in the worker: what a screen hides is no protection.

import type { DialerReasons } from '@/core/dialer'
import { readNumber, writeNumber } from '@/core/directory'
import { type AgentCommand, type Ask, consequences, type FloorRefusal, preview, refusalFor, toRefusalText } from '@/core/floor'
import type { AgentId, CampaignId } from '@/core/ids'
import type { Viewer } from '@/core/people'
import { openAccount, unentitled } from '@/core/rules/rights'
import { agentSetUp, type Entitlement } from '@/core/set-up'
import { type FloorState, readyAgents } from '@/core/state'
import { get } from '@/core/table'
import { boxOwner } from '@/core/voicemail'
import type { Pace, Past, World } from '@/world'
import { type Accounts, signInWords, type Verified } from './accounts'
import { searchCircles } from './circles'
import { selectConferences } from './conferences'
import type { Devices } from './devices'
import { selectDoNotCall } from './do-not-call-page'
import { withKnown } from './known'
import { selectMessages } from './messages'
import { answerPeople, isPeopleMessage, type People } from './people'
import type { NumbersSaid, RefusalView, SetUpInUse, TabMessage } from './protocol'
import { reviewsFor } from './reviews'
import type { Scenario } from './scenario'
import type { Sessions } from './sessions'
import type { LedgerWriter } from './store'
import type { Tab } from './tab'
import { linesBefore } from './threads'
import { seenBy } from './unheard'

/** The floor as messages act on it. */
export interface Floor {
  readonly accounts: Accounts
  readonly people: People
  readonly devices: Devices
  readonly sessions: Sessions
  readonly writer: LedgerWriter
  readonly now: () => number
  state(): FloorState
  /** Whoever of a campaign's lists was last rung in vain rings back; why not, or null. */
  ringsBack(campaignId: CampaignId): Promise<RefusalView | null>
  readonly records: Scenario['records']
  readonly isShared: boolean
  world(): World | null
  /** Starts the world of whoever comes first; a world that runs stays as it is. */
  beginWorld(wanted: { readonly pace: Pace; readonly seed: number } | null, past: Past): void
  /** Stand-ins behave so from now on. */
  setPace(pace: Pace): void
  /** Decides and keeps; null when it was done. */
  give(command: AgentCommand): FloorRefusal | null
  /** Lets happen what is due and shows it; `everything` of every tab where more than the floor has changed. */
  turn(everything?: boolean): void
  broadcast(): void
  isKept(): boolean
  pacing(campaignId: CampaignId): DialerReasons | null
  damaged(): Promise<string>
  dismiss(noticeId: string): void
}

export type Answer = { readonly ok: true; readonly kept: boolean; readonly text: string | null } | { readonly ok: false; readonly refusal: RefusalView }

/** Whose desk it is, which device carries it and what a centre has are more than what happened on the floor: every tab is looked at anew. */
const BEYOND_FLOOR: readonly Ask['kind'][] = ['startShift', 'moveSeat', 'endShift', 'changeSetUp', 'chooseSoundPath', 'moveCall']
/** Commands whose reply waits for the disk: what they say must not be taken back by a power cut. */
const KEPT_FIRST: readonly Ask['kind'][] = [
  ...(['saveOutcome', 'takeBackOutcome', 'answerScript', 'draftNotes', 'correctOutcome', 'makeCall'] as const),
  ...(['writeLine', 'openThread', 'endThread', 'handThreadOn', 'writeToColleagues'] as const),
  ...(['moveCallback', 'handOverCallback', 'dropCallback', 'closeTask', 'addDoNotCall', 'removeDoNotCall', 'changeSetUp', 'switchStorm'] as const),
]

/** Commands of whoever is at work: only at the tab where their shift is. */
const WITHOUT_SEAT: readonly Ask['kind'][] = [
  'startShift',
  'moveSeat',
  'switchStorm',
  'changeSetUp',
  'addDoNotCall',
  'removeDoNotCall',
  'correctOutcome',
  'startCampaign',
  'pauseCampaign',
  'finishCampaign',
  'putBackRecords',
  'setGreeting',
  'markMessage',
  'forwardMessage',
  'deleteMessage',
  'restoreMessage',
  'planConference',
  'replanConference',
  'cancelConference',
  'takeHelp',
  'assignWork',
  'setReadiness',
  'endShiftOf',
  'sendWord',
  'putAwayTold',
  'moveWaiting',
  'moveThread',
  'setDoor',
  'makeReview',
  'withdrawReview',
  'answerReview',
  'writeToColleagues',
  'readCircle',
]

export async function answerTo(floor: Floor, tab: Tab, message: TabMessage): Promise<Answer> {
  const done = (text: string | null = null): Answer => ({ ok: true, kept: floor.isKept(), text })
  const no = (refusal: RefusalView): Answer => ({ ok: false, refusal })
  switch (message.kind) {
    case 'ping':
      return done()
    case 'numbers': {
      const read = message.read.map(({ typed, homeCountry }) => readNumber(typed, homeCountry))
      return done(JSON.stringify({ written: message.write.map(writeNumber), read } satisfies NumbersSaid))
    }
    case 'hello': {
      const { device } = message
      if (message.key !== null) await floor.sessions.comeBack(tab, message.key)
      const known = device !== null && openAccount(floor.state().setUp, device.agentId) !== undefined
      // A handset stands on its agent's desk: it is theirs by the key, and a phone by the code it will be asked for.
      if (known && (device.is === 'ownPhone' || tab.accountId === device.agentId)) {
        tab.device = device
        // A device is no desk: it must not take the shift's seat.
        tab.agentId = null
        if (device.is === 'handset') floor.devices.handsetOpened(device.agentId)
      }
      floor.beginWorld(message.world, message.past)
      floor.turn()
      return device === null || tab.device !== null ? done() : no(NO_DEVICE)
    }
    case 'signIn': {
      const account = openAccount(floor.state().setUp, message.agentId)
      if (account === undefined) return no({ reason: 'noSuchAccount', ...toRefusalText({ reason: 'noSuchAccount' }) })
      const verified = await floor.accounts.verify(account.id, message.pin)
      if (!verified.ok) return no(wordsOf(verified))
      const key = await floor.sessions.signIn(tab, account.id)
      floor.turn()
      return done(key)
    }
    case 'signOut': {
      const shift = tab.accountId === null ? null : get(floor.state().agents, tab.accountId)?.shift
      if (shift?.seat === 'desk' && tab.agentId !== null) return no(STILL_ON_SHIFT)
      await floor.sessions.signOut(tab)
      floor.turn()
      return done()
    }
    case 'phoneDials':
    case 'phoneKeys':
    case 'phoneHangsUp':
    case 'handset': {
      const said = tab.device === null ? null : onDevice(floor, tab.device.agentId, message)
      floor.turn()
      return done(said)
    }
    case 'dismissNotice':
      floor.dismiss(message.noticeId)
      floor.broadcast()
      return done()
    default: {
      if (tab.accountId === null) return no(NOT_SIGNED_IN)
      return answerSignedIn(floor, tab, tab.accountId, message)
    }
  }
}

type SignedIn = Exclude<
  TabMessage,
  { kind: 'ping' | 'numbers' | 'hello' | 'signIn' | 'signOut' | 'phoneDials' | 'phoneKeys' | 'phoneHangsUp' | 'handset' | 'dismissNotice' }
>

async function answerSignedIn(floor: Floor, tab: Tab, accountId: AgentId, message: SignedIn): Promise<Answer> {
  const done = (text: string | null = null): Answer => ({ ok: true, kept: floor.isKept(), text })
  const no = (refusal: RefusalView): Answer => ({ ok: false, refusal })
  const world = floor.world()
  const lacks = (what: Entitlement): RefusalView | null => {
    const refused = unentitled(floor.state(), accountId, what)
    return refused === null ? null : { reason: refused.refusal.reason, ...toRefusalText(refused.refusal) }
  }
  if (isPeopleMessage(message)) {
    const answer = await answerPeople(floor.people, viewerOf(floor, accountId), message)
    if (answer.ok && message.kind !== 'people') floor.broadcast()
    return answer
  }
  switch (message.kind) {
    case 'command':
      return command(floor, tab, accountId, message)
    case 'preview': {
      if (tab.agentId === null && !WITHOUT_SEAT.includes(message.command.kind)) return no(SEAT_ELSEWHERE)
      const previewed = preview(floor.state(), { ...message.command, agentId: accountId } as AgentCommand, { atMs: floor.now() })
      const calls = previewed.ok ? previewed.calls.map((view) => seenBy(floor.state(), view, accountId)) : []
      return done(JSON.stringify(previewed.ok ? { ...previewed, calls } : previewed))
    }
    case 'reviews':
      return done(JSON.stringify(reviewsFor(floor.state(), accountId, message.callId)))
    case 'foresee': {
      const refused = lacks('supervision')
      if (refused !== null) return no(refused)
      return done(JSON.stringify(consequences(floor.state(), { ...message.command, agentId: accountId } as AgentCommand, { atMs: floor.now() })))
    }
    case 'setPin': {
      const refused = message.agentId === accountId ? null : lacks('setUp')
      if (refused !== null) return no(refused)
      if (!floor.state().setUp.agents.some((a) => a.id === message.agentId))
        return no({ reason: 'noSuchAccount', ...toRefusalText({ reason: 'noSuchAccount' }) })
      const set = await floor.accounts.setPin(message.agentId, message.pin)
      if (!set.ok) return no(wordsOf(set))
      // Keys of the account are void; this tab goes on with a new one.
      if (message.agentId !== accountId) return done()
      return done(await floor.sessions.signIn(tab, accountId))
    }
    case 'lineSound':
      if (tab.agentId === null) return no(SEAT_ELSEWHERE)
      world?.hear(message.callId, tab.agentId, message.samples, floor.state(), floor.now())
      floor.turn()
      return done()
    case 'setPace':
      floor.setPace(message.pace)
      floor.turn()
      return done()
    case 'ringMe': {
      const refused = cannotRing(floor.state(), tab)
      if (refused !== null) return no(refused)
      world?.ring(message, tab.agentId, floor.now())
      floor.turn()
      return done()
    }
    case 'colleagueCalls': {
      if (tab.agentId === null) return no(cannotRing(floor.state(), tab) ?? NOBODY_CALLS)
      if (world?.colleagueCalls(tab.agentId, floor.state(), floor.now()) == null) return no(NOBODY_CALLS)
      floor.turn()
      return done()
    }
    case 'leaveMessage':
      if (boxOwner(floor.state().setUp, message.box) === null) return no({ reason: 'noSuchMailbox', ...toRefusalText({ reason: 'noSuchMailbox' }) })
      world?.leaveMessage(message.box, floor.now())
      floor.turn()
      return done()
    case 'messages':
      return done(JSON.stringify(selectMessages(floor.state(), accountId)))
    case 'conferences':
      return done(JSON.stringify(selectConferences(floor.state(), accountId, floor.now())))
    case 'writer': {
      const queue = floor.state().setUp.queues.find((q) => q.id === message.queueId)
      if (queue?.writes.some((w) => w.channel === message.channel) !== true) {
        const refusal = { reason: 'channelNotTaken' as const, queue: queue?.name ?? 'That queue', channel: message.channel }
        return no({ reason: refusal.reason, ...toRefusalText(refusal) })
      }
      world?.write(message, message.toMe ? tab.agentId : null, floor.now())
      floor.turn()
      return done()
    }
    case 'searchCircles':
      return done(JSON.stringify(searchCircles(floor.state(), accountId, message.search)))
    case 'threadLines':
      return done(JSON.stringify(linesBefore(floor.state(), accountId, message.threadId, message.beforeNo)))
    case 'callerIntoQueue':
      world?.ring(message, null, floor.now())
      floor.turn()
      return done()
    case 'ringBack': {
      const refused = await floor.ringsBack(message.campaignId)
      return refused === null ? done() : no(refused)
    }
    case 'nextAnswer':
      world?.setNextAnswer(message.as)
      return done()
    case 'listAnswers':
      world?.setListAnswers(message.as)
      floor.broadcast()
      return done()
    case 'soundHere':
      tab.soundHere = message.on
      floor.broadcast()
      return done()
    case 'ringHandset': {
      const reached = floor.devices.ringHandset(accountId, null)
      floor.turn()
      return reached ? done() : no(UNREACHABLE.handset)
    }
    case 'expectPhone':
      floor.devices.expectPhone(accountId)
      floor.broadcast()
      return done()
    case 'setUp': {
      // Who changes it, and who plays a day by it.
      const refused = lacks('supervision') && lacks('setUp')
      if (refused !== null) return no(refused)
      const { setUp, setUpSeq } = floor.state()
      const withoutPin = setUp.agents.flatMap((a) => (a.retired || floor.accounts.hasPin(a.id) ? [] : [a.id]))
      return done(JSON.stringify({ setUp, revision: setUpSeq, withoutPin } satisfies SetUpInUse))
    }
    case 'doNotCall':
      return done(JSON.stringify(selectDoNotCall(floor.state(), message)))
    case 'history': {
      // Everybody's calls. Only where no worker can be shared must a tab itself hand them to its history, which then asks whose they are.
      const refused = floor.isShared ? lacks('supervision') : null
      return refused === null ? done(await floor.writer.read(message.afterSeq, message.throughSeq ?? Infinity)) : no(refused)
    }
    case 'pacing': {
      const refused = lacks('supervision')
      return refused === null ? done(JSON.stringify(floor.pacing(message.campaignId))) : no(refused)
    }
    case 'ledger': {
      const refused = lacks('supervision')
      return refused === null ? done(await floor.writer.read(0)) : no(refused)
    }
    case 'damaged': {
      const refused = lacks('supervision')
      return refused === null ? done(await floor.damaged()) : no(refused)
    }
  }
}

/** Whoever looks after the centre keeps its shared people. */
function viewerOf(floor: Floor, id: AgentId): Viewer {
  const { may } = agentSetUp(floor.state().setUp, id)
  return { id, keepsShared: may.includes('supervision') || may.includes('setUp') }
}

async function command(floor: Floor, tab: Tab, accountId: AgentId, message: Extract<TabMessage, { kind: 'command' }>): Promise<Answer> {
  const no = (refusal: RefusalView): Answer => ({ ok: false, refusal })
  const asked = message.command
  if (tab.agentId === null && !WITHOUT_SEAT.includes(asked.kind))
    return no(get(floor.state().agents, accountId)?.shift == null ? refusalOf({ reason: 'notOnShift' }) : SEAT_ELSEWHERE)
  if (asked.kind === 'startShift' && asked.seat !== 'desk') return no(NOT_UNDERSTOOD)
  const inBook = (number: string) => {
    const person = floor.people.whose(viewerOf(floor, accountId), [number])[number]
    return person && { name: person.name, group: person.group }
  }
  let given = withKnown({ ...asked, agentId: accountId } as AgentCommand, floor.state(), floor.records, inBook)
  if (given.kind === 'makeCall' && given.waiver !== undefined) {
    // Whoever lets the call be made shows who they are at this desk.
    const { witness } = message
    const verified = witness === undefined ? null : await floor.accounts.verify(witness.agentId, witness.pin)
    if (witness === undefined || verified === null) return no(NO_WITNESS)
    if (!verified.ok) return no(wordsOf(verified))
    given = { ...given, waiver: { ...given.waiver, agentId: witness.agentId } }
  }
  if (given.kind === 'moveCall' && given.endpoint !== 'computer') {
    // Another device has to be there; a handset rings first and has the call when it is lifted. What the call itself refuses is refused before.
    const refused = refusalFor(floor.state(), given, { atMs: floor.now() })
    if (refused !== null) return no(refusalOf(refused))
    if (given.endpoint === 'ownPhone' ? !floor.devices.hasPhone(accountId) : !floor.devices.ringHandset(accountId, given.callId))
      return no(UNREACHABLE[given.endpoint])
    if (given.endpoint === 'handset') {
      floor.turn()
      return { ok: true, kept: true, text: null }
    }
  }
  const refusal = floor.give(given)
  if (refusal !== null) return no(refusalOf(refusal))
  if (given.kind === 'startShift' || given.kind === 'moveSeat') floor.sessions.takeSeat(tab)
  if (given.kind === 'endShift') floor.sessions.leaveSeat(tab)
  floor.turn(BEYOND_FLOOR.includes(given.kind))
  const kept = KEPT_FIRST.includes(given.kind) ? await floor.writer.flushed() : floor.isKept()
  return { ok: true, kept: kept && floor.isKept(), text: null }
}

const NOBODY_CALLS: RefusalView = {
  reason: 'nobodyCalls',
  says: 'No colleague is free to call you.',
  next: 'Choose Ordinary day, or wait until one of them is done with their call.',
}

/** Somebody who asks to be rung has to be able to be. */
function cannotRing(state: FloorState, tab: Tab): RefusalView | null {
  const agent = tab.agentId === null ? undefined : get(state.agents, tab.agentId)
  if (agent?.shift == null)
    return {
      reason: 'notOnShift',
      says: 'You are not on shift at this tab, so nothing can ring here.',
      next: 'Start your shift on the Desk, press Go ready, then Ring me.',
    }
  const words = {
    ready: null,
    signedOut: null,
    notReady: NOT_READY,
    ringing: BUSY,
    onCall: BUSY,
    internalCall: BUSY,
    listening: BUSY,
    writing: readyAgents(state).has(agent.id) ? null : NO_ROOM,
    wrapUp: OWES,
  }[agent.state.name]
  return words
}

/** What an agent does on the device itself. Gives what the device says. */
function onDevice(
  floor: Floor,
  agentId: AgentId,
  message: Extract<TabMessage, { kind: 'handset' | 'phoneDials' | 'phoneKeys' | 'phoneHangsUp' }>,
): string | null {
  const { devices } = floor
  switch (message.kind) {
    case 'phoneDials':
      return devices.phoneDials(agentId, message.typed)
    case 'phoneKeys':
      return devices.phoneKeys(agentId, message.samples)
    case 'phoneHangsUp':
      devices.phoneHangsUp(agentId)
      return null
    case 'handset': {
      const engagements = get(floor.state().agents, agentId)?.engagements ?? []
      if (message.act === 'lift') {
        const rings = engagements.find((e) => e.state === 'alerting')
        if (!devices.lift(agentId) && rings !== undefined) floor.give({ kind: 'answer', agentId, callId: rings.callId })
        return null
      }
      devices.putDown(agentId)
      const talks = engagements.find((e) => e.state === 'connected' || e.state === 'initiated')
      if (talks !== undefined) floor.give({ kind: 'hangUp', agentId, callId: talks.callId })
      return null
    }
  }
}

const refusalOf = (refusal: FloorRefusal): RefusalView => ({ reason: refusal.reason, ...toRefusalText(refusal) })
const wordsOf = (verified: Extract<Verified, { ok: false }>): RefusalView => ({ reason: verified.refusal.reason, ...signInWords(verified.refusal) })

const NOT_UNDERSTOOD = { reason: 'notUnderstood', says: 'The desk sent something the floor does not understand.', next: 'Reload the page; your work is kept.' }
const NOT_SIGNED_IN = { reason: 'notSignedIn', says: 'Nobody is signed in at this tab.', next: 'Sign in with your name and PIN.' }
const SEAT_ELSEWHERE = { reason: 'seatElsewhere', says: 'Your shift is at another tab.', next: 'Go on there, or move your seat here on the Desk.' }
const STILL_ON_SHIFT = { reason: 'stillOnShift', says: 'You are still on shift.', next: 'End your shift first, then sign out.' }
const NO_WITNESS = { reason: 'noWitness', says: 'Nobody has shown a PIN for this.', next: 'Let a supervisor choose their name and type their PIN.' }
const NO_DEVICE = { reason: 'noDevice', says: 'This device belongs to nobody who works here now.', next: 'Open it from the desk, under Sound.' }
const NOT_READY = { reason: 'notReady', says: 'You are not ready, so nothing rings here.', next: 'Press Go ready, then Ring me.' }
const NO_ROOM = {
  reason: 'noRoomForCall',
  says: 'You have as much in hand as you may carry beside a call.',
  next: 'End one of the chats first, or let a caller into the queue instead.',
}
const BUSY = { reason: 'callUnderWay', says: 'A call is at your desk already.', next: 'Finish it first, or let a caller into the queue instead.' }
const OWES = { reason: 'outcomeOwed', says: 'You are in wrap-up, so nothing rings here.', next: 'Save the outcome and go ready, then press Ring me.' }
const UNREACHABLE = {
  handset: {
    reason: 'handsetUnreachable',
    says: 'The desk handset cannot be reached.',
    next: 'Open the desk handset under Sound and leave its window open, or take another path.',
  },
  ownPhone: { reason: 'phoneNotThere', says: 'Your own phone has not called in.', next: 'Let it call in under Sound, or take another path.' },
} as const
