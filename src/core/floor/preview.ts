// What a command would make of the calls, without doing it: the same decision, looked at and taken back. An end that
// may be taken back is shown as if its grace were over, because that is what the agent asks about.
import { type Call, type Ear, whoHearsWhom } from '@/core/calls'
import { type FloorState, isMutedOn, rowBefore, touched } from '@/core/state'
import { get } from '@/core/table'
import type { AgentCommand } from './command'
import { type Context, suppose } from './decide'
import type { FloorRefusal } from './refusal'

export type Preview =
  /** The calls that differ from now; `ears` is their matrix after the command. A call that is over has no connections. */
  | { readonly ok: true; readonly calls: readonly { readonly call: Call; readonly ears: readonly Ear[] }[] }
  | { readonly ok: false; readonly refusal: FloorRefusal }

/** Refuses what `decide` would refuse, with the same reason. */
export const preview = (state: FloorState, command: AgentCommand, context: Context): Preview =>
  suppose<Preview>(state, command, context, ({ journal }) => {
    const calls = [...touched(journal, 'calls')].flatMap((id) => {
      const before = rowBefore({ state, journal }, 'calls', id)
      const call = get(state.calls, id) ?? (before === undefined ? undefined : { ...before, connections: [] })
      // Of a call that came and went within the decision nothing is left to show.
      return call === undefined || call === before ? [] : [{ call, ears: whoHearsWhom(call, isMutedOn(state)) }]
    })
    return { ok: true, calls }
  })
