// What the world means to do and when: a binary heap by time, equal times in the order they were noted.

export interface Noted<T> {
  readonly atMs: number
  readonly order: number
  readonly act: T
}

export interface Agenda<T> {
  note(atMs: number, act: T): void
  nextAtMs(): number | null
  /** The earliest act that is due at `atMs`; undefined when none is. */
  takeDue(atMs: number): T | undefined
}

export function createAgenda<T>(): Agenda<T> {
  const heap: Noted<T>[] = []
  let order = 0
  const before = (i: number, j: number) => {
    const a = heap[i] as Noted<T>
    const b = heap[j] as Noted<T>
    return a.atMs !== b.atMs ? a.atMs < b.atMs : a.order < b.order
  }
  const swap = (i: number, j: number) => {
    const held = heap[i] as Noted<T>
    heap[i] = heap[j] as Noted<T>
    heap[j] = held
  }
  return {
    note(atMs, act) {
      // Instants are whole milliseconds everywhere; delays drawn by chance are not.
      heap.push({ atMs: Math.ceil(atMs), order: order++, act })
      for (let i = heap.length - 1; i > 0 && before(i, (i - 1) >> 1); i = (i - 1) >> 1) swap(i, (i - 1) >> 1)
    },
    nextAtMs: () => heap[0]?.atMs ?? null,
    takeDue(atMs) {
      const first = heap[0]
      if (first === undefined || first.atMs > atMs) return undefined
      const last = heap.pop() as Noted<T>
      if (heap.length > 0) {
        heap[0] = last
        for (let i = 0; ; ) {
          const left = 2 * i + 1
          if (left >= heap.length) break
          const child = left + 1 < heap.length && before(left + 1, left) ? left + 1 : left
          if (!before(child, i)) break
          swap(child, i)
          i = child
        }
      }
      return first.act
    },
  }
}
