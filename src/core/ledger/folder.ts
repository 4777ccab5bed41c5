// Folds entries into call records and agent intervals, one entry at a time, so that a live floor and an archived
// day use the same code. Keeps its own working memory; what it hands out is plain data.
import { type Agent, createAgent, evolveAgent } from '@/core/agents'
import type { Failure } from '@/core/calls'
import { type AgentId, deviceOfAgent, toAgentId } from '@/core/ids'
import { agentName, outcomeSetFor, queueSetUp, type SetUp, scriptById } from '@/core/set-up'
import type { EpochMs } from '@/core/time'
import type { FloorEvent, LedgerEntry } from './entry'
import type { AgentInterval, AgentLeg, CallRecord, CallResult } from './record'

const SHORT_ABANDON_MS = 5_000

interface OpenCall {
  record: CallRecord
  agentIds: AgentId[]
  legs: Map<AgentId, { leg: AgentLeg; phase: 'ring' | 'talk' | 'hold'; sinceMs: EpochMs }>
  failure: Failure | null
  ended: boolean
}

export interface LedgerFolder {
  add(entry: LedgerEntry): void
  /** Calls that have ended, in the order they were offered; outcome and wrap-up follow when they are known. */
  records(): readonly CallRecord[]
  /** Gapless over each shift; the interval still running ends at `nowMs`. */
  intervals(nowMs: EpochMs): readonly AgentInterval[]
  setUp(): SetUp
}

export function createLedgerFolder(): LedgerFolder {
  let setUp: SetUp | null = null
  const calls = new Map<string, OpenCall>()
  const agents = new Map<AgentId, Agent>()
  const intervals: AgentInterval[] = []

  const known = (): SetUp => {
    if (setUp === null) throw new Error('the ledger does not begin with floorOpened')
    return setUp
  }
  const call = (id: string): OpenCall => {
    const found = calls.get(id)
    if (found === undefined) throw new Error(`the ledger speaks of ${id} before it begins`)
    return found
  }

  const followAgents = (event: FloorEvent, atMs: EpochMs) => {
    for (const id of concernedAgents(event, (callId) => calls.get(callId)?.agentIds ?? [])) {
      const before = agents.get(id) ?? createAgent(id)
      const after = evolveAgent(before, event as Parameters<typeof evolveAgent>[1], atMs)
      agents.set(id, after)
      if (after.state !== before.state) {
        const interval = toInterval(known(), before, atMs)
        if (interval !== null) intervals.push(interval)
      }
    }
  }

  return {
    add({ event, atMs }) {
      if (event.kind === 'floorOpened') setUp = event.setUp
      foldCall(event, atMs, known(), calls, call)
      followAgents(event, atMs)
    },
    records: () => [...calls.values()].filter((c) => c.ended).map((c) => ({ ...c.record, agents: [...c.legs.values()].map((l) => ({ ...l.leg })) })),
    intervals: (nowMs) => [...intervals, ...[...agents.values()].map((a) => toInterval(known(), a, nowMs)).filter((i) => i !== null)],
    setUp: known,
  }
}

/** The agents an event may change the state of: its own, the one whose device it names, those on its call. */
export function concernedAgents(event: FloorEvent, onCall: (callId: string) => readonly AgentId[]): readonly AgentId[] {
  switch (event.kind) {
    case 'shiftStarted':
    case 'shiftEnded':
    case 'agentReady':
    case 'agentNotReady':
    case 'wrapUpStarted':
    case 'wrapUpEnded':
    case 'muteChanged':
    case 'callOriginated':
    case 'outcomeSaved':
      return [event.agentId]
    case 'connectionDelivered':
    case 'connectionFailed':
      return event.party.kind === 'agent' ? [event.party.agentId] : onCall(event.callId)
    case 'connectionEstablished':
    case 'connectionHeld':
    case 'connectionRetrieved':
    case 'connectionCleared':
      return event.deviceId.startsWith('dev_agent_') ? [toAgentId(event.deviceId.slice('dev_'.length))] : []
    default:
      return []
  }
}

function toInterval(setUp: SetUp, agent: Agent, toMs: EpochMs): AgentInterval | null {
  const { name: state, reason, sinceMs } = agent.state
  if (state === 'signedOut' || toMs <= sinceMs) return null
  return { agent: agentName(setUp, agent.id), state, reason, fromMs: sinceMs, toMs }
}

