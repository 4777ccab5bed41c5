// What was promised, as tabs see it. Computed again only when it has changed: most of what happens on a floor leaves it as it is.
import { searchDoNotCall } from '@/core/do-not-call'
import { type FloorState, revisionOf } from '@/core/state'
import { count, values } from '@/core/table'
import type { DoNotCallPage, PromisesView } from './protocol'

export function createPromisesView(): (state: FloorState) => PromisesView {
  let madeOf = ''
  let revision = 0
  let view: PromisesView | null = null
  return (state) => {
    const { callbacks, tasks, doNotCall } = state
    const are = (['callbacks', 'tasks', 'doNotCall'] as const).map((table) => revisionOf(state, table)).join()
    if (view !== null && madeOf === are) return view
    revision++
    madeOf = are
    view = {
      callbacks: values(callbacks)
        .map(({ customer, dialled, callId: _callId, agreedAtMs: _agreedAtMs, ...callback }) => ({
          ...callback,
          name: customer?.name ?? null,
          dialledBy: dialled?.byAgentId ?? null,
        }))
        .sort((a, b) => a.dueAtMs - b.dueAtMs),
      tasks: values(tasks).sort((a, b) => a.dueAtMs - b.dueAtMs),
      doNotCallCount: count(doNotCall),
      revision,
    }
    return view
  }
}

export function selectDoNotCall({ doNotCall }: FloorState, { search, atMost }: { readonly search: string; readonly atMost: number }): DoNotCallPage {
  return searchDoNotCall(doNotCall, search, atMost)
}
