// The world: everything outside the floor, played by stand-ins from one seed. It sees only events and the floor's
// state, and does only what anyone may: give commands. Time comes in with every call.
import type { Agent } from '@/core/agents'
import type { Command } from '@/core/floor'
import type { AgentId, CallId } from '@/core/ids'
import type { LedgerEntry } from '@/core/ledger'
import type { FloorState } from '@/core/state'
import { get, values } from '@/core/table'
import type { Box } from '@/core/voicemail'
import type { Act } from './act'
import { type AgendaData, createAgenda } from './agenda'
import { ARRIVALS } from './arrival'
import { ATTEMPTS, ATTEMPTS_SEE } from './attempts'
import { CALLERS, CALLERS_SEE } from './callers'
import { COLLEAGUES, COLLEAGUES_SEE } from './colleagues'
import { CONFERENCES, CONFERENCES_SEE } from './conferences'
import { startDay } from './days'
import { DIALLED, DIALLED_SEE } from './dialled'
import { FAR_ENDS, FAR_ENDS_SEE, hear } from './far-ends'
import { LINES, LINES_SEE } from './lines'
import { type AnswersAs, forget, type Memory, newMemory, type WorldOptions } from './memory'
import { MESSAGES, MESSAGES_SEE } from './messages'
import type { Pace } from './paces'
import type { PicksUp } from './picks-up'
import { PROMISES } from './promises'
import { resume } from './resume'
import type { Acts, Scene, Sees } from './scene'
import type { Stage } from './stage'
import type { RingWish, WriteWish } from './wish'
import { WRITERS, WRITERS_SEE } from './writers'

export interface World {
  /** Begins, or goes on after a break, from what the floor holds. */
  begin(state: FloorState, atMs: number): void
  /** What happened; call it with every entry, in order, and the state after the last of them. */
  observe(entries: readonly LedgerEntry[], state: FloorState): void
  nextAtMs(): number | null
  /** The commands of the earliest act due at `atMs`; undefined when nothing is due. */
  takeDue(atMs: number, state: FloorState): readonly Command[] | undefined
  setPace(pace: Pace, state: FloorState, atMs: number): void
  /** A caller for a queue, who rings at one agent where that is asked for. */
  ring(wish: RingWish, ringsAt: AgentId | null, atMs: number): void
  /** Somebody writes to a queue; it is offered to one agent first where that is asked for. */
  write(wish: WriteWish, offeredTo: AgentId | null, atMs: number): void
  /** A colleague played by the stand-ins calls somebody at a desk. Gives who; null when none is free for it. */
  colleagueCalls(toAgentId: AgentId, state: FloorState, atMs: number): AgentId | null
  /** Somebody leaves a message. */
  leaveMessage(box: Box, atMs: number): void
  /** Sound that an agent sends into a call: whoever out there hears them may make something of it. */
  hear(callId: CallId, agentId: AgentId | null, samples: Float32Array, state: FloorState, atMs: number): void
  setNextAnswer(answersAs: AnswersAs): void
  /** How people of calling lists answer from now on; null for as chance has it. */
  setListAnswers(as: PicksUp | null): void
  listAnswers(): PicksUp | null
  pace(): Pace
  /** Everything there is of it, as plain data of its own: `resumeWorld` goes on from it to the same end. */
  data(): WorldData
}

/** Can be stored where a structured clone can. */
export interface WorldData {
  readonly memory: Memory
  readonly agenda: AgendaData<Act>
}

const ACTS: Acts = {
  ...ATTEMPTS,
  ...ARRIVALS,
  ...CALLERS,
  ...COLLEAGUES,
  ...PROMISES,
  ...DIALLED,
  ...MESSAGES,
  ...CONFERENCES,
  ...LINES,
  ...FAR_ENDS,
  ...WRITERS,
}
/** In this order each makes of an event what is theirs. */
const SEES: readonly Sees[] = [ATTEMPTS_SEE, DIALLED_SEE, FAR_ENDS_SEE, COLLEAGUES_SEE, CALLERS_SEE, MESSAGES_SEE, CONFERENCES_SEE, LINES_SEE, WRITERS_SEE]

