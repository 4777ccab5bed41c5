// The ledger's events in words, for the page of a single call. Every kind has its sentence; the compiler misses none.
import { format } from 'date-fns'
import { FAILURE_WORDS, type Party } from '@/core/calls'
import type { Becomes } from '@/core/campaigns'
import { labelOfWhom } from '@/core/do-not-call'
import type { FloorEvent, LeftOutBecause } from '@/core/ledger'
import type { AnswerValue, Question, Script } from '@/core/scripts'
import { qualityOf, ratingFactor } from '@/core/sound-quality'
import { formatClock } from '@/core/time'
import type { Box } from '@/core/voicemail'
import { nameIn } from '@/parts/ui'
import type { CentreView, SeatView } from '@/services/exchange/protocol'
import { numberWords } from './number-words'
import { ATTEMPT_WORDS, outcomeLabels } from './outcome-words'
import { SOUND_WORDS } from './sound-words'
import { threadEventWords } from './thread-words'

export interface EventNames {
  readonly centre: CentreView
  readonly seats: readonly SeatView[]
  /** What the call ran, where that is known: its pages and questions are called as they are in it. */
  readonly script?: Script | undefined
}

const scriptsOf = ({ script, centre }: EventNames): readonly Script[] => (script === undefined ? centre.scripts : [script])

const titleOf = (pageId: string, names: EventNames): string =>
  scriptsOf(names)
    .flatMap((s) => s.pages)
    .find((p) => p.id === pageId)?.title ?? pageId

/** A question and its answer as the script has them; by their codes where it is not known any more. */
function answeredWords(field: string, value: AnswerValue | null, names: EventNames): string {
  const question = scriptsOf(names)
    .flatMap((s) => s.pages.flatMap((p) => p.questions))
    .find((q) => q.field === field)
  const asked = question?.label ?? field
  if (value === null) return `Script: the answer to “${asked}” was cleared`
  return `Script: “${asked}”: ${answerAs(question, value)}`
}

/** An answer as the question has it: options by their labels. */
export function answerAs(question: Question | undefined, value: AnswerValue): string {
  const options = question !== undefined && 'options' in question ? question.options : []
  const chosen = [value].flat().map((v) => options.find((o) => o.value === v)?.label)
  return chosen.every((label) => label !== undefined) ? chosen.join(', ') : answerWords(value)
}

const RETAINED_WORDS = {
  details: 'details of calls and of what was written',
  recordings: 'recordings',
  messages: 'messages in mailboxes',
  attempts: 'people of calling lists who are called no more',
} as const

const LEFT_OUT: Readonly<Record<LeftOutBecause, string>> = {
  unreadable: 'could not be read',
  missing: 'was not on the disk any more',
  contradicts: 'contradicted what came before',
}

