// Letters go to the next name that begins with them, as in every list of a computer.

/** Letters pressed within so long are one beginning. */
const TYPED_WITHIN_MS = 700

export interface Typed {
  text: string
  atMs: number
}

export const NOTHING_TYPED = (): Typed => ({ text: '', atMs: 0 })

export const isLetter = (key: string): boolean => /^[\p{L}\p{N}]$/u.test(key)

/** Of so many rows the next whose name begins with what has been typed by now, from the one after `at` on; -1 when there is none. */
export function beginningWith(typed: Typed, key: string, at: number, count: number, nameOf: (index: number) => string): number {
  const nowMs = performance.now()
  typed.text = nowMs - typed.atMs > TYPED_WITHIN_MS ? key : typed.text + key
  typed.atMs = nowMs
  const wanted = typed.text.toLowerCase()
  const from = wanted.length > 1 ? Math.max(0, at) : at + 1
  for (let i = 0; i < count; i++) {
    const to = (from + i) % count
    if (nameOf(to).trim().toLowerCase().startsWith(wanted)) return to
  }
  return -1
}
