// Builds the workers and the pages. A process of its own, so that others can wait for it or do something else meanwhile.
import { execFileSync } from 'node:child_process'
import { compressStatic } from './compress.mjs'
import { bringBack, layAside } from './keep-chunks.mjs'

// Pages and workers know when they were built: a page that is newer than the floor's worker has it handed over.
const builtAt = String(Date.now())
const env = { ...process.env, NODE_ENV: 'production', NEXT_TELEMETRY_DISABLED: '1', NEXT_PUBLIC_BUILT_AT: builtAt }
execFileSync(process.execPath, ['tools/build-workers.mjs'], { stdio: 'inherit', env: { ...process.env, NEXT_PUBLIC_BUILT_AT: builtAt } })
const BEFORE = '.next/cache/static-before'
layAside('.next/static', BEFORE)
execFileSync(process.execPath, ['node_modules/next/dist/bin/next', 'build'], { stdio: ['ignore', 'pipe', 'inherit'], env })
execFileSync(process.execPath, ['tools/build-service-worker.mjs'], { stdio: 'inherit', env: process.env })
await compressStatic()
// Last: what is kept for a visit without a network is this build's alone, and the others were compressed by theirs.
bringBack('.next/static', BEFORE)