export function eventWords(event: FloorEvent, names: EventNames): string {
  const agent = (id: string) => nameIn(names.seats, id)
  const queue = (id: string) => nameIn(names.centre.queues, id)
  const campaign = (id: string) => nameIn(names.centre.campaigns, id)
  const label = (code: string) => outcomeLabels(names.centre)[code] ?? code
  const device = (id: string) => {
    const rest = id.slice('dev_'.length)
    if (id.startsWith('dev_agent_')) return agent(rest)
    if (id.startsWith('dev_queue_')) return queue(rest)
    if (id.startsWith('dev_park_')) return `slot ${rest.slice('park_'.length)}`
    if (id.startsWith('dev_conferences_')) return 'the conference line'
    if (id.startsWith('dev_voicemail_queue_')) return `the mailbox of ${queue(rest.slice('voicemail_'.length))}`
    if (id.startsWith('dev_voicemail_')) return `the voicemail of ${agent(rest.slice('voicemail_'.length))}`
    return id.endsWith('_1') ? 'the outside party' : 'a further outside party'
  }
  const box = (b: Box) => (b.kind === 'agent' ? agent(b.agentId) : queue(b.queueId))
  const party = (p: Party) => {
    switch (p.kind) {
      case 'agent':
        return agent(p.agentId)
      case 'queue':
        return queue(p.queueId)
      case 'voicemail':
        return `the voicemail of ${agent(p.agentId)}`
      case 'queueVoicemail':
        return `the mailbox of ${queue(p.queueId)}`
      case 'conferenceLine':
        return 'the conference line'
      case 'park':
        return `slot ${p.slot}`
      case 'outside':
        return p.name ?? (p.number === null ? 'a withheld number' : numberWords(p.number))
    }
  }
  if ('threadId' in event) return threadEventWords(event, { agent, queue })
  switch (event.kind) {
    case 'circleWritten':
      return `${agent(event.byAgentId)} wrote to colleagues: “${event.text}”`
    case 'circleRead':
      return `${agent(event.agentId)} read what colleagues wrote`
    case 'standInsBegan':
      return `Stand-ins began, seed ${event.seed}, ${event.pace} pace`
    case 'clockMoved':
      return `The computer’s clock was set ${event.byMs < 0 ? 'back' : 'ahead'} by ${Math.round(Math.abs(event.byMs) / 1000)} s`
    case 'storageCleared':
      return 'The browser’s data was cleared'
    case 'pinsRenewed':
      return `PINs could not be read, and new ones were given at the door to ${event.agentIds.map(agent).join(', ')}`
    case 'entryLeftOut':
      return `What stood here ${LEFT_OUT[event.because]}, and was left out`
    case 'personForgotten':
      return `${agent(event.byAgentId)} had somebody forgotten: ${event.about.length === 1 ? 'one thing names' : `${event.about.length} things name`} them no more`
    case 'detailsForgotten':
      return `What was kept as long as it may be was forgotten: ${RETAINED_WORDS[event.what]}`
    case 'carriedOver':
      return `What earlier days left was taken up: ${event.promises.length} promises and ${event.owed.length} calls to code`
    case 'callQueued':
      return `The call entered ${queue(event.queueId)}${event.path === null ? '' : `; the caller had chosen “${event.path}”`}`
    case 'mailboxCalled':
      return 'The caller was put to a mailbox'
    case 'messageQueued':
      return `The message is waiting for an agent of ${queue(event.queueId)}`
    case 'messageBegun':
      return `The mailbox of ${box(event.box)} greeted, and what is said after its tone is kept`
    case 'messageLeft':
      return `A message of ${formatClock(event.lastsMs)} was left for ${box(event.box)}`
    case 'messageForwarded':
      return `${agent(event.byAgentId)} sent the message on to ${box(event.box)}`
    case 'messageMarked':
      return `${agent(event.byAgentId)} ${event.heard ? 'has heard the message' : 'marked the message as not heard'}`
    case 'messageDeleted':
      return `${agent(event.byAgentId)} deleted the message`
    case 'messageRestored':
      return `${agent(event.byAgentId)} brought the message back`
    case 'messagePurged':
      return 'The deleted message is gone for good'
    case 'lineMeasured':
      return `The line to ${device(event.deviceId)}: ${qualityOf(ratingFactor(event.line))}, ${Math.round(event.line.delayMs)} ms late, ${Math.round(event.line.lossRatio * 100)} % lost`
    case 'conferencePlanned':
      return `${agent(event.hostAgentId)} arranged the conference “${event.plan.title}”`
    case 'conferenceReplanned':
      return `${agent(event.byAgentId)} changed the conference “${event.plan.title}”`
    case 'conferenceCancelled':
      return `${agent(event.byAgentId)} called the conference off`
    case 'conferenceJoined':
      return `${event.name ?? (event.number === null ? 'A withheld number' : numberWords(event.number))} came into the conference`
    case 'conferenceLeft':
      return `${capital(device(event.deviceId))} left the conference`
    case 'conferenceOpened':
      return 'The conference began'
    case 'greetingSet':
      return `${agent(event.byAgentId)} changed what the mailbox of ${box(event.box)} greets with`
    case 'callOriginated':
      return `${agent(event.agentId)} dialled ${numberWords(event.number)}`
    case 'internalCallOriginated':
      return event.prompted ? `${agent(event.agentId)} and a colleague are both free: it rings at both` : `${agent(event.agentId)} called a colleague`
    case 'questionAsked':
      return `${agent(event.byAgentId)} asked ${agent(event.toAgentId)}: “${event.text}”`
    case 'questionAnswered':
      return `${agent(event.toAgentId)} answered ${agent(event.byAgentId)}: ${{ now: 'now', soon: 'in five minutes', no: 'no' }[event.answer]}`
    case 'questionClosed':
      return `The question of ${agent(event.byAgentId)} to ${agent(event.toAgentId)} was put away`
    case 'callWhenFreeWished':
      return `${agent(event.byAgentId)} wants to be put through to ${agent(event.toAgentId)} when both are free`
    case 'callWhenFreeEnded':
      return `${agent(event.byAgentId)} need not be put through to ${agent(event.toAgentId)} any more`
    case 'callPutThrough':
      return `${numberWords(event.number)} answered, and the dialer put them through to ${agent(event.agentId)}`
    case 'attemptMade':
      return `${event.agentId === null ? 'The dialer' : agent(event.agentId)} called ${event.record.person} for ${campaign(event.campaignId)}, try ${event.record.tries + 1}`
    case 'recordMatched':
      return `${event.record.person} rang ${campaign(event.campaignId)} back, and was found on its list`
    case 'attemptEnded':
      return `The attempt ended: ${ATTEMPT_WORDS[event.result]}`
    case 'recordCoded':
      return `The record: ${BECOMES_WORDS[event.becomes.kind]}`
    case 'recordUncoded':
      return 'The record is as it was before that outcome'
    case 'connectionDelivered':
      return event.party.kind === 'agent' ? `It rang at ${agent(event.party.agentId)}` : 'It rang at the far end'
    case 'connectionEstablished':
      return `${capital(device(event.deviceId))} answered`
    case 'connectionHeld':
      return `${device(event.deviceId)} put the call on hold`
    case 'connectionRetrieved':
      return `${device(event.deviceId)} retrieved the call`
    case 'connectionFailed':
      return `${capital(party(event.party))} ${FAILURE_WORDS[event.failure]}`
    case 'connectionCleared':
      return `${capital(device(event.deviceId))} left: ${CAUSES[event.cause]}`
    case 'consultationOriginated':
      return `${agent(event.agentId)} began to consult about the call`
    case 'connectionInitiated':
      return `The network was asked for ${party(event.party)}`
    case 'connectionQueued':
      return `The call joined ${queue(event.queueId)}${event.place === 'head' ? ', at its head' : ''}`
    case 'callsJoined':
      return `${agent(event.byAgentId)} joined both lines`
    case 'callTransferred':
      return `${agent(event.byAgentId)} transferred the call to ${party(event.to)}${event.how === 'blind' ? ' without talking first' : ''}`
    case 'callDiverted':
      return `${agent(event.byAgentId)} diverted the call to ${party(event.to)}`
    case 'callParked':
      return `${agent(event.byAgentId)} parked the call in slot ${event.slot}`
    case 'callReturned':
      return `The call came back: ${party(event.from)} ${FAILURE_WORDS[event.failure]}`
    case 'partyMuteChanged':
      return `${agent(event.byAgentId)} ${event.muted ? 'muted' : 'unmuted'} ${device(event.deviceId)}`
    case 'asideStarted':
      return `${agent(event.byAgentId)} talked privately to ${device(event.deviceId)}; the others heard ${event.othersHear === 'music' ? 'music' : 'each other'}`
    case 'asideEnded':
      return `${agent(event.byAgentId)} came back to all`
    case 'digitsSent':
      return `${agent(event.byAgentId)} sent the keys ${event.digits}`
    case 'digitsReceived':
      return `${capital(device(event.deviceId))} heard the keys ${event.digits}`
    case 'roleTaken':
      return `${capital(device(event.deviceId))} ${ROLE_WORDS[event.role](event.beside === null ? 'the agent' : device(event.beside))}`
    case 'callTakenOver':
      return `${agent(event.byAgentId)} took the call over from ${agent(event.fromAgentId)}`
    case 'reviewMade':
      return `${agent(event.byAgentId)} reviewed what ${agent(event.agentId)} made of it, by “${event.sheet.name}”`
    case 'reviewAnswered':
      return `${agent(event.agentId)} ${event.agrees ? 'agrees with the review' : 'does not agree with the review'} of ${agent(event.byAgentId)}`
    case 'reviewWithdrawn':
      return `${agent(event.byAgentId)} withdrew the review of ${agent(event.agentId)}`
    case 'waitingMoved':
      return `${agent(event.byAgentId)} sent the caller ${event.to.kind === 'head' ? 'to the head of the queue' : event.to.kind === 'callback' ? 'away, to be called back in turn' : `to ${event.to.kind === 'queue' ? queue(event.to.queueId) : agent(event.to.agentId)}`}`
    case 'queueDoorSet':
      return `${agent(event.byAgentId)} ${event.door === null ? `gave ${queue(event.queueId)} back to its hours` : `${event.door === 'open' ? 'opened' : 'closed'} ${queue(event.queueId)}`}`
    case 'workAssigned':
      return `${agent(event.byAgentId)} changed what ${agent(event.agentId)} serves`
    case 'agentTold':
      return `${agent(event.agentId)} was told so by ${agent(event.byAgentId)}`
    case 'toldPutAway':
      return `${agent(event.agentId)} has read it`
    case 'helpAsked':
      return `${agent(event.agentId)} asked for help`
    case 'helpTaken':
      return `${agent(event.byAgentId)} came to help ${agent(event.agentId)}`
    case 'helpEnded':
      return `${agent(event.agentId)} no longer asked for help`
    case 'connectionMoved':
      return `${device(event.deviceId)} went on with the call on another device (${ENDPOINT_WORDS[event.endpoint]})`
    case 'recordingChanged':
      return `Recording ${RECORDING_WORDS[event.to]}${event.byAgentId === null ? '' : ` by ${agent(event.byAgentId)}`}`
    case 'clearRequested':
      return `${agent(event.byAgentId)} pressed ${CLEARING_WORDS[event.what]}; it could still be undone`
    case 'clearTakenBack':
      return `${agent(event.byAgentId)} took it back`
    case 'callOverflowed':
      return event.offer.anyLevel
        ? `It was offered to agents of ${queue(event.offer.queueId)} of any skill as well`
        : `It was offered to the agents of ${queue(event.offer.queueId)} as well`
    case 'placeKept':
      return `The caller hung up, kept their place, and is to be called at ${numberWords(event.number)}`
    case 'callerIdentified':
      return `${agent(event.byAgentId)} found the caller to be ${event.customer.name}`
    case 'callerTold':
      return `The caller was told: “${event.text}”`
    case 'contactTaken':
      return `${agent(event.agentId)} went on with the call`
    case 'callCleared':
      return 'The call was over'
    case 'wrapUpStarted':
      return `${agent(event.agentId)} began wrap-up`
    case 'wrapUpEnded':
      return `${agent(event.agentId)} ended wrap-up`
    case 'wrapUpExtended':
      return `${agent(event.agentId)} extended the wrap-up by ${Math.round(event.byMs / 1000)} s: ${event.why}`
    case 'outcomeOwed':
      return `The outcome is owed by ${agent(event.agentId)}: ${OWED_BECAUSE[event.because]}`
    case 'outcomeTakenBack':
      return `${agent(event.agentId)} took the outcome back`
    case 'outcomeCorrected':
      return `${agent(event.byAgentId)} corrected the outcome ${event.was === null ? '' : `from “${label(event.was)}” `}to “${label(event.code)}”: ${event.why}`
    case 'callbackAgreed':
      return `${event.why === 'retry' ? `Try ${event.attempt} is to be made` : 'A callback was agreed'} for ${moment(event.dueAtMs)}, ${event.ownerId === null ? 'anybody’s' : `${agent(event.ownerId)}’s`}`
    case 'callbackDialled':
      return `${agent(event.byAgentId)} dialled it as a callback, try ${event.attempt}`
    case 'doNotCallAdded':
      return `On the do-not-call list: ${event.entries.map((e) => numberWords(labelOfWhom(e.whom))).join(', ')}`
    case 'doNotCallWaived':
      return `${agent(event.byAgentId)} let the call be made in spite of the do-not-call list: ${event.why}`
    case 'numberStruck':
      return `${numberWords(event.number)} was struck from the record of ${event.person}`
    case 'numberRestored':
      return `${numberWords(event.number)} was put back into the record of ${event.person}`
    case 'taskFiled':
      return `A task was filed: ${event.title}, due ${moment(event.dueAtMs)}`
    case 'scriptStarted':
      return 'The script opened'
    case 'scriptPageShown':
      return `Script: ${{ next: 'on to', back: 'back to', jump: 'straight to' }[event.direction]} page “${titleOf(event.pageId, names)}”`
    case 'scriptAnswered':
      return answeredWords(event.field, event.value, names)
    case 'captionSpoken':
      return `Outside party: “${event.text}”`
    case 'soundRated':
      return `${agent(event.agentId)} said how it sounded: ${SOUND_WORDS[event.cause ?? 'good']}`
    case 'notesDrafted':
      return 'Notes were written'
    case 'ringSilenced':
      return `${agent(event.agentId)} silenced the ringing`
    case 'outcomeSaved':
      return `${agent(event.agentId)} saved the outcome “${label(event.code)}”${event.insisted ? ', although the answers spoke against it' : ''}`
    case 'shiftStarted':
      return `${agent(event.agentId)} started a shift for ${
        [...event.queueIds.map(queue), ...(event.campaignId === null ? [] : [campaign(event.campaignId)])].join(', ') || 'no queue'
      }`
    case 'shiftEnded':
      return `${agent(event.agentId)} ended the shift`
    case 'agentReady':
      return `${agent(event.agentId)} went ready`
    case 'agentNotReady':
      return `${agent(event.agentId)} went not ready: ${event.reason}`
    case 'notReadyAsked':
      return `${agent(event.agentId)} goes not ready as soon as nobody is on the way: ${event.reason}`
    case 'campaignStateChanged':
      return `${campaign(event.campaignId)} is now ${event.to}`
    case 'attemptRings':
      return 'The number rang'
    case 'attemptAnswered':
      return 'Somebody picked up'
    case 'attemptTakenLive':
      return 'A person was heard'
    case 'attemptMessagePlayed':
      return 'The message for people whom nobody could take was played'
    case 'recordOffered':
      return `${agent(event.agentId)} was shown ${event.record.person} of ${campaign(event.campaignId)}`
    case 'recordReturned':
      return `The record went back to ${campaign(event.campaignId)}`
    case 'recordBarred':
      return `A number of ${campaign(event.campaignId)} is on the do-not-call list`
    case 'recordReleased':
      return `A record of ${campaign(event.campaignId)} may be called again`
    case 'recordsPutBack':
      return `Records of ${campaign(event.campaignId)} were put back`
    case 'muteChanged':
      return `${agent(event.agentId)} ${event.muted ? 'muted themselves' : 'can be heard again'}`
    case 'seatMoved':
      return `${agent(event.agentId)} went on at another desk`
    case 'soundPathChosen':
      return `${agent(event.agentId)} took another sound path: ${SOUND_PATH_WORDS[event.path]}`
    case 'soundPathLost':
      return `${agent(event.agentId)} lost their sound: ${event.why}`
    case 'deskLost':
      return `Nothing was heard any more of the desk of ${agent(event.agentId)}`
    case 'deskBack':
      return `The desk of ${agent(event.agentId)} was there again`
    case 'deskGivenUp':
      return `What was with ${agent(event.agentId)}, whose desk had not come back, went on without them`
    case 'noteSet':
      return `${agent(event.agentId)} left a note: “${event.text}”`
    case 'noteCleared':
      return `The note of ${agent(event.agentId)} is gone`
    case 'doNotDisturbChanged':
      return `${agent(event.agentId)} ${event.on ? 'does not want to be disturbed' : 'may be disturbed again'}`
    case 'diversionChanged':
      return `${agent(event.agentId)} ${event.to === null ? 'takes their own calls again' : `sent their own calls to ${event.to.kind === 'voicemail' ? 'voicemail' : event.to.kind === 'agent' ? agent(event.to.agentId) : numberWords(event.to.number)}`}`
    case 'callbackMoved':
      return `${agent(event.byAgentId)} moved the callback to ${moment(event.dueAtMs)}${event.why === '' ? '' : `: ${event.why}`}`
    case 'callbackHandedOver':
      return `${agent(event.byAgentId)} gave the callback to ${event.ownerId === null ? 'anybody' : agent(event.ownerId)}`
    case 'callbackEscalated':
      return 'The callback was missed, and is anybody’s now'
    case 'callbackClosed':
      return `The callback is closed${event.why === '' ? '' : `: ${event.why}`}`
    case 'doNotCallRemoved':
      return `${agent(event.byAgentId)} took an entry off the do-not-call list: ${event.why}`
    case 'taskClosed':
      return `${agent(event.byAgentId)} closed the task`
    case 'callTurnedAway':
      return `A caller of ${queue(event.queueId)} was turned away: it was ${event.because}`
    case 'stormSwitched':
      return `${agent(event.byAgentId)} switched ${queue(event.queueId)} ${event.on ? 'to storm' : 'back from storm'}`
    case 'setUpChanged':
      return `${agent(event.byAgentId)} changed the set-up`
    case 'floorOpened':
      return 'The floor opened'
    case 'floorResumed':
      return 'The floor went on after it was closed'
  }
}

