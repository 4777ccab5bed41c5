// A long text in parts that a page lays out one by one as they come into view.

/** Characters of a part: some lines more than fit into a window. */
const PART = 4_000

/** In order and whole: joined, they are the text. Each ends where a line or a word does, as far as there is such a place. */
export function chunksOf(text: string): readonly string[] {
  const parts: string[] = []
  let from = 0
  while (text.length - from > PART) {
    const part = text.slice(from, from + PART)
    const at = Math.max(part.lastIndexOf('\n'), part.lastIndexOf(' ')) + 1
    // A character outside the basic plane is two units: they stay together.
    const length = at > PART / 2 ? at : PART - (/[\uD800-\uDBFF]$/.test(part) ? 1 : 0)
    parts.push(text.slice(from, from + length))
    from += length
  }
  return [...parts, text.slice(from)]
}