export const createWorld = (stage: Stage, options: WorldOptions): World => worldOf(stage, { memory: newMemory(options), agenda: { noted: [], count: 0 } })

/** Goes on from what another world had come to. */
export const resumeWorld = (stage: Stage, data: WorldData): World => worldOf(stage, structuredClone(data))

function worldOf(stage: Stage, { memory, agenda: noted }: WorldData): World {
  const agenda = createAgenda<Act>(noted)
  const scene: Scene = { stage, memory, note: agenda.note }

  const observeOne = ({ event, atMs }: LedgerEntry, state: FloorState) => {
    for (const sees of SEES) sawBy(sees, scene, event, state, atMs)
    const isOver = event.kind === 'outcomeSaved' || event.kind === 'callCleared'
    if (isOver && get(state.work, event.callId) === undefined && get(state.calls, event.callId) === undefined) forget(memory, event.callId)
  }

  return {
    begin(state, atMs) {
      startDay(scene, state, atMs)
      resume(scene, state, atMs, observeOne)
    },
    observe: (entries, state) => {
      for (const entry of entries) observeOne(entry, state)
    },
    nextAtMs: agenda.nextAtMs,
    takeDue: (atMs, state) => {
      const act = agenda.takeDue(atMs)
      return act && perform(scene, act, state, atMs)
    },
    setPace(next, state, atMs) {
      memory.pace = next
      startDay(scene, state, atMs)
    },
    ring: (wish, ringsAt, atMs) => agenda.note(atMs, { kind: 'ring', wish, ringsAt }),
    write: (wish, offeredTo, atMs) => agenda.note(atMs, { kind: 'write', wish, offeredTo }),
    colleagueCalls(toAgentId, state, atMs) {
      // Whoever has been free the longest, so that another one calls the next time.
      const free = values(state.agents).filter((a) => memory.plays.has(a.id) && a.id !== toAgentId && a.shift?.seat === 'standIn' && isFreeToRing(a))
      const [colleague] = free.toSorted((a, b) => a.state.sinceMs - b.state.sinceMs || (a.id < b.id ? -1 : 1))
      if (colleague !== undefined) agenda.note(atMs, { kind: 'ringColleague', agentId: colleague.id, toAgentId })
      return colleague?.id ?? null
    },
    leaveMessage: (box, atMs) => agenda.note(atMs, { kind: 'ringMailbox', box }),
    hear: (callId, agentId, samples, state, atMs) => hear(scene, callId, agentId, samples, state, atMs),
    setNextAnswer: (answersAs) => {
      memory.nextAnswer = answersAs
    },
    setListAnswers: (as) => {
      memory.listAnswers = as
    },
    listAnswers: () => memory.listAnswers,
    pace: () => memory.pace,
    data: () => structuredClone({ memory, agenda: agenda.data() }),
  }
}

const isFreeToRing = ({ state, engagements }: Agent): boolean => engagements.length === 0 && (state.name === 'ready' || state.name === 'notReady')

type Perform = (scene: Scene, act: Act, state: FloorState, atMs: number) => readonly Command[]
// A table's row fits the acts of its kind, which the type of a whole union cannot say.
const perform: Perform = (scene, act, state, atMs) => {
  const { gone } = scene.memory
  const commands = (ACTS[act.kind] as Perform)(scene, act, state, atMs)
  // Whoever has gone home without signing out calls nobody back and does nothing at all.
  return gone.size === 0 ? commands : commands.filter((c) => !('agentId' in c) || !gone.has(c.agentId))
}

type See = (scene: Scene, event: LedgerEntry['event'], state: FloorState, atMs: number) => void
const sawBy = (sees: Sees, scene: Scene, event: LedgerEntry['event'], state: FloorState, atMs: number) =>
  (sees[event.kind] as See | undefined)?.(scene, event, state, atMs)
