// A worker that goes through much answers whoever asks meanwhile.

const AT_WORK_MS = 10

/** Awaited between two parts of the work: it goes on at once until so many milliseconds are over, then lets others come first. A timer for every part would take longer than the parts. */
export function inTurns(atWorkMs = AT_WORK_MS): () => Promise<void> {
  let sinceMs = performance.now()
  return async () => {
    if (performance.now() - sinceMs < atWorkMs) return
    await new Promise((resolve) => setTimeout(resolve))
    sinceMs = performance.now()
  }
}
