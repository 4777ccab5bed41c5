// Shifts laid over what a day needs. Which shift begins when and who is on a break when is one integer program: a break is counted by the quarter it begins in
// and not by person (implicit modelling of breaks: T. Aykin, "Optimal shift scheduling with multiple break windows", Management Science 42, 1996), which keeps
// it small enough to be solved to the end. The program is written in the LP text format; who solves it is handed in.

export interface ShiftKind {
  readonly name: string
  /** Quarters of an hour from begin to end, breaks included. */
  readonly quarters: number
  /** In their order; `from` and `to` are the first and last quarter of the shift a break may begin in. */
  readonly breaks: readonly { readonly quarters: number; readonly from: number; readonly to: number }[]
}

export interface LaidShift {
  readonly kind: ShiftKind
  /** Quarters of the day; `to` is the first one after it. */
  readonly from: number
  readonly to: number
  readonly breaks: readonly { readonly from: number; readonly to: number }[]
}

export interface ShiftPlan {
  readonly shifts: readonly LaidShift[]
  /** At work, by quarter: on shift and not on a break. */
  readonly atWork: readonly number[]
  /** Agents who are needed and not there, by quarter. */
  readonly missing: readonly number[]
  /** What was made small: quarters on shift, and every missing one counted as more than a whole shift. */
  readonly cost: number
  /** No plan costs less: the cost itself where it is proven the least, else that of the program with fractions of agents, rounded up. */
  readonly bound: number
}

/** Solves a program in LP text: the best values found, by variable (absent ones are 0), and whether none are better. */
export type SolveProgram = (program: string) => { readonly objective: number; readonly isOptimal: boolean; readonly values: Readonly<Record<string, number>> }

export interface ShiftWish {
  /** Agents needed, by quarter of the day. */
  readonly need: readonly number[]
  readonly kinds: readonly ShiftKind[]
  /** No more shifts than this. */
  readonly agents: number
  /** Shifts begin at these quarters of an hour only: 2 for every half hour. */
  readonly beginEvery: number
}

/**
 * As few agents missing as can be and, with that, as few quarters on shift. Shifts lie within the day. Refuses a kind without length, breaks that overlap or lie
 * outside their shift, and a need or number of agents that is no whole number from 0.
 */
export function layShifts(wish: ShiftWish, solve: SolveProgram): ShiftPlan {
  refuseBad(wish)
  const begins = beginsOf(wish)
  const { objective, isOptimal, values } = solve(programOf(wish, begins, true))
  const cost = Math.round(objective)
  const shifts = begins.flatMap((begin) => shiftsOf(begin, values))
  const atWork = wish.need.map((_, q) => atWorkAt(shifts, q))
  return {
    shifts: shifts.toSorted((a, b) => a.from - b.from || a.to - b.to),
    atWork,
    missing: wish.need.map((n, q) => Math.max(0, n - (atWork[q] ?? 0))),
    cost,
    bound: isOptimal ? cost : Math.ceil(solve(programOf(wish, begins, false)).objective - ROUNDING),
  }
}

/** How many of the shifts are on and not on a break in a quarter of the day. */
export const atWorkAt = (shifts: readonly Omit<LaidShift, 'kind'>[], q: number): number =>
  shifts.filter((s) => s.from <= q && q < s.to && !s.breaks.some((b) => b.from <= q && q < b.to)).length

/** Solvers work in floating point. */
const ROUNDING = 1e-6

interface Begin {
  readonly kind: ShiftKind
  readonly from: number
  /** The variable that counts the shifts of this kind that begin here. */
  readonly count: string
  /** For each break, the variables that count those that begin in each quarter it may begin in. */
  readonly breaks: readonly { readonly quarters: number; readonly starts: readonly { readonly at: number; readonly count: string }[] }[]
}

