// What is written folds into records of its own, and so does what agents do about it.
import { type Agent, holdThread } from '@/core/agents'
import type { CallEvent } from '@/core/calls'
import type { AgentId, CallId, WorkId } from '@/core/ids'
import type { SetUp } from '@/core/set-up'
import { handsMoved, type ThreadEvent } from '@/core/threads'
import type { EpochMs } from '@/core/time'
import type { AgentsEvent } from './agent-spells'
import type { FloorEvent } from './entry'
import type { OpenCall } from './folder-state'
import type { HandsThen } from './recalled'
import { foldThread, foldThreadOutcome, foldThreadScript, type OpenThread } from './written'

/** What agents and the floor do about a piece of work, called or written. */
type AboutWork = Extract<Exclude<FloorEvent, CallEvent | ThreadEvent>, { readonly callId: unknown }>

/** What of the folder it stands on. */
interface Of {
  readonly known: () => SetUp
  readonly written: Map<WorkId, OpenThread>
  readonly calls: ReadonlyMap<CallId, OpenCall>
  readonly agent: (id: AgentId) => Agent
  readonly setAgent: (before: Agent, after: Agent, atMs: EpochMs) => void
  readonly agentDid: (event: AgentsEvent, atMs: EpochMs) => void
  readonly reportAnswers: (open: OpenCall) => void
  /** Of the entry that is being folded. */
  readonly seq: () => number
}

export function createWrittenFold({ known, written, calls, agent, setAgent, agentDid, reportAnswers, seq }: Of) {
  /** A call that goes on from what was written goes on with its script. */
  const takeOverRun = (call: OpenCall | undefined, { run, record: { script, scriptVersion } }: OpenThread) => {
    if (call === undefined || call.run !== null || run === null) return
    call.run = run
    Object.assign(call.record, { script, scriptVersion })
    reportAnswers(call)
  }

  const hold: HandsThen['moved'] = (agentId, threadId, hand, atMs) => setAgent(agent(agentId), holdThread(agent(agentId), threadId, hand, atMs), atMs)

  /** What is written has records of its own. `moved` hears in whose hands it is. */
  const foldWritten = (event: ThreadEvent, atMs: EpochMs, moved: HandsThen['moved'] = hold) => {
    const before = written.get(event.threadId)
    // Of one that began before the ledger nothing is reported.
    if (before === undefined && event.kind !== 'threadBegan' && event.kind !== 'threadOpened') return
    // What the record is folded from is changed with it.
    const was = before?.thread
    const open = foldThread(known(), before, event, atMs, seq())
    open.lastSeq = seq()
    written.set(event.threadId, open)
    if (event.kind === 'threadCalled') takeOverRun(calls.get(event.callId), open)
    for (const { agentId, hand } of handsMoved(was, open.thread)) moved(agentId, event.threadId, hand, atMs)
  }

  /** What agents do about what was written, besides writing. */
  const foldAboutWritten = (event: AboutWork, open: OpenThread, atMs: EpochMs): void => {
    switch (event.kind) {
      case 'wrapUpStarted':
      case 'wrapUpEnded':
      case 'outcomeOwed': {
        const others = open.owedBy.filter((id) => id !== event.agentId)
        open.owedBy = event.kind === 'wrapUpEnded' ? others : [...others, event.agentId]
        return agentDid(event, atMs)
      }
      case 'outcomeSaved':
        agentDid(event, atMs)
        return foldThreadOutcome(known(), open, event, atMs)
      case 'outcomeTakenBack':
        agentDid(event, atMs)
        if (open.codedBy !== event.agentId) return
        open.codedBy = null
        Object.assign(open.record, { outcome: null, outcomeAtMs: null, outcomeById: null })
        return
      case 'outcomeCorrected':
        Object.assign(open.record, { outcome: event.code, outcomeAtMs: atMs, outcomeById: event.byAgentId })
        return
      case 'scriptStarted':
      case 'scriptPageShown':
      case 'scriptAnswered':
        return foldThreadScript(known(), open, event, atMs)
      case 'wrapUpExtended':
        return agentDid(event, atMs)
      // What follows from an outcome has lists of its own; nobody hears, dials or tries what is written.
      case 'callbackAgreed':
      case 'callbackDialled':
      case 'callerTold':
      case 'captionSpoken':
      case 'conferenceJoined':
      case 'conferenceLeft':
      case 'contactTaken':
      case 'doNotCallAdded':
      case 'doNotCallRemoved':
      case 'doNotCallWaived':
      case 'helpAsked':
      case 'messageLeft':
      case 'notesDrafted':
      case 'numberRestored':
      case 'numberStruck':
      case 'recordCoded':
      case 'recordMatched':
      case 'recordUncoded':
      case 'reviewAnswered':
      case 'reviewMade':
      case 'reviewWithdrawn':
      case 'ringSilenced':
      case 'soundRated':
      case 'taskFiled':
      case 'attemptMade':
      case 'attemptEnded':
        return
      default:
        event satisfies never
    }
  }

  return { foldWritten, foldAboutWritten }
}
