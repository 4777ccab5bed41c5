// What a command would make of the calls, without doing it: the same decision, looked at and thrown away. An end that
// may be taken back is shown as if its grace were over, because that is what the agent asks about.
import { type Call, type Ear, whoHearsWhom } from '@/core/calls'
import { type FloorState, isMutedOn } from '@/core/state'
import { values } from '@/core/table'
import type { AgentCommand } from './command'
import { type Context, decide } from './decide'
import type { FloorRefusal } from './refusal'

export type Preview =
  /** The calls that differ from now; `ears` is their matrix after the command. A call that is over has no connections. */
  | { readonly ok: true; readonly calls: readonly { readonly call: Call; readonly ears: readonly Ear[] }[] }
  | { readonly ok: false; readonly refusal: FloorRefusal }

/** Refuses what `decide` would refuse, with the same reason. */
export function preview(state: FloorState, command: AgentCommand, context: Context): Preview {
  const decision = decide({ ...state, setUp: { ...state.setUp, takeBackMs: 0 } }, command, context)
  if (!decision.ok) return decision
  const before = new Map(values(state.calls).map((c) => [c.id, c]))
  const after = values(decision.state.calls)
  const still = new Set(after.map((c) => c.id))
  const changed = after.filter((c) => before.get(c.id) !== c)
  const over = [...before.values()].filter((c) => !still.has(c.id)).map((c) => ({ ...c, connections: [] }))
  return { ok: true, calls: [...changed, ...over].map((call) => ({ call, ears: whoHearsWhom(call, isMutedOn(decision.state)) })) }
}
