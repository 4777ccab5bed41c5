// Has shifts laid in a worker of its own, so that the page stays free and a question can be called off at any moment.
import * as Comlink from 'comlink'
import type { ShiftPlan, ShiftWish } from '@/core/staffing'
import type { ShiftsWorker } from './worker'

export interface Laying {
  /** null when it was called off. */
  readonly answer: Promise<ShiftPlan | null>
  cancel(): void
}

export function layShiftsAside(wish: ShiftWish): Laying {
  const worker = new Worker('/workers/shifts.js', { name: 'shifts' })
  const api = Comlink.wrap<ShiftsWorker>(worker)
  let cancel: () => void = () => {}
  const called = new Promise<null>((resolve) => {
    cancel = () => resolve(null)
  })
  const failed = new Promise<never>((_, reject) => {
    worker.onerror = (event) => reject(new Error(event.message))
  })
  const answer = Promise.race([api.lay(wish), called, failed]).finally(() => worker.terminate())
  return { answer, cancel }
}
