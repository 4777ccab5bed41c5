// Entry of the worker in which shifts to come are played: one for each question, ended when it is answered or called off.
import * as Comlink from 'comlink'
import { type Foreseen, foresee, playWhatIf, type Shown, type WhatIfAsked, whatIfOf } from '@/core/pacing'

export interface WhatIfWorker {
  foresee(asked: WhatIfAsked, seeds: number, onProgress: (done: number, soFar: Foreseen) => void): Foreseen
}

const worker: WhatIfWorker = {
  foresee(asked, seeds, onProgress) {
    const whatIf = whatIfOf(asked)
    const shifts: Shown[] = []
    for (let seed = 1; seed <= seeds; seed++) {
      shifts.push(playWhatIf(whatIf, seed))
      onProgress(seed, foresee(whatIf, shifts))
    }
    return foresee(whatIf, shifts)
  },
}

Comlink.expose(worker)
