// npm run bench: prints the figures of speed and size, measured on this machine. Never passes, never fails.
// `npm run bench -- --floor` leaves the browser out.
import { spawnSync } from 'node:child_process'
import { ensureChromium } from './ensure-chromium.mjs'
import { ensureInstalled } from './ensure-installed.mjs'

const run = (file, env = {}) => spawnSync('node_modules/.bin/tsx', [file], { stdio: 'inherit', env: { ...process.env, ...env } })

ensureInstalled()
run('bench/floor.ts')
if (!process.argv.includes('--floor')) {
  ensureChromium()
  run('bench/chromium.ts')
  run('bench/history.ts')
  run('bench/lists.ts')
  const { build, serve } = await import('./serve.mjs')
  await build()
  const { url, stop } = await serve(0)
  run('bench/desk.ts', { BASE_URL: url })
  run('bench/author.ts', { BASE_URL: url })
  run('bench/do-not-call.ts', { BASE_URL: url })
  stop()
}
