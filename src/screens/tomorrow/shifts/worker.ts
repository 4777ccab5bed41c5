// Entry of the worker in which shifts are laid: one for each question, ended when it is answered or called off.
import * as Comlink from 'comlink'
import loadSolver from 'highs'
import { layShifts, type ShiftPlan, type ShiftWish, type SolveProgram } from '@/core/staffing'

export interface ShiftsWorker {
  lay(wish: ShiftWish): Promise<ShiftPlan>
}

const worker: ShiftsWorker = {
  async lay(wish) {
    const solver = await loadSolver({ locateFile: (file) => `/workers/${file}` })
    const solve: SolveProgram = (program) => {
      const { Status, ObjectiveValue, Columns } = solver.solve(program, { time_limit: LONGEST_S, mip_rel_gap: 0 })
      if (Status !== 'Optimal' && Status !== 'Time limit reached') throw new Error(`the solver ended with “${Status}”`)
      return {
        objective: ObjectiveValue,
        isOptimal: Status === 'Optimal',
        values: Object.fromEntries(Object.entries(Columns).map(([name, c]) => [name, 'Primal' in c ? c.Primal : 0])),
      }
    }
    return layShifts(wish, solve)
  },
}

/** The best plan found by then is shown, with how much better one could be. */
const LONGEST_S = 20

Comlink.expose(worker)
