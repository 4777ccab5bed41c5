// Bundles the workers into public/workers. The page bundler cannot make a SharedWorker, and a fixed address is
// what lets several tabs find the same one.
import { build, context } from 'esbuild'

const options = {
  entryPoints: {
    floor: 'src/exchange/worker.ts',
    history: 'src/history/worker.ts',
    lists: 'src/lists/worker.ts',
    'what-if': 'src/what-if/worker.ts',
    'list-reader': 'src/exchange/list-reader/worker.ts',
  },
  outdir: 'public/workers',
  bundle: true,
  minify: true,
  format: 'iife',
  target: 'es2023',
  sourcemap: false,
  alias: { '@': './src' },
  logLevel: 'warning',
}

if (process.argv.includes('--watch')) await (await context(options)).watch()
else await build(options)
