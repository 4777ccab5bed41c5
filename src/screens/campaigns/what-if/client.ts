// Asks a worker how a shift would go.

import type { Foreseen, WhatIfAsked } from '@/core/pacing'
import { type Asking, askAside } from '@/services/aside'
import type { WhatIfWorker } from './worker'

export const askWhatIf = (asked: WhatIfAsked, seeds: number, onProgress: (done: number, soFar: Foreseen) => void): Asking<Foreseen> =>
  askAside<WhatIfWorker, Foreseen>('what-if', (api, onTheWay) => api.foresee(asked, seeds, onTheWay(onProgress)))
