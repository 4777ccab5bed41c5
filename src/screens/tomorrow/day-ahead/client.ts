// Has days to come played in a worker.

import type { Compared, DayBasis, DayChange, NeededAsked, NeededFound } from '@/core/coming-day'
import { type Asking, askAside } from '@/services/aside'
import type { DayAheadWorker, Reasons } from './worker'

export type { Asking } from '@/services/aside'
export type { Reasons } from './worker'

const NAME = 'day-ahead'

export const compareAside = (
  basis: DayBasis,
  changes: readonly [DayChange, DayChange],
  days: number,
  onProgress: (done: number, soFar: Compared | null) => void,
): Asking<Compared> => askAside<DayAheadWorker, Compared>(NAME, (api, onTheWay) => api.compare(basis, changes, days, onTheWay(onProgress)))

export const neededAside = (asked: NeededAsked, onProgress: (round: number, soFar: NeededFound) => void): Asking<NeededFound> =>
  askAside<DayAheadWorker, NeededFound>(NAME, (api, onTheWay) => api.need(asked, onTheWay(onProgress)))

export const reasonsAside = (basis: DayBasis, days: number): Asking<Reasons> => askAside<DayAheadWorker, Reasons>(NAME, (api) => api.reasons(basis, days))
