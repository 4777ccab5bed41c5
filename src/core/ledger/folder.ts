// Folds entries into call records and agent intervals, one entry at a time, so that a live floor and an archived
// day use the same code. Keeps its own working memory; what it hands out is plain data.
import { type Agent, engageAgent, engagementsOf } from '@/core/agents'
import { CALL_EVENTS, type Call, type CallChange, type CallEvent, evolveCalls, isOpening } from '@/core/calls'
import { type AgentId, type CallId, type CampaignId, toCallId, type WorkId } from '@/core/ids'
import { evolveRun, splitAnswers } from '@/core/scripts'
import { agentName, campaignSetUp, type SetUp, scriptById, scriptVersion } from '@/core/set-up'
import { ratingFactor } from '@/core/sound-quality'
import type { Line, ThreadEvent } from '@/core/threads'
import type { EpochMs } from '@/core/time'
import { factsOf } from '@/core/work'
import { createWrittenFold } from './about-written'
import { createAgentSpells } from './agent-spells'
import { createCallOutcomes } from './call-outcomes'
import { closedStretch } from './closed'
import type { FloorEvent, LedgerEntry } from './entry'
import { type Correction, createFolderState, type FolderState, type OpenCall, type Settled, type SettledCall, type TakenBack } from './folder-state'
import { forgetRecords } from './forgotten'
import { closedOver as closedLegs, createLegs, followLegs, isWrappedUp, listLegs, wrapUpLeg } from './legs'
import { createHandsThen } from './recalled'
import type { AgentInterval, CallRecord } from './record'
import { blankRecord, dialledNow, missedIn, noteResult, resultOf, transferOf } from './result'
import { closedOverPiece, isOfThread, type OpenThread } from './written'
import type { WrittenRecord } from './written-record'

const SHORT_ABANDON_MS = 5_000

export interface LedgerFolder {
  add(entry: LedgerEntry): void
  /** Calls that have ended, in the order they were offered; outcome and wrap-up follow when they are known. */
  records(): readonly CallRecord[]
  /** A call that is not settled yet, and where its events stand; null for any other. */
  find(callId: CallId): SettledCall | null
  /** Calls that wait or are talked on, as they are at `nowMs`. */
  underWay(nowMs: EpochMs): readonly CallRecord[]
  /** Gapless over each shift; the interval still running ends at `nowMs`. */
  intervals(nowMs: EpochMs): readonly AgentInterval[]
  /** Chats, mails and texts of this ledger, as they are. */
  written(): readonly WrittenRecord[]
  /** What was said in one of them. */
  linesOf(workId: WorkId): readonly Line[]
  setUp(): SetUp
  /** Corrections of calls that are no longer here or never were, the latest of each. */
  corrections(): ReadonlyMap<CallId, Correction>
  /** Ends that were pressed and taken back within the grace: presses by mistake. */
  takenBack(): readonly TakenBack[]
  /** Outcomes that were corrected after they were saved, by whom. */
  corrected(): readonly TakenBack[]
  /** Hands out what will not change any more, but by a correction: calls, chats, mails, texts and spells that were over by then and that nobody owes for. */
  settle(byMs: EpochMs): Settled
  /** Everything it knows, as plain data: another folder goes on from it. */
  state(): FolderState
}

