// A line in steps: each value holds until the next one begins, the last one as long as the others.
import { curveStepAfter, line } from 'd3-shape'

/** SVG path of the values from `from` until before `to`, each at its place. */
export function stepPath(values: readonly number[], from: number, to: number, x: (place: number) => number, y: (value: number) => number): string {
  const shown = values.slice(from, to)
  const path = line<number>()
    .x((_, i) => x(from + i))
    .y(y)
    .curve(curveStepAfter)
  return path([...shown, shown.at(-1) ?? 0]) ?? ''
}