/** An answer as it is read. */
export const answerWords = (value: AnswerValue): string =>
  typeof value === 'boolean' ? (value ? 'yes' : 'no') : typeof value === 'object' ? value.join(', ') : String(value)

const moment = (atMs: number): string => format(atMs, 'd MMM HH:mm')

const BECOMES_WORDS: Readonly<Record<Becomes['kind'], string>> = {
  final: 'done',
  byRule: 'to be tried again by the campaign’s rules',
  again: 'to be tried again',
  callback: 'a callback is promised',
  never: 'never to be called again',
  wrongNumber: 'this number is not theirs',
}

const OWED_BECAUSE = {
  limit: 'the wrap-up was over its limit',
  noWrapUp: 'they take no wrap-up',
  leftForLater: 'they left it for later',
} as const

const CAUSES = {
  hungUp: 'hung up',
  lastParty: 'nobody else was left',
  abandoned: 'abandoned',
  declined: 'declined',
  noAnswer: 'did not answer in time',
  answeredElsewhere: 'answered elsewhere',
  failed: 'failed',
  transferred: 'transferred the call',
  diverted: 'diverted',
  parked: 'parked the call',
  removed: 'was removed',
  endedForEveryone: 'ended for everyone',
} as const

const SOUND_PATH_WORDS = { computer: 'the computer', handset: 'the desk handset', ownPhone: 'their own phone', none: 'none' } as const
const ENDPOINT_WORDS = { computer: 'the computer', handset: 'the desk handset', ownPhone: 'their own phone' } as const
const ROLE_WORDS = {
  talks: (who: string) => `stepped in beside ${who}`,
  listens: (who: string) => `listened in on ${who}`,
  whispers: (who: string) => `could whisper to ${who}`,
} as const
const RECORDING_WORDS = { on: 'started', paused: 'paused', off: 'stopped' } as const
const CLEARING_WORDS = { hangUp: 'Hang up', remove: 'Remove', endForEveryone: 'End for everyone', decline: 'Decline' } as const

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1)
