// Several values a row, as rows of columns of their own: where those of each row begin.

/** Of so many values in each row; one more for the end. */
export function packStarts(counts: readonly number[]): Uint32Array {
  const starts = new Uint32Array(counts.length + 1)
  for (let i = 0; i < counts.length; i++) starts[i + 1] = (starts[i] as number) + (counts[i] as number)
  return starts
}

/** Places of a row's values. */
export function* placesOf(starts: Uint32Array, row: number): Generator<number> {
  for (let at = starts[row] as number; at < (starts[row + 1] as number); at++) yield at
}
