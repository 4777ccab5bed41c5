// What every stand-in is handed: the stage, what the world remembers, and its agenda. What they do and what they see are tables, of which
// each kind of stand-in brings its part.
import type { Command } from '@/core/floor'
import type { CallId } from '@/core/ids'
import type { LedgerEntry } from '@/core/ledger'
import type { FloorState } from '@/core/state'
import type { Work } from '@/core/work'
import type { Act } from './act'
import { chanceOfCall } from './chance-of-call'
import type { Memory } from './memory'
import { type Persona, personaOf } from './persona'
import { type BusinessId, businessIdOf, type Stage } from './stage'

export interface Scene {
  readonly stage: Stage
  readonly memory: Memory
  readonly note: (atMs: number, act: Act) => void
}

type ActOf<K extends Act['kind']> = Extract<Act, { kind: K }>
/** What is done when an act's time has come, by its kind. */
export type Acts<K extends Act['kind'] = Act['kind']> = {
  readonly [Kind in K]: (scene: Scene, act: ActOf<Kind>, floor: FloorState, atMs: number) => readonly Command[]
}

export type FloorEvent = LedgerEntry['event']
/** What is made of an event, by its kind. `floor` is the state after the last event of the decision. */
export type Sees = {
  readonly [Kind in FloorEvent['kind']]?: (scene: Scene, event: Extract<FloorEvent, { kind: Kind }>, floor: FloorState, atMs: number) => void
}

export const personaIn = ({ stage, memory }: Scene, callId: CallId, of: BusinessId | null): Persona =>
  personaOf(stage, memory, callId, of, memory.wishOf.get(callId) ?? null)

export const personaOfWork = (scene: Scene, work: Pick<Work, 'id' | 'queueId' | 'campaign'>): Persona => personaIn(scene, work.id, businessIdOf(work))

export const chanceIn = ({ memory }: Scene, callId: CallId, purpose: string) => chanceOfCall(memory.seed, callId, purpose)
