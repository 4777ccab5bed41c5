// The two manners that reckon with nothing, by the same interface.
import type { Pacer } from './interface'

/** One attempt for each agent who is idle: nobody is ever dialled for whom no agent is there. */
export const createProgressive = (): Pacer => ({
  decide: (o) => Math.max(0, Math.min(o.linesFree, o.agentsIdle - o.ringing.length - o.detecting.length - o.waiting.length)),
})

/** An agent sees the record first and decides: the dialer launches nothing by itself. */
export const createPreview = (): Pacer => ({ decide: () => 0 })
