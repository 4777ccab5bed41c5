// Where in an event something personal stands: names, numbers, addresses, what was said and written of people from outside. A table of all kinds, so that no
// kind can be added without an answer. Names of those who work here, and what the centre has set up, are the centre's own.
import type { Customer, Party } from '@/core/calls'
import type { CalledRecord } from '@/core/campaigns'
import type { Whom } from '@/core/do-not-call'
import { answerLeft, FORGOTTEN, type IsOffered } from '@/core/forgotten'
import type { FloorEvent } from '@/core/ledger'
import type { AnswerValue } from '@/core/scripts'

export interface Site {
  /** The id of what it is about: a call, a chat, a record of a list, a promise. Everything about one of them is forgotten together. */
  readonly about: string
  /** From the event on. */
  readonly path: readonly (string | number)[]
  /** What stands there once it is forgotten: of the same shape, so that the event can be read as it always was. */
  readonly left: unknown
}

type Of<K extends FloorEvent['kind']> = Extract<FloorEvent, { readonly kind: K }>
type SitesOf<K extends FloorEvent['kind']> = ((event: Of<K>, isOffered: IsOffered) => readonly (Site | null)[]) | null

const at = (about: string, path: Site['path'], value: unknown, left: unknown): Site | null =>
  value === null || value === undefined || value === '' ? null : { about, path, left }
const text = (about: string, path: Site['path'], value: string | null | undefined) => at(about, path, value, FORGOTTEN)

const nobody = ({ group }: Customer): Customer => ({ name: FORGOTTEN, group, facts: [] })
const customer = (about: string, path: Site['path'], value: Customer | null) => at(about, path, value, value && nobody(value))
const customers = (about: string, path: Site['path'], value: readonly Customer[]) => at(about, path, value.length === 0 ? null : value, value.map(nobody))
/** Tries, zones and which record of which list are no more than figures need. */
const record = (path: Site['path'], value: CalledRecord) =>
  at(value.recordId, path, value, { ...value, key: null, person: FORGOTTEN, number: FORGOTTEN, fields: {} } satisfies CalledRecord)
const party = (about: string, path: Site['path'], value: Party) =>
  value.kind !== 'outside' || (value.number === null && value.name === null)
    ? null
    : at(about, path, value, {
        ...value,
        number: value.number && FORGOTTEN,
        name: value.name && FORGOTTEN,
        ...(value.extension === undefined ? {} : { extension: FORGOTTEN }),
      } satisfies Party)
const whom = (about: string, path: Site['path'], value: Whom) => at(about, path, value, 'person' in value ? { person: FORGOTTEN } : { number: FORGOTTEN })
/** An entry of the do-not-call list is about nothing but whom it bars. */
export const aboutWhom = (value: Whom): string => ('person' in value ? `person ${value.person}` : `number ${value.number}`)

function answer(about: string, field: string, value: AnswerValue | null, isOffered: IsOffered): Site | null {
  const left = value === null ? null : answerLeft(field, value, isOffered)
  return left === value ? null : at(about, ['value'], value, left)
}

const NONE = null

