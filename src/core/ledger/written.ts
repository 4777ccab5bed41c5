// Folds what is written into records, and shares the clock of each agent among what they have in hand, so that an agent's hour is an hour.
import type { Agent } from '@/core/agents'
import type { AgentId, WorkId } from '@/core/ids'
import type { OutcomeEvent } from '@/core/outcomes'
import { evolveRun, type ScriptEvent, type ScriptRun, splitAnswers } from '@/core/scripts'
import { agentName, outcomeSetFor, queueSetUp, type SetUp, scriptById, scriptVersion } from '@/core/set-up'
import { evolveThread, type Thread, type ThreadEvent } from '@/core/threads'
import type { EpochMs } from '@/core/time'
import { factsOf } from '@/core/work'
import type { ClosedStretch } from './closed'
import type { WrittenLeg, WrittenRecord } from './written-record'

export interface OpenThread {
  readonly record: WrittenRecord
  thread: Thread
  run: ScriptRun | null
  owedBy: AgentId[]
  codedBy: AgentId | null
  /** Who has had it in hand, whoever took it last at the end. */
  had: AgentId[]
  readonly firstSeq: number
  lastSeq: number
}

export const isOfThread = (id: string): id is WorkId => id.startsWith('thread_')

/** The pieces an agent's clock is shared among; none while they have nothing to do with any. */
export function piecesOf({ state, engagements, threads, wrapUps }: Agent): readonly WorkId[] {
  if (state.name !== 'onCall' && state.name !== 'writing' && state.name !== 'wrapUp') return []
  const calls = engagements.filter((e) => e.state !== 'alerting' && !e.listens && !e.internal).map((e) => e.callId)
  const open = threads.filter((t) => t.state === 'open').map((t) => t.threadId)
  return [...calls, ...open, ...wrapUps.map((w) => w.callId)]
}

/** The record after an event of its thread. Throws on one of a thread that has not begun. */
export function foldThread(setUp: SetUp, open: OpenThread | undefined, event: ThreadEvent, atMs: EpochMs, seq: number): OpenThread {
  const thread = evolveThread(open?.thread, event, atMs)
  if (open === undefined)
    return {
      record: blank(setUp, thread, event.kind === 'threadOpened'),
      thread,
      run: null,
      owedBy: [],
      codedBy: null,
      firstSeq: seq,
      lastSeq: seq,
      had: event.kind === 'threadOpened' ? [event.byAgentId] : [],
    }
  const { record } = open
  const before = open.thread
  open.thread = thread
  const leg = (agentId: AgentId) => legOf(setUp, record, agentId, atMs)
  switch (event.kind) {
    case 'threadTaken':
      leg(event.agentId).toMs = atMs
      leg(event.agentId).spells.push({ fromMs: atMs, toMs: atMs })
      open.had = [...open.had.filter((id) => id !== event.agentId), event.agentId]
      break
    case 'threadWritten':
      if (event.aside) break
      if (event.byAgentId === null) record.linesIn++
      else record.linesOut++
      break
    case 'threadHandedOn':
      record.transfers.push({
        from: agentName(setUp, event.byAgentId),
        atMs,
        to: event.to.kind === 'agent' ? agentName(setUp, event.to.agentId) : queueSetUp(setUp, event.to.queueId).name,
      })
      break
    case 'threadAskedIn':
      if (!record.askedIn.includes(event.agentId)) record.askedIn.push(event.agentId)
      break
    case 'threadUnparked':
      record.parkedMs += atMs - before.sinceMs
      break
    case 'threadCalled':
      record.calledAs = event.callId
      record.endedAtMs = atMs
      record.result = 'handled'
      break
    case 'threadEnded':
      record.endedAtMs = atMs
      record.result = record.agents.length === 0 || (event.because === 'left' && thread.answeredAtMs === null) ? 'abandoned' : 'handled'
      break
  }
  if (before.state === 'open' && before.agentId !== null) {
    const had = leg(before.agentId)
    had.toMs = atMs
    const spell = had.spells.at(-1)
    if (spell !== undefined) spell.toMs = atMs
  }
  record.firstResponseAtMs = thread.answeredAtMs
  record.queueId = thread.queueId
  record.queue = queueSetUp(setUp, thread.queueId).name
  return open
}

