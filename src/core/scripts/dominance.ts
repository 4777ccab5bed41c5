// Which pages stand before which on every way from the start: the dominators of a graph, by Cooper, Harvey and Kennedy, “A simple,
// fast dominance algorithm” (2001).

/**
 * Whether `a` lies on every way from `start` to `b` (a page lies on its own). Both must be reached from the start; of pages that
 * are not, nothing is said and the answer is false. Preparing takes time about linear in ways, asking a constant.
 */
export function dominance(start: string, onward: (id: string) => readonly string[]): (a: string, b: string) => boolean {
  const order = reversePostorder(start, onward)
  const place = new Map(order.map((id, i) => [id, i]))
  const before: number[][] = order.map(() => [])
  for (const [i, id] of order.entries()) for (const to of onward(id)) before[place.get(to) ?? 0]?.push(i)
  // The nearest dominator of each, by its place; −1 while none is known.
  const nearest: number[] = order.map((_, i) => (i === 0 ? 0 : -1))
  const at = (i: number) => nearest[i] ?? 0
  const meet = (a: number, b: number): number => {
    let [one, other] = [a, b]
    while (one !== other) {
      while (one > other) one = at(one)
      while (other > one) other = at(other)
    }
    return one
  }
  for (let changed = true; changed; ) {
    changed = false
    for (let i = 1; i < order.length; i++) {
      const known = (before[i] ?? []).filter((b) => at(b) !== -1)
      const next = known.reduce((met, b) => (met === -1 ? b : meet(met, b)), -1)
      if (next !== nearest[i]) {
        nearest[i] = next
        changed = true
      }
    }
  }
  const [enter, leave] = nestedNumbers(nearest)
  return (a, b) => {
    const [above, below] = [place.get(a), place.get(b)]
    if (above === undefined || below === undefined) return false
    return (enter[above] ?? 0) <= (enter[below] ?? 0) && (leave[below] ?? 0) <= (leave[above] ?? 0)
  }
}

/** Without recursion: a script of thousands of pages in a row is no deeper for the machine than one of three. */
function reversePostorder(start: string, onward: (id: string) => readonly string[]): readonly string[] {
  const seen = new Set([start])
  const left: string[] = []
  const open = [{ id: start, ways: [...onward(start)] }]
  for (let top = open.at(-1); top !== undefined; top = open.at(-1)) {
    const to = top.ways.pop()
    if (to === undefined) {
      left.push(top.id)
      open.pop()
    } else if (!seen.has(to)) {
      seen.add(to)
      open.push({ id: to, ways: [...onward(to)] })
    }
  }
  return left.reverse()
}

/** Numbers by which each node of the tree of nearest dominators is entered and left: those of what is below lie between. */
function nestedNumbers(nearest: readonly number[]): readonly [readonly number[], readonly number[]] {
  const below: number[][] = nearest.map(() => [])
  for (let i = 1; i < nearest.length; i++) below[nearest[i] ?? 0]?.push(i)
  const enter = nearest.map(() => 0)
  const leave = nearest.map(() => 0)
  let clock = 0
  const open = nearest.length === 0 ? [] : [{ i: 0, next: 0 }]
  for (let top = open.at(-1); top !== undefined; top = open.at(-1)) {
    if (top.next === 0) enter[top.i] = clock++
    const child = below[top.i]?.[top.next++]
    if (child === undefined) {
      leave[top.i] = clock++
      open.pop()
    } else open.push({ i: child, next: 0 })
  }
  return [enter, leave]
}
