// What was promised, as tabs see it. Computed again only when it has changed: most of what happens on a floor leaves it as it is.
import { searchDoNotCall } from '@/core/do-not-call'
import type { FloorState } from '@/core/state'
import { count, values } from '@/core/table'
import type { DoNotCallPage, PromisesView } from './protocol'

export function createPromisesView(): (state: FloorState) => PromisesView {
  let from: Pick<FloorState, 'callbacks' | 'tasks' | 'doNotCall'> | null = null
  let revision = 0
  let view: PromisesView | null = null
  return ({ callbacks, tasks, doNotCall }) => {
    if (view !== null && from?.callbacks === callbacks && from.tasks === tasks && from.doNotCall === doNotCall) return view
    revision++
    from = { callbacks, tasks, doNotCall }
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
