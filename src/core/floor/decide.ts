// decide: a command into events or a refusal. The floor's only way forward; people, stand-ins and time use it
// alike. Nothing here reads a clock or rolls dice.
import { type CarriedOver, LEDGER_VERSION, type LedgerEntry } from '@/core/ledger'
import { CLOSING_RULES } from '@/core/rules/closing'
import { DO_NOT_CALL_RULES } from '@/core/rules/do-not-call'
import { DOOR_RULES } from '@/core/rules/door'
import { OWNER_RULES } from '@/core/rules/owner'
import { PROMISE_RULES } from '@/core/rules/promises'
import type { Rule, Rules } from '@/core/rules/rule'
import { keepOwedLimit, SHIFT_RULES } from '@/core/rules/shift'
import { TALK_RULES } from '@/core/rules/talk'
import { type Draft, emit, type FloorState } from '@/core/state'
import type { EpochMs } from '@/core/time'
import type { Command } from './command'
import { follow } from './follow'
import type { FloorRefusal } from './refusal'
import { TIME_RULES } from './time'

export interface Context {
  /** When the command takes effect. An instant before the floor's last event is taken as that event's. */
  readonly atMs: EpochMs
}

export type Decision =
  /** `state` is `entries` folded into the state decided on; no entries when the command changes nothing. */
  { readonly ok: true; readonly entries: readonly LedgerEntry[]; readonly state: FloorState } | { readonly ok: false; readonly refusal: FloorRefusal }

/** Every kind of command has its rule, and no two rooms rule the same kind. */
const RULES: Rules<Command, FloorRefusal> = {
  ...SHIFT_RULES,
  ...DOOR_RULES,
  ...TALK_RULES,
  ...CLOSING_RULES,
  ...PROMISE_RULES,
  ...DO_NOT_CALL_RULES,
  ...OWNER_RULES,
  ...TIME_RULES,
}

/** Decides the command whole, with all that follows from it by itself, or refuses it whole. Never throws for input. */
export function decide(state: FloorState, command: Command, context: Context): Decision {
  const draft = begin(state, context)
  const refused = (RULES[command.kind] as Rule<Command, FloorRefusal>)(draft, command)
  if (refused !== null) return refused
  if (draft.entries.length > 0) follow(draft, state)
  return { ok: true, entries: draft.entries, state: draft.state }
}

/** What earlier days left is taken up; whoever owes too much by that gets no further call. */
export function takeUp(state: FloorState, left: CarriedOver, context: Context): Extract<Decision, { ok: true }> {
  const draft = begin(state, context)
  emit(draft, null, left)
  for (const { agentId } of left.owed) keepOwedLimit(draft, agentId)
  follow(draft, state)
  return { ok: true, entries: draft.entries, state: draft.state }
}

const begin = (state: FloorState, { atMs }: Context): Draft => ({ state, atMs: Math.max(atMs, state.atMs), entries: [] })

/** The first event of a ledger; everything else is decided. */
export const openFloor = (floorId: string, setUp: FloorState['setUp'], atMs: EpochMs): LedgerEntry => ({
  version: LEDGER_VERSION,
  seq: 1,
  atMs,
  causedBy: null,
  event: { kind: 'floorOpened', floorId, setUp },
})
