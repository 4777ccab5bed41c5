// Has shifts laid in a worker.

import type { ShiftPlan, ShiftWish } from '@/core/staffing'
import { type Asking, askAside } from '@/services/aside'
import type { ShiftsWorker } from './worker'

export type Laying = Asking<ShiftPlan>

export const layShiftsAside = (wish: ShiftWish): Laying => askAside<ShiftsWorker, ShiftPlan>('shifts', (api) => api.lay(wish))
