// Bundles the workers into public/workers. The page bundler cannot make a SharedWorker, and a fixed address is
// what lets several tabs find the same one.
import { copyFileSync, mkdirSync } from 'node:fs'
import { createRequire } from 'node:module'
import { build, context } from 'esbuild'

const options = {
  entryPoints: {
    floor: 'src/services/exchange/worker.ts',
    history: 'src/services/history/worker.ts',
    lists: 'src/services/lists/worker.ts',
    'what-if': 'src/screens/campaigns/what-if/worker.ts',
    shifts: 'src/screens/tomorrow/shifts/worker.ts',
    'day-ahead': 'src/screens/tomorrow/day-ahead/worker.ts',
    replay: 'src/screens/replay/worker.ts',
    'list-reader': 'src/services/exchange/list-reader/worker.ts',
    backup: 'src/services/backup/worker.ts',
  },
  outdir: 'public/workers',
  bundle: true,
  minify: true,
  format: 'iife',
  target: 'es2023',
  sourcemap: false,
  alias: { '@': './src' },
  define: { 'process.env.NEXT_PUBLIC_BUILT_AT': JSON.stringify(process.env.NEXT_PUBLIC_BUILT_AT ?? '0') },
  logLevel: 'warning',
  // What the solver would need outside a browser.
  external: ['node:*', 'fs', 'path', 'module', 'crypto', 'url'],
}

// The solver’s program stands beside its worker.
mkdirSync('public/workers', { recursive: true })
copyFileSync(createRequire(import.meta.url).resolve('highs/runtime'), 'public/workers/highs.wasm')

if (process.argv.includes('--watch')) await (await context(options)).watch()
else await build(options)
