// decide: a command into events or a refusal. The floor's only way forward; people, stand-ins and time use it
// alike. Nothing here reads a clock or rolls dice.
import { type CarriedOver, LEDGER_VERSION, type LedgerEntry, unreadable } from '@/core/ledger'
import { CAMPAIGN_RULES } from '@/core/rules/campaign'
import { CIRCLE_RULES } from '@/core/rules/circles'
import { CLOSING_RULES } from '@/core/rules/closing'
import { COLLEAGUE_RULES } from '@/core/rules/colleagues'
import { CONFERENCE_RULES } from '@/core/rules/conferences'
import { DESK_RULES } from '@/core/rules/desk'
import { DO_NOT_CALL_RULES } from '@/core/rules/do-not-call'
import { DOOR_RULES } from '@/core/rules/door'
import { OWNER_RULES } from '@/core/rules/owner'
import { PRIVACY_RULES } from '@/core/rules/privacy'
import { PROMISE_RULES } from '@/core/rules/promises'
import { REVIEW_RULES } from '@/core/rules/reviews'
import type { Rule, Rules } from '@/core/rules/rule'
import { keepOwedLimit, SHIFT_RULES } from '@/core/rules/shift'
import { SUPERVISION_RULES } from '@/core/rules/supervision'
import { TALK_RULES } from '@/core/rules/talk'
import { requeueMessages, VOICEMAIL_RULES } from '@/core/rules/voicemail'
import { WRITING_RULES } from '@/core/rules/writing'
import { beginDraft, type Draft, emit, type FloorState, type Journal, rollBack } from '@/core/state'
import { type EpochMs, wholeMs } from '@/core/time'
import type { Command } from './command'
import { follow } from './follow'
import type { FloorRefusal } from './refusal'
import { TIME_RULES } from './time'

export interface Context {
  /** When the command takes effect. An instant before the floor's last event is taken as that event's. */
  readonly atMs: EpochMs
}

/** The journal tells what of the floor has changed; no entries when the command changes nothing. */
export interface Decided {
  readonly ok: true
  readonly entries: readonly LedgerEntry[]
  readonly journal: Journal
}

export type Decision = Decided | { readonly ok: false; readonly refusal: FloorRefusal }

/** Every kind of command has its rule, and no two rooms rule the same kind. */
const RULES: Rules<Command, FloorRefusal> = {
  ...SHIFT_RULES,
  ...DOOR_RULES,
  ...TALK_RULES,
  ...CLOSING_RULES,
  ...CAMPAIGN_RULES,
  ...COLLEAGUE_RULES,
  ...PROMISE_RULES,
  ...DO_NOT_CALL_RULES,
  ...OWNER_RULES,
  ...PRIVACY_RULES,
  ...VOICEMAIL_RULES,
  ...CONFERENCE_RULES,
  ...SUPERVISION_RULES,
  ...REVIEW_RULES,
  ...WRITING_RULES,
  ...CIRCLE_RULES,
  ...DESK_RULES,
  ...TIME_RULES,
}

/** Every kind of command there is a rule for. */
export const COMMAND_KINDS = Object.keys(RULES) as readonly Command['kind'][]

/** Decides the command whole, with all that follows from it by itself, and changes the floor; or refuses it whole. Never throws for input. */
export const decide = (state: FloorState, command: Command, { atMs }: Context): Decision => decideIn(beginDraft(state, atMs), command)

/**
 * As `decide`, for a floor whose entries are stored: what its own reader would refuse later is never kept. Throws on such a decision, which is a fault of
 * ours and not of whoever asked; the floor is then as it was before.
 */
export function decideToKeep(state: FloorState, command: Command, context: Context): Decision {
  const decision = decide(state, command, context)
  if (decision.ok) holdReadable(state, decision)
  return decision
}

function holdReadable(state: FloorState, { entries, journal }: Decided): void {
  for (const entry of entries) {
    const problem = unreadable(entry)
    if (problem === null) continue
    rollBack(state, journal)
    throw new Error(`what was decided could not be read again (${problem})`)
  }
}

/** Why the command would be refused now; null when it would be taken. */
export function refusalFor(state: FloorState, command: Command, context: Context): FloorRefusal | null {
  const decision = suppose(state, command, context, () => null)
  return decision === null ? null : decision.refusal
}

/** As `decide`, looked at before it is taken back: the floor is afterwards as it was before. */
export function suppose<T>(state: FloorState, command: Command, { atMs }: Context, look: (decided: Decided) => T): T | Extract<Decision, { ok: false }> {
  const draft = beginDraft(state, atMs, true)
  const decision = decideIn(draft, command)
  if (!decision.ok) return decision
  try {
    return look(decision)
  } finally {
    rollBack(state, draft.journal)
  }
}

function decideIn(draft: Draft, command: Command): Decision {
  return whole(draft, () => {
    const refused = (RULES[command.kind] as Rule<Command, FloorRefusal>)(draft, command)
    if (refused !== null) {
      // Rules refuse before they emit; should one not, nothing of it stays.
      rollBack(draft.state, draft.journal)
      return refused
    }
    if (draft.entries.length > 0) follow(draft)
    return { ok: true, entries: draft.entries, journal: draft.journal }
  })
}

/** A fault of ours in the middle of a decision must not leave half of it on the floor, where no ledger would ever know of it. */
function whole<T>({ state, journal }: Draft, decision: () => T): T {
  try {
    return decision()
  } catch (fault) {
    rollBack(state, journal)
    throw fault
  }
}

/** What earlier days left is taken up; whoever owes too much by that gets no further call. */
export function takeUp(state: FloorState, left: CarriedOver, { atMs }: Context): Decided {
  const draft = beginDraft(state, atMs)
  return whole(draft, () => {
    emit(draft, null, left)
    for (const { agentId } of left.owed) keepOwedLimit(draft, agentId)
    requeueMessages(draft)
    follow(draft)
    const taken: Decided = { ok: true, entries: draft.entries, journal: draft.journal }
    holdReadable(state, taken)
    return taken
  })
}

/** The first event of a ledger; everything else is decided. */
export const openFloor = (floorId: string, setUp: FloorState['setUp'], atMs: EpochMs): LedgerEntry => ({
  version: LEDGER_VERSION,
  seq: 1,
  atMs: wholeMs(atMs),
  causedBy: null,
  event: { kind: 'floorOpened', floorId, setUp },
})