/** Goes on from what another one knew, or begins with nothing. */
export function createLedgerFolder(state: FolderState = createFolderState()): LedgerFolder {
  const { calls, consults, corrections, owedBefore } = state
  const written = state.written ?? new Map<WorkId, OpenThread>()
  const sharing = state.sharing ?? new Map<AgentId, { readonly sinceMs: EpochMs; readonly pieces: readonly WorkId[] }>()
  state.written = written
  state.sharing = sharing
  let seq = 0

  const known = (): SetUp => {
    if (state.setUp === null) throw new Error('the ledger does not begin with floorOpened')
    return state.setUp
  }
  const existing = (id: CallId): OpenCall => {
    const found = calls.get(id)
    if (found === undefined) throw new Error(`the ledger speaks of ${id} before it begins`)
    return found
  }
  const nameOf = (id: AgentId) => agentName(known(), id)
  /** Of a call that began before the ledger does nothing is reported: half a call would be a wrong one. */
  const speaksOfLostCall = (event: FloorEvent): boolean =>
    'callId' in event && event.callId !== null && callOf(event.callId) === undefined && !calls.has(event.callId) && !isOpening(event)

  const callOf = (id: CallId): Call | undefined => calls.get(id)?.call ?? consults.get(id)?.call
  const { agent, agentDid, setAgent, report, closedOver, intervals } = createAgentSpells({ known, state, written, sharing, callOf })

  const followEngagements = (change: CallChange, atMs: EpochMs) => {
    for (const end of engagementsOf(change)) {
      const before = agent(end.agentId)
      setAgent(before, engageAgent(before, end, atMs), atMs)
      // An answer at the far end makes a dialled call a talk, and changes nothing at the agent's own end.
      report(agent(end.agentId), atMs)
      pauseWrapUps(before, agent(end.agentId), atMs)
    }
  }

  /** While colleagues talk about something else nobody wraps anything up. */
  const pauseWrapUps = (before: Agent, after: Agent, atMs: EpochMs) => {
    const [was, is] = [isElsewhere(before), isElsewhere(after)]
    if (was === is) return
    for (const { callId } of after.wrapUps) {
      const open = calls.get(callId)
      if (open !== undefined) wrapUpLeg(open.legs, after.id, was, atMs)
    }
  }

  const noteMissed = ({ record, legs }: OpenCall, event: CallEvent, { callId, before }: CallChange, atMs: EpochMs) => {
    const missed = missedIn(event, before)
    if (missed === null) return
    // Whoever called a colleague may have gone by now: they began the call, or the consult.
    const by = consults.get(callId)?.byAgentId ?? (record.direction === 'internal' ? (listLegs(legs)[0]?.agentId ?? null) : null)
    record.missedBy.push({ agentId: missed.agentId, agent: nameOf(missed.agentId), atMs, how: missed.how, byAgentId: by === missed.agentId ? null : by })
  }

  const foldCallEvent = (event: CallEvent, atMs: EpochMs) => {
    for (const change of evolveCalls(callOf, event, atMs)) {
      const { callId, before, after } = change
      const about = consults.get(callId)?.about ?? after?.consultFor ?? null
      if (about !== null) {
        const byAgentId = consults.get(callId)?.byAgentId ?? (event.kind === 'consultationOriginated' ? event.agentId : null)
        const open = calls.get(about)
        if (open !== undefined) {
          followLegs(open.legs, change, event, atMs, nameOf)
          noteMissed(open, event, change, atMs)
        }
        if (after === null) consults.delete(callId)
        else consults.set(callId, { call: after, about, byAgentId })
        followEngagements(change, atMs)
        continue
      }
      if (before === undefined && after !== null)
        calls.set(callId, {
          record: blankRecord(known(), after),
          legs: createLegs(),
          call: null,
          queueId: null,
          campaign: null,
          codedBy: null,
          run: null,
          customer: after.customer,
          path: after.path,
          ended: false,
          owedBy: [],
          firstSeq: seq,
          lastSeq: seq,
        })
      const open = existing(callId)
      open.call = after
      open.queueId = after?.queueId ?? open.queueId
      followEngagements(change, atMs)
      if (event.kind === 'callerIdentified') {
        open.customer = event.customer
        open.record.customer = event.customer.name
      }
      followLegs(open.legs, change, event, atMs, nameOf)
      noteResult(open.record, event, before, after)
      noteMissed(open, event, change, atMs)
      // Somebody from outside has come to a call of colleagues: from now on it is one that was dialled.
      if (after !== null && after.direction !== open.record.direction) Object.assign(open.record, dialledNow(after))
      if (after === null) close(open, atMs)
    }
    if (event.kind === 'callTransferred') existing(event.callId).record.transfers.push(transferOf(known(), event, atMs))
    if (event.kind === 'recordingChanged') {
      const { recordings } = existing(event.callId).record
      if (!recordings.includes(event.recordingId)) recordings.push(event.recordingId)
    }
  }

  /** Only answers the way leads to are reported; the others are kept in the ledger. */
  const reportAnswers = (open: OpenCall) => {
    if (open.run === null) return
    const facts = factsOf({ customer: open.customer, path: open.path, queueId: open.queueId, campaign: open.campaign })
    const script = scriptVersion(known(), open.run)
    // Of a version that is no longer there the way cannot be told: every answer counts.
    open.record.answers = { ...(script.version === open.run.version ? splitAnswers(script, open.run, facts).applying : open.run.answers) }
  }

  const { foldWritten, foldAboutWritten } = createWrittenFold({ known, written, calls, agent, setAgent, agentDid, reportAnswers, seq: () => seq })
  const outcomes = createCallOutcomes({ known, nameOf, existing, calls, owedBefore, corrections, seq: () => seq })

  const foldOther = (event: Exclude<FloorEvent, CallEvent | ThreadEvent>, atMs: EpochMs) => {
    switch (event.kind) {
      case 'shiftStarted':
      case 'shiftEnded':
      case 'agentReady':
      case 'agentNotReady':
      case 'notReadyAsked':
      case 'muteChanged':
      case 'seatMoved':
      case 'soundPathChosen':
      case 'soundPathLost':
      case 'deskLost':
      case 'deskBack':
      case 'deskGivenUp':
      case 'noteSet':
      case 'noteCleared':
      case 'doNotDisturbChanged':
      case 'diversionChanged':
        return agentDid(event, atMs)
      case 'wrapUpExtended':
        return agentDid(event, atMs)
      case 'wrapUpStarted':
      case 'wrapUpEnded':
      case 'outcomeOwed':
        agentDid(event, atMs)
        if (owedBefore.has(event.callId)) return
        return noteWrapUp(existing(event.callId), event, isElsewhere(agent(event.agentId)), atMs)
      case 'scriptPageShown':
      case 'scriptAnswered': {
        const open = existing(event.callId)
        open.run = evolveRun(open.run, event, atMs)
        return reportAnswers(open)
      }
      case 'scriptStarted': {
        const open = existing(event.callId)
        open.run = evolveRun(open.run, event, atMs)
        const { record } = open
        record.script = scriptById(known(), event.scriptId).name
        record.scriptVersion = event.version
        return
      }
      case 'outcomeSaved':
      case 'outcomeTakenBack':
        agentDid(event, atMs)
        return outcomes(event, atMs)
      case 'outcomeCorrected':
        return outcomes(event, atMs)
      case 'soundRated': {
        // Of a call of an earlier ledger there is no record here.
        const record = calls.get(event.callId)?.record
        const { agentId, cause, path, line } = event
        const r = line === null ? null : Math.round(ratingFactor(line) * 10) / 10
        if (record !== undefined) record.sound = [...record.sound.filter((s) => s.agentId !== agentId), { agentId, agent: nameOf(agentId), cause, path, r }]
        return
      }
      case 'floorOpened':
      case 'setUpChanged':
      case 'storageCleared':
        state.setUp = event.setUp
        return
      case 'carriedOver': {
        // What is written over more than a day is one piece: the day it ends on tells of all of it.
        const { moved } = createHandsThen(written)
        for (const promise of event.promises) if ('threadId' in promise.event) foldWritten(promise.event, promise.atMs, moved)
        for (const { callId, agentId, handledBy } of event.owed)
          owedBefore.set(callId, { handledBy, owedBy: [...(owedBefore.get(callId)?.owedBy ?? []), agentId] })
        return
      }
      case 'personForgotten': {
        const about = new Set(event.about)
        return forgetRecords(state, (id) => about.has(id))
      }
      case 'detailsForgotten':
        return event.what === 'details' ? forgetRecords(state, (_, endedAtMs) => endedAtMs !== null && endedAtMs < event.beforeMs) : undefined
      case 'standInsBegan':
      case 'pinsRenewed':
      case 'floorResumed':
      case 'clockMoved':
      case 'callTurnedAway':
      case 'stormSwitched':
      case 'callerTold':
      case 'notesDrafted':
      case 'captionSpoken':
      case 'ringSilenced':
      case 'contactTaken':
      case 'questionAsked':
      case 'questionAnswered':
      case 'questionClosed':
      case 'callWhenFreeWished':
      case 'callWhenFreeEnded':
      case 'callbackAgreed':
      case 'callbackMoved':
      case 'callbackHandedOver':
      case 'callbackDialled':
      case 'callbackEscalated':
      case 'callbackClosed':
      case 'doNotCallAdded':
      case 'doNotCallRemoved':
      case 'doNotCallWaived':
      case 'numberStruck':
      case 'numberRestored':
      case 'taskFiled':
      case 'taskClosed':
      case 'campaignStateChanged':
      case 'attemptRings':
      case 'attemptAnswered':
      case 'attemptTakenLive':
      case 'attemptMessagePlayed':
      case 'recordOffered':
      case 'recordReturned':
      case 'recordCoded':
      case 'recordUncoded':
      case 'recordBarred':
      case 'recordReleased':
      case 'recordsPutBack':
      case 'messageLeft':
      case 'messageForwarded':
      case 'messageMarked':
      case 'messageDeleted':
      case 'messageRestored':
      case 'messagePurged':
      case 'greetingSet':
      case 'conferencePlanned':
      case 'conferenceReplanned':
      case 'conferenceCancelled':
      case 'conferenceJoined':
      case 'conferenceLeft':
      case 'circleWritten':
      case 'circleRead':
        return
      case 'recordMatched': {
        const { callId, campaignId, record } = event
        const open = calls.get(callId)
        if (open === undefined) return
        open.campaign = { campaignId, attemptId: null, record, rangBackTo: open.queueId }
        nameCampaign(open.record, campaignId)
        return
      }
      case 'attemptMade':
      case 'attemptEnded': {
        const { attemptId, campaignId, callId } = event
        const record = event.kind === 'attemptMade' ? event.record : state.dialled.get(attemptId)
        if (event.kind === 'attemptEnded') state.dialled.delete(attemptId)
        else if (callId === null) state.dialled.set(attemptId, event.record)
        const open = callId === null ? undefined : calls.get(callId)
        if (open === undefined) return
        if (record !== undefined) open.campaign = { campaignId, attemptId, record, rangBackTo: null }
        nameCampaign(open.record, campaignId)
        return
      }
    }
  }

  const nameCampaign = (record: CallRecord, campaignId: CampaignId) => Object.assign(record, { campaignId, campaign: campaignSetUp(known(), campaignId).name })

  const withLegs = (c: OpenCall): CallRecord => ({ ...c.record, agents: listLegs(c.legs) })

  const withSeqs = (c: OpenCall): SettledCall => ({ record: withLegs(c), firstSeq: c.firstSeq, lastSeq: c.lastSeq })

  return {
    add(entry) {
      const { event, atMs } = entry
      seq = entry.seq
      if (state.setUp === null && event.kind !== 'floorOpened') {
        // The beginning was cleared away with the browser's data. What can be told begins where the ledger says so.
        state.isCut = true
        if (event.kind !== 'storageCleared') return
      }
      if ('threadId' in event) return foldWritten(event, atMs)
      const about = 'callId' in event && event.callId !== null && isOfThread(event.callId) ? written.get(event.callId) : undefined
      if (about !== undefined && 'callId' in event && !isCallEvent(event)) {
        about.lastSeq = seq
        return foldAboutWritten(event, about, atMs)
      }
      if (state.isCut && speaksOfLostCall(event) && event.kind !== 'outcomeCorrected') return
      if (event.kind === 'clearTakenBack') state.takenBack.push({ atMs, byAgentId: event.byAgentId })
      if (event.kind === 'outcomeCorrected') state.corrected = [...(state.corrected ?? []), { atMs, byAgentId: event.byAgentId }]
      const closed = closedStretch(event, atMs)
      if (closed !== null) {
        closedOver(closed)
        for (const { legs } of calls.values()) closedLegs(legs, closed)
        for (const open of written.values()) closedOverPiece(open, closed)
      }
      if (isCallEvent(event)) foldCallEvent(event, atMs)
      else foldOther(event, atMs)
      const open = 'callId' in event && event.callId !== null ? calls.get(consults.get(event.callId)?.about ?? event.callId) : undefined
      if (open !== undefined) open.lastSeq = seq
    },
    find(callId) {
      const found = calls.get(callId)
      if (found === undefined) return null
      const { record, ...seqs } = withSeqs(found)
      return { record: found.ended ? record : { ...record, result: 'underWay' }, ...seqs }
    },
    records: () => [...calls.values()].filter((c) => c.ended).map(withLegs),
    underWay: (nowMs) => [...calls.values()].filter((c) => !c.ended).map((c) => ({ ...withLegs(c), result: 'underWay' as const, endedAtMs: nowMs })),
    intervals,
    written: () => [...written.values()].map((w) => w.record),
    linesOf: (workId) => written.get(workId)?.thread.lines ?? [],
    setUp: known,
    corrections: () => corrections,
    takenBack: () => state.takenBack,
    corrected: () => state.corrected ?? [],
    settle(byMs) {
      const over = [...calls.values()].filter((c) => c.ended && c.record.endedAtMs <= byMs && c.owedBy.length === 0 && isWrappedUp(c.legs))
      for (const { record } of over) calls.delete(toCallId(record.callId))
      const said = [...written.values()].filter((w) => w.record.endedAtMs !== null && w.record.endedAtMs <= byMs && w.owedBy.length === 0)
      for (const { thread } of said) written.delete(thread.id)
      const intervals = state.intervals.filter((i) => i.toMs <= byMs)
      state.intervals = state.intervals.filter((i) => i.toMs > byMs)
      if (over.length + said.length > 0) state.isCut = true
      return { calls: over.map(withSeqs), written: said.map(({ record, firstSeq, lastSeq }) => ({ record, firstSeq, lastSeq })), intervals }
    },
    state: () => state,
  }
}

/** Who wraps a call up owes for it from then on, and so does who left it for later. */
function noteWrapUp(
  open: OpenCall,
  { kind, agentId }: { readonly kind: 'wrapUpStarted' | 'wrapUpEnded' | 'outcomeOwed'; readonly agentId: AgentId },
  paused: boolean,
  atMs: EpochMs,
): void {
  wrapUpLeg(open.legs, agentId, kind === 'wrapUpStarted' && !paused, atMs)
  const others = open.owedBy.filter((id) => id !== agentId)
  open.owedBy = kind === 'wrapUpEnded' ? others : [...others, agentId]
}

const isCallEvent = (event: FloorEvent): event is CallEvent => CALL_EVENTS.has(event.kind)

/** On the line about something else: what they have to wrap up waits. */
const isElsewhere = ({ state }: Agent): boolean => state.name === 'internalCall' || state.name === 'listening'

function close(open: OpenCall, atMs: EpochMs): void {
  const { record } = open
  record.endedAtMs = atMs
  record.result = resultOf(record)
  record.shortAbandon = record.result === 'abandoned' && atMs - record.offeredAtMs <= SHORT_ABANDON_MS
  open.ended = true
}