const SITES: { readonly [K in FloorEvent['kind']]: SitesOf<K> } = {
  floorOpened: NONE,
  floorResumed: NONE,
  clockMoved: NONE,
  standInsBegan: NONE,
  storageCleared: NONE,
  pinsRenewed: NONE,
  entryLeftOut: NONE,
  setUpChanged: NONE,
  personForgotten: NONE,
  detailsForgotten: NONE,
  carriedOver: (e, isOffered) => [
    ...e.promises.flatMap((p, i) => sitesOf(p.event, isOffered).map((s) => ({ ...s, path: ['promises', i, 'event', ...s.path] }))),
    ...e.owed.flatMap((o, i) => [
      text(o.callId, ['owed', i, 'number'], o.number),
      customer(o.callId, ['owed', i, 'customer'], o.customer),
      text(o.callId, ['owed', i, 'notes'], o.notes),
      o.campaign && record(['owed', i, 'campaign', 'record'], o.campaign.record),
    ]),
  ],

  callTurnedAway: (e) => [text(`turned away ${e.number}`, ['number'], e.number)],
  queueDoorSet: NONE,
  stormSwitched: NONE,

  shiftStarted: NONE,
  shiftEnded: NONE,
  seatMoved: NONE,
  agentReady: NONE,
  agentNotReady: NONE,
  notReadyAsked: NONE,
  wrapUpStarted: NONE,
  wrapUpExtended: NONE,
  outcomeOwed: NONE,
  wrapUpEnded: NONE,
  muteChanged: NONE,
  helpAsked: NONE,
  helpTaken: NONE,
  helpEnded: NONE,
  workAssigned: NONE,
  agentTold: NONE,
  toldPutAway: NONE,
  soundPathChosen: NONE,
  soundPathLost: NONE,
  deskLost: NONE,
  deskBack: NONE,
  deskGivenUp: NONE,
  noteSet: NONE,
  noteCleared: NONE,
  doNotDisturbChanged: NONE,
  diversionChanged: NONE,

  callQueued: (e) => [text(e.callId, ['number'], e.number), customer(e.callId, ['customer'], e.customer), customers(e.callId, ['matches'], e.matches)],
  callOriginated: (e) => [text(e.callId, ['number'], e.number), customer(e.callId, ['customer'], e.customer), text(e.callId, ['extension'], e.extension)],
  callPutThrough: (e) => [text(e.callId, ['number'], e.number), customer(e.callId, ['customer'], e.customer)],
  consultationOriginated: NONE,
  internalCallOriginated: NONE,
  mailboxCalled: (e) => [text(e.callId, ['number'], e.number), customer(e.callId, ['customer'], e.customer), customers(e.callId, ['matches'], e.matches)],
  messageQueued: (e) => [text(e.callId, ['number'], e.number), customer(e.callId, ['customer'], e.customer)],
  messageBegun: NONE,
  conferenceOpened: NONE,
  connectionInitiated: (e) => [party(e.callId, ['party'], e.party)],
  connectionDelivered: (e) => [party(e.callId, ['party'], e.party)],
  connectionEstablished: NONE,
  connectionHeld: NONE,
  connectionRetrieved: NONE,
  connectionFailed: (e) => [party(e.callId, ['party'], e.party)],
  connectionCleared: NONE,
  connectionQueued: NONE,
  callCleared: NONE,
  callOverflowed: NONE,
  placeKept: (e) => [text(e.callId, ['number'], e.number)],
  callerIdentified: (e) => [customer(e.callId, ['customer'], e.customer)],
  callsJoined: NONE,
  callTransferred: (e) => [party(e.callId, ['to'], e.to)],
  callDiverted: (e) => [party(e.callId, ['to'], e.to)],
  callParked: NONE,
  callReturned: (e) => [party(e.callId, ['from'], e.from)],
  partyMuteChanged: NONE,
  asideStarted: NONE,
  asideEnded: NONE,
  digitsSent: (e) => [text(e.callId, ['digits'], e.digits)],
  lineMeasured: NONE,
  digitsReceived: (e) => [text(e.callId, ['digits'], e.digits)],
  roleTaken: (e) => [party(e.callId, ['party'], e.party)],
  waitingMoved: NONE,
  callTakenOver: NONE,
  connectionMoved: NONE,
  recordingChanged: NONE,
  clearRequested: NONE,
  clearTakenBack: NONE,

  attemptMade: (e) => [record(['record'], e.record)],
  attemptRings: NONE,
  attemptAnswered: NONE,
  attemptTakenLive: NONE,
  attemptMessagePlayed: NONE,
  attemptEnded: NONE,
  campaignStateChanged: NONE,
  recordOffered: (e) => [record(['record'], e.record)],
  recordReturned: (e) => [text(e.recordId, ['why'], e.why)],
  recordCoded: (e) => (e.becomes.kind === 'wrongNumber' ? [text(e.recordId, ['becomes', 'number'], e.becomes.number)] : []),
  recordUncoded: NONE,
  recordBarred: (e) => [text(e.recordId, ['number'], e.number)],
  recordsPutBack: NONE,
  recordMatched: (e) => [record(['record'], e.record)],
  recordReleased: NONE,

  notesDrafted: (e) => [text(e.callId, ['text'], e.text), text(e.callId, ['followUp'], e.followUp)],
  captionSpoken: (e) => [text(e.callId, ['text'], e.text)],
  callerTold: NONE,
  ringSilenced: NONE,
  soundRated: NONE,
  contactTaken: NONE,
  outcomeSaved: (e) => [text(e.callId, ['notes'], e.notes), text(e.callId, ['followUp'], e.followUp)],
  outcomeTakenBack: NONE,
  outcomeCorrected: (e) => [text(e.callId, ['why'], e.why)],
  scriptStarted: NONE,
  scriptPageShown: NONE,
  scriptAnswered: (e, isOffered) => [answer(e.callId, e.field, e.value, isOffered)],

  callbackAgreed: (e) => [
    text(e.callbackId, ['number'], e.number),
    customer(e.callbackId, ['customer'], e.customer),
    text(e.callbackId, ['note'], e.note),
    e.ofCampaign && record(['ofCampaign', 'record'], e.ofCampaign.record),
  ],
  callbackMoved: (e) => [text(e.callbackId, ['why'], e.why)],
  callbackHandedOver: NONE,
  callbackDialled: NONE,
  callbackEscalated: NONE,
  callbackClosed: (e) => [text(e.callbackId, ['why'], e.why)],
  questionAsked: NONE,
  questionAnswered: NONE,
  questionClosed: NONE,
  callWhenFreeWished: NONE,
  callWhenFreeEnded: NONE,
  doNotCallAdded: (e) =>
    e.entries.flatMap((entry, i) => [
      whom(aboutWhom(entry.whom), ['entries', i, 'whom'], entry.whom),
      text(aboutWhom(entry.whom), ['entries', i, 'why'], entry.why),
    ]),
  doNotCallRemoved: (e) => [whom(aboutWhom(e.whom), ['whom'], e.whom), text(aboutWhom(e.whom), ['why'], e.why)],
  doNotCallWaived: (e) => [text(e.callId, ['number'], e.number), text(e.callId, ['why'], e.why)],
  numberStruck: (e) => [text(e.callId, ['number'], e.number), text(e.callId, ['person'], e.person)],
  numberRestored: (e) => [text(e.callId, ['number'], e.number), text(e.callId, ['person'], e.person)],
  taskFiled: (e) => [
    text(e.taskId, ['customer'], e.customer),
    text(e.taskId, ['number'], e.number),
    text(e.taskId, ['title'], e.title),
    text(e.taskId, ['text'], e.text),
  ],
  taskClosed: NONE,

  messageLeft: (e) => [
    text(e.messageId, ['number'], e.number),
    text(e.messageId, ['name'], e.name),
    at(e.messageId, ['words'], e.words.length === 0 ? null : e.words, []),
  ],
  messageForwarded: (e) => [text(e.fromMessageId, ['note'], e.note)],
  messageMarked: NONE,
  messageDeleted: NONE,
  messageRestored: NONE,
  messagePurged: NONE,
  greetingSet: NONE,
  conferencePlanned: (e) => invited(e.conferenceId, e.plan),
  conferenceReplanned: (e) => invited(e.conferenceId, e.plan),
  conferenceCancelled: NONE,
  conferenceJoined: (e) => [text(e.conferenceId, ['name'], e.name), text(e.conferenceId, ['number'], e.number)],
  conferenceLeft: NONE,
  reviewMade: (e) => [
    at(
      e.callId,
      ['remarks'],
      e.remarks.length === 0 ? null : e.remarks,
      e.remarks.map((r) => ({ ...r, text: FORGOTTEN })),
    ),
    text(e.callId, ['note'], e.note),
  ],
  reviewAnswered: (e) => [text(e.callId, ['text'], e.text)],
  reviewWithdrawn: NONE,

  threadBegan: (e) => [
    text(e.threadId, ['address'], e.address),
    text(e.threadId, ['number'], e.number),
    customer(e.threadId, ['customer'], e.customer),
    text(e.threadId, ['subject'], e.subject),
    text(e.threadId, ['text'], e.text),
  ],
  threadOpened: (e) => [
    text(e.threadId, ['address'], e.address),
    text(e.threadId, ['number'], e.number),
    customer(e.threadId, ['customer'], e.customer),
    text(e.threadId, ['subject'], e.subject),
  ],
  threadOffered: NONE,
  threadPassed: NONE,
  threadTaken: NONE,
  threadOverflowed: NONE,
  threadWritten: (e) => [text(e.threadId, ['text'], e.text)],
  threadDelivered: NONE,
  threadTyped: NONE,
  threadHandedOn: NONE,
  threadAskedIn: NONE,
  threadAskedOut: NONE,
  threadParked: NONE,
  threadUnparked: NONE,
  threadPlaceKept: (e) => [text(e.threadId, ['number'], e.number)],
  threadCalled: NONE,
  threadEnded: NONE,
  circleWritten: NONE,
  circleRead: NONE,
}

function invited(conferenceId: string, plan: Of<'conferencePlanned'>['plan']): readonly (Site | null)[] {
  return plan.invited.map((one, i) =>
    one.kind !== 'outside' ? null : at(conferenceId, ['plan', 'invited', i], one, { ...one, name: FORGOTTEN, number: one.number && FORGOTTEN, email: '' }),
  )
}

/** Everything personal in an event, in the order of its places. */
export function sitesOf(event: FloorEvent, isOffered: IsOffered): readonly Site[] {
  // A table's row fits the events of its kind, which the type of a whole union cannot say.
  const sites = SITES[event.kind] as ((event: FloorEvent, isOffered: IsOffered) => readonly (Site | null)[]) | null
  return sites === null ? [] : sites(event, isOffered).filter((s) => s !== null)
}