function foldCall(event: FloorEvent, atMs: EpochMs, setUp: SetUp, calls: Map<string, OpenCall>, call: (id: string) => OpenCall): void {
  switch (event.kind) {
    case 'callQueued':
    case 'callOriginated': {
      const queue = event.kind === 'callQueued' ? queueSetUp(setUp, event.queueId).name : null
      const record = blankRecord(event.callId, event.kind === 'callQueued' ? 'inbound' : 'outbound', queue, event.number, event.customer?.name ?? null, atMs)
      const open: OpenCall = { record, agentIds: [], legs: new Map(), failure: null, ended: false }
      calls.set(event.callId, open)
      if (event.kind === 'callOriginated') startLeg(open, event.agentId, setUp, atMs)
      return
    }
    case 'connectionDelivered':
      if (event.party.kind === 'agent') startLeg(call(event.callId), event.party.agentId, setUp, atMs)
      return
    case 'connectionEstablished':
      return established(call(event.callId), event.deviceId, atMs)
    case 'connectionHeld':
    case 'connectionRetrieved':
      return phase(call(event.callId), event.deviceId, event.kind === 'connectionHeld' ? 'hold' : 'talk', atMs)
    case 'connectionFailed':
      call(event.callId).failure = event.failure
      return
    case 'connectionCleared':
      return clearLeg(call(event.callId), event.deviceId, atMs)
    case 'callCleared':
      return close(call(event.callId), atMs)
    case 'wrapUpEnded':
      return endWrapUp(call(event.callId), event.agentId, atMs)
    case 'scriptStarted': {
      const { record } = call(event.callId)
      record.script = scriptById(setUp, event.scriptId).name
      record.scriptVersion = event.version
      return
    }
    case 'scriptAnswered': {
      const { record } = call(event.callId)
      const { [event.field]: _former, ...others } = record.answers
      record.answers = event.value === null ? others : { ...others, [event.field]: event.value }
      return
    }
    case 'outcomeSaved': {
      const { record } = call(event.callId)
      const queueId = setUp.queues.find((q) => q.name === record.queue)?.id ?? null
      const code = outcomeSetFor(setUp, queueId).codes.find((c) => c.code === event.code)
      Object.assign(record, { outcome: code?.code ?? event.code, outcomeAtMs: atMs, outcomeBy: agentName(setUp, event.agentId), notes: event.notes })
      return
    }
    default:
      return
  }
}

const blankRecord = (
  callId: string,
  direction: CallRecord['direction'],
  queue: string | null,
  number: string | null,
  customer: string | null,
  offeredAtMs: EpochMs,
): CallRecord => ({
  callId,
  direction,
  queue,
  campaign: null,
  number,
  customer,
  offeredAtMs,
  answeredAtMs: null,
  endedAtMs: offeredAtMs,
  result: 'abandoned',
  shortAbandon: false,
  liveAnswerAtMs: null,
  agents: [],
  outcome: null,
  outcomeAtMs: null,
  outcomeBy: null,
  notes: '',
  script: null,
  scriptVersion: null,
  answers: {},
  transfers: [],
  recordings: [],
})

function startLeg(call: OpenCall, agentId: AgentId, setUp: SetUp, atMs: EpochMs): void {
  const leg: AgentLeg = { agent: agentName(setUp, agentId), fromMs: atMs, toMs: atMs, ringMs: 0, talkMs: 0, holdMs: 0, wrapUpMs: 0, role: 'handled' }
  call.legs.set(agentId, { leg, phase: 'ring', sinceMs: atMs })
  call.agentIds = [...call.legs.keys()]
}

/** On an inbound call the agent's own end joins; on a dialled one the far end does, and every dialling leg talks. */
function established(call: OpenCall, deviceId: string, atMs: EpochMs): void {
  call.record.answeredAtMs ??= atMs
  if (deviceId.startsWith('dev_out_')) for (const agentId of call.legs.keys()) phase(call, deviceOfAgent(agentId), 'talk', atMs)
  else phase(call, deviceId, 'talk', atMs)
}

const legOf = (call: OpenCall, deviceId: string) => [...call.legs.entries()].find(([id]) => deviceOfAgent(id) === deviceId)

function phase(call: OpenCall, deviceId: string, to: 'talk' | 'hold', atMs: EpochMs): void {
  const found = legOf(call, deviceId)
  if (found === undefined) return
  settle(found[1], atMs)
  found[1].phase = to
}

function settle(open: { leg: AgentLeg; phase: 'ring' | 'talk' | 'hold'; sinceMs: EpochMs }, atMs: EpochMs): void {
  open.leg[`${open.phase}Ms`] += atMs - open.sinceMs
  open.leg.toMs = atMs
  open.sinceMs = atMs
}

function clearLeg(call: OpenCall, deviceId: string, atMs: EpochMs): void {
  const found = legOf(call, deviceId)
  if (found === undefined) return
  settle(found[1], atMs)
  // A ring in vain is in the ledger; the record lists who took part.
  if (call.record.direction === 'inbound' && found[1].phase === 'ring') call.legs.delete(found[0])
}

function close(call: OpenCall, atMs: EpochMs): void {
  const { record } = call
  record.endedAtMs = atMs
  record.result = resultOf(record, call.failure)
  record.shortAbandon = record.result === 'abandoned' && atMs - record.offeredAtMs <= SHORT_ABANDON_MS
  call.ended = true
}

function resultOf(record: CallRecord, failure: Failure | null): CallResult {
  if (record.answeredAtMs !== null) return 'handled'
  if (record.direction === 'inbound') return 'abandoned'
  if (failure === null) return 'noAnswer'
  return failure === 'unreachable' ? 'invalid' : failure
}

function endWrapUp(call: OpenCall, agentId: AgentId, atMs: EpochMs): void {
  const open = call.legs.get(agentId)
  if (open !== undefined) open.leg.wrapUpMs += atMs - open.leg.toMs
}
