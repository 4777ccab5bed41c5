// What the world means to do and when: the earliest first, equal times in the order they were noted. What is noted is plain data that can be
// stored; the queue only keeps it in order.
import TinyQueue from 'tinyqueue'

export interface Noted<T> {
  readonly atMs: number
  readonly order: number
  readonly act: T
}

export interface AgendaData<T> {
  readonly noted: readonly Noted<T>[]
  /** How many were ever noted. */
  readonly count: number
}

export interface Agenda<T> {
  note(atMs: number, act: T): void
  nextAtMs(): number | null
  /** The earliest act that is due at `atMs`; undefined when none is. */
  takeDue(atMs: number): T | undefined
  data(): AgendaData<T>
}

export function createAgenda<T>({ noted: from, count: counted }: AgendaData<T> = { noted: [], count: 0 }): Agenda<T> {
  const noted = new TinyQueue<Noted<T>>([...from], (a, b) => a.atMs - b.atMs || a.order - b.order)
  let count = counted
  return {
    // Instants are whole milliseconds everywhere; delays drawn by chance are not.
    note: (atMs, act) => noted.push({ atMs: Math.ceil(atMs), order: count++, act }),
    nextAtMs: () => noted.peek()?.atMs ?? null,
    takeDue: (atMs) => ((noted.peek()?.atMs ?? Infinity) > atMs ? undefined : noted.pop()?.act),
    data: () => ({ noted: [...noted.data], count }),
  }
}
