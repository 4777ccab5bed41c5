/** Walks a sequence and lets everything else that waits have its turn after every `sliceMs` of work. */
export async function inSlices<T>(sequence: Iterable<T>, sliceMs: number, each: (item: T) => void): Promise<void> {
  let begunMs = performance.now()
  for (const item of sequence) {
    each(item)
    if (performance.now() - begunMs < sliceMs) continue
    await new Promise((resolve) => setTimeout(resolve))
    begunMs = performance.now()
  }
}
