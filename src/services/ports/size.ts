// How much one message may hold, whoever sends it and whatever it is about: looked at before anything else is done with it, in a time that grows with
// it and no faster. What a field means is the business of the schema that comes after.

/** Characters of one text: a book of them, which is more than anybody writes. */
export const LONGEST_TEXT = 1_000_000
/** Values of a message, fields and items counted together: a file of people or numbers that is put in at once. */
export const MOST_VALUES = 2_000_000
/** Objects within objects. */
export const DEEPEST = 64
/** Bytes of sound that comes along. */
export const MOST_BYTES = 32 * 1024 * 1024

/** What is too much about it, in a few words; null when nothing is. Files are handed over and not read here. */
export function tooMuch(data: unknown): string | null {
  let values = 0
  let bytes = 0
  const level: { readonly at: unknown; readonly depth: number }[] = [{ at: data, depth: 0 }]
  for (let next = level.pop(); next !== undefined; next = level.pop()) {
    const { at, depth } = next
    if (++values > MOST_VALUES) return `more than ${MOST_VALUES} values`
    if (typeof at === 'string' && at.length > LONGEST_TEXT) return `a text of ${at.length} characters`
    if (typeof at !== 'object' || at === null || at instanceof Blob) continue
    if (depth >= DEEPEST) return `more than ${DEEPEST} levels`
    const held = at instanceof ArrayBuffer || ArrayBuffer.isView(at) ? at.byteLength : null
    if (held !== null) {
      bytes += held
      if (bytes > MOST_BYTES) return `more than ${MOST_BYTES} bytes`
      continue
    }
    const inside = Array.isArray(at) ? at : [...Object.keys(at), ...Object.values(at)]
    if (values + inside.length > MOST_VALUES) return `more than ${MOST_VALUES} values`
    for (const value of inside) level.push({ at: value, depth: depth + 1 })
  }
  return null
}
