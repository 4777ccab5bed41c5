// Builds the workers and the pages. A process of its own, so that others can wait for it or do something else meanwhile.
import { execFileSync } from 'node:child_process'
import { compressStatic } from './compress.mjs'

const env = { ...process.env, NODE_ENV: 'production', NEXT_TELEMETRY_DISABLED: '1' }
execFileSync(process.execPath, ['tools/build-workers.mjs'], { stdio: 'inherit', env: process.env })
execFileSync(process.execPath, ['node_modules/next/dist/bin/next', 'build'], { stdio: ['ignore', 'pipe', 'inherit'], env })
execFileSync(process.execPath, ['tools/build-service-worker.mjs'], { stdio: 'inherit', env: process.env })
await compressStatic()
