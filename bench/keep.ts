// Figures under names that stay, for whoever compares runs: a line each to the file `npm run bench -- --json` asks for.
import { appendFileSync } from 'node:fs'

/** A part of the bench runs in a process of its own: each adds its lines, and tools/bench.mjs makes one object of them. `aim` null where none is set. */
export function keep(key: string, value: number, unit: string, aim: number | null = null): void {
  const path = process.env.BENCH_KEYS
  if (path !== undefined) appendFileSync(path, `${JSON.stringify({ key, value, unit, aim })}\n`)
}