function beginsOf({ need, kinds, beginEvery }: ShiftWish): readonly Begin[] {
  const isNeeded = (from: number, to: number) => need.some((n, q) => n > 0 && from <= q && q < to)
  return kinds.flatMap((kind, k) =>
    need.flatMap((_, from) => {
      if (from % beginEvery !== 0 || from + kind.quarters > need.length || !isNeeded(from, from + kind.quarters)) return []
      const breaks = kind.breaks.map(({ quarters, from: first, to: last }, b) => ({
        quarters,
        starts: Array.from({ length: last - first + 1 }, (_, i) => ({ at: from + first + i, count: `b${k}_${from}_${b}_${first + i}` })),
      }))
      return [{ kind, from, count: `s${k}_${from}`, breaks }]
    }),
  )
}

function programOf({ need, kinds, agents }: ShiftWish, begins: readonly Begin[], whole: boolean): string {
  const missingCosts = Math.max(0, ...kinds.map((k) => k.quarters)) + 1
  const needed = need.flatMap((n, q) => (n > 0 ? [{ n, q }] : []))
  const cover = needed.map(({ n, q }) => {
    const present = begins.filter((s) => s.from <= q && q < s.from + s.kind.quarters)
    const away = present.flatMap((s) => s.breaks.flatMap((b) => b.starts.filter(({ at }) => at <= q && q < at + b.quarters).map(({ count }) => `- ${count}`)))
    return `c${q}: ${[...present.map((s) => `+ ${s.count}`), ...away, `+ m${q}`].join('\n ')} >= ${n}`
  })
  const breaks = begins.flatMap((s) => s.breaks.map((b, i) => `w${s.count}_${i}: ${b.starts.map(({ count }) => `+ ${count}`).join('\n ')} - ${s.count} = 0`))
  const counts = begins.flatMap((s) => [s.count, ...s.breaks.flatMap((b) => b.starts.map(({ count }) => count))])
  return [
    'Minimize',
    `cost: ${[...begins.map((s) => `+ ${s.kind.quarters} ${s.count}`), ...needed.map(({ q }) => `+ ${missingCosts} m${q}`), '+ 0 none'].join('\n ')}`,
    'Subject To',
    ...cover,
    ...breaks,
    `agents: ${[...begins.map((s) => `+ ${s.count}`), '+ 0 none'].join('\n ')} <= ${agents}`,
    'Bounds',
    '0 <= none <= 0',
    ...(whole && counts.length > 0 ? ['General', counts.join('\n')] : []),
    'End',
  ].join('\n')
}

/** Breaks of one begin are told apart by their place only: the first to go on the first break is the first to go on the next. */
function shiftsOf({ kind, from, count, breaks }: Begin, values: Readonly<Record<string, number>>): readonly LaidShift[] {
  const times = (name: string) => Math.round(values[name] ?? 0)
  const laid = breaks.map(({ quarters, starts }) =>
    starts.flatMap(({ at, count: name }) => Array.from({ length: times(name) }, () => ({ from: at, to: at + quarters }))),
  )
  return Array.from({ length: times(count) }, (_, person) => ({
    kind,
    from,
    to: from + kind.quarters,
    breaks: laid.flatMap((those) => those[person] ?? []),
  }))
}

function refuseBad({ need, kinds, agents, beginEvery }: ShiftWish): void {
  const isCount = (n: number) => Number.isInteger(n) && n >= 0
  if (!isCount(agents)) throw new RangeError(`agents is ${agents}, but must be a whole number from 0`)
  if (!(Number.isInteger(beginEvery) && beginEvery > 0)) throw new RangeError(`beginEvery is ${beginEvery}, but must be a whole number from 1`)
  const bad = need.findIndex((n) => !isCount(n))
  if (bad >= 0) throw new RangeError(`need is ${need[bad]} in quarter ${bad}, but must be a whole number from 0`)
  for (const { name, quarters, breaks } of kinds) {
    if (!(Number.isInteger(quarters) && quarters > 0)) throw new RangeError(`${name} lasts ${quarters} quarters of an hour, but must last at least one`)
    let free = 0
    for (const b of breaks) {
      if (b.from < free || b.to < b.from || b.quarters < 1) throw new RangeError(`A break of ${name} begins before the one before it has ended, or not at all`)
      free = b.to + b.quarters
    }
    if (free > quarters) throw new RangeError(`A break of ${name} ends after its shift`)
  }
}
