// What the world means to do and when: the earliest first, equal times in the order they were noted.
import TinyQueue from 'tinyqueue'

interface Noted<T> {
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
  const noted = new TinyQueue<Noted<T>>([], (a, b) => a.atMs - b.atMs || a.order - b.order)
  let order = 0
  return {
    // Instants are whole milliseconds everywhere; delays drawn by chance are not.
    note: (atMs, act) => noted.push({ atMs: Math.ceil(atMs), order: order++, act }),
    nextAtMs: () => noted.peek()?.atMs ?? null,
    takeDue: (atMs) => ((noted.peek()?.atMs ?? Infinity) > atMs ? undefined : noted.pop()?.act),
  }
}
