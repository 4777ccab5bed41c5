/** Walks a generator to its end and lets everything else that waits have its turn after every `sliceMs` of work; resolves to what it returns. */
export async function inSlices<T>(walk: Generator<void, T>, sliceMs: number): Promise<T> {
  let begunMs = performance.now()
  for (;;) {
    const step = walk.next()
    if (step.done === true) return step.value
    if (performance.now() - begunMs < sliceMs) continue
    await new Promise((resolve) => setTimeout(resolve))
    begunMs = performance.now()
  }
}
