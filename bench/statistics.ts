// What the benches print: medians, percentiles and rates. Figures, never a verdict.

export const median = (values: readonly number[]): number => percentile(values, 0.5)

/** Nearest-rank percentile; NaN without values. */
export function percentile(values: readonly number[], p: number): number {
  const sorted = values.toSorted((a, b) => a - b)
  return sorted[Math.min(sorted.length - 1, Math.ceil(sorted.length * p) - 1)] ?? Number.NaN
}

/** Milliseconds of each of `times` runs. */
export function timed(times: number, run: () => void): number[] {
  return Array.from({ length: times }, () => {
    const from = performance.now()
    run()
    return performance.now() - from
  })
}

export async function timedAsync(times: number, run: () => Promise<unknown>): Promise<number[]> {
  const spent: number[] = []
  for (let i = 0; i < times; i++) {
    const from = performance.now()
    await run()
    spent.push(performance.now() - from)
  }
  return spent
}

export const print = (what: string, figure: string, aim: string): void => console.log(`${what.padEnd(62)} ${figure.padStart(24)}   aim ${aim}`)
