// Undo and redo over values: what was, what is, what was undone. Changes of one thing in a row, such as the letters typed into one
// field, are one step.

export interface History<T> {
  readonly past: readonly T[]
  readonly present: T
  readonly future: readonly T[]
  /** What the last change was of; null when the next one begins a step of its own. */
  readonly of: string | null
}

/** How many steps can be undone. */
const KEPT = 200

export const beginHistory = <T>(present: T): History<T> => ({ past: [], present, future: [], of: null })

/** `of` names what is changed; the same name in a row makes one step, null always a new one. */
export function change<T>(history: History<T>, present: T, of: string | null): History<T> {
  if (present === history.present) return history
  const past = of !== null && of === history.of ? history.past : [...history.past, history.present].slice(-KEPT)
  return { past, present, future: [], of }
}

/** The same history when there is nothing to undo. */
export function undo<T>({ past, present, future, of }: History<T>): History<T> {
  const before = past.at(-1)
  return before === undefined ? { past, present, future, of } : { past: past.slice(0, -1), present: before, future: [present, ...future], of: null }
}

/** The same history when there is nothing to redo. */
export function redo<T>({ past, present, future, of }: History<T>): History<T> {
  const [after, ...rest] = future
  return after === undefined ? { past, present, future, of } : { past: [...past, present], present: after, future: rest, of: null }
}