const blank = (setUp: SetUp, t: Thread, isOurs: boolean): WrittenRecord => ({
  workId: t.id,
  channel: t.channel,
  direction: isOurs ? 'outbound' : 'inbound',
  queueId: t.queueId,
  queue: queueSetUp(setUp, t.queueId).name,
  address: t.address,
  number: t.number,
  customer: t.customer?.name ?? null,
  subject: t.subject,
  offeredAtMs: t.beganAtMs,
  firstResponseAtMs: null,
  endedAtMs: null,
  result: 'underWay',
  parkedMs: 0,
  calledAs: null,
  linesIn: isOurs ? 0 : 1,
  linesOut: 0,
  agents: isOurs && t.agentId !== null ? [{ ...blankLeg(setUp, t.agentId, t.beganAtMs), spells: [{ fromMs: t.beganAtMs, toMs: t.beganAtMs }] }] : [],
  askedIn: [],
  transfers: [],
  outcome: null,
  outcomeAtMs: null,
  outcomeById: null,
  notes: '',
  script: null,
  scriptVersion: null,
  answers: {},
})

const blankLeg = (setUp: SetUp, agentId: AgentId, atMs: EpochMs): WrittenLeg => ({
  agentId,
  agent: agentName(setUp, agentId),
  fromMs: atMs,
  toMs: atMs,
  spells: [],
  handleMs: 0,
})

function legOf(setUp: SetUp, record: WrittenRecord, agentId: AgentId, atMs: EpochMs): WrittenLeg {
  const known = record.agents.find((l) => l.agentId === agentId)
  if (known !== undefined) return known
  const leg = blankLeg(setUp, agentId, atMs)
  record.agents.push(leg)
  return leg
}

/** So much of the agent's clock, in equal shares for what they had in hand; a call has its own times. */
/** Whoever had it in hand has it again once somebody is there. */
export function closedOverPiece({ thread, record }: OpenThread, { fromMs, toMs }: ClosedStretch): void {
  if (thread.state !== 'open' || thread.agentId === null) return
  const had = record.agents.find((l) => l.agentId === thread.agentId)
  const spell = had?.spells.at(-1)
  if (had === undefined || spell === undefined) return
  spell.toMs = Math.max(spell.fromMs, fromMs)
  had.spells.push({ fromMs: toMs, toMs })
}

export function shareOut(written: ReadonlyMap<WorkId, OpenThread>, agentId: AgentId, pieces: readonly WorkId[], ms: number): void {
  for (const id of pieces) {
    const leg = written.get(id)?.record.agents.find((l) => l.agentId === agentId)
    if (leg !== undefined) leg.handleMs += ms / pieces.length
  }
}

export function foldThreadScript(setUp: SetUp, open: OpenThread, event: ScriptEvent, atMs: EpochMs): void {
  open.run = evolveRun(open.run, event, atMs)
  const { record, run } = open
  if (event.kind === 'scriptStarted') {
    record.script = scriptById(setUp, event.scriptId).name
    record.scriptVersion = event.version
  }
  if (run === null) return
  const { customer, path, queueId } = open.thread
  const script = scriptVersion(setUp, run)
  record.answers = {
    ...(script.version === run.version ? splitAnswers(script, run, factsOf({ customer, path, queueId, campaign: null })).applying : run.answers),
  }
}

/** The final code is that of whoever had it last, even when somebody before them codes later. */
export function foldThreadOutcome(setUp: SetUp, open: OpenThread, { agentId, code, notes }: OutcomeEvent, atMs: EpochMs): void {
  open.owedBy = open.owedBy.filter((id) => id !== agentId)
  // Of whoever had it last, also when somebody before them codes later: who came back to it had it after all others.
  if (open.codedBy !== null && open.had.indexOf(open.codedBy) > open.had.indexOf(agentId)) return
  open.codedBy = agentId
  const known = outcomeSetFor(setUp, { queueId: open.thread.queueId, campaignId: null }).codes.find((c) => c.code === code)
  Object.assign(open.record, { outcome: known?.code ?? code, outcomeAtMs: atMs, outcomeById: agentId, notes })
}
