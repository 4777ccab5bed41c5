// npm run bench: prints the figures of speed and size, measured on this machine. Never passes, never fails.
// `--only floor,chromium,history,lists,pacing,people,backup,erase,desk,supervisor,author,thread,doNotCall` runs some of its parts; `--floor` is `--only floor`, without a browser.
// `--json FILE` writes figures as `{ "key": { "value": 1, "unit": "ms", "aim": 2 } }`.
import { spawnSync } from 'node:child_process'
import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { parseArgs } from 'node:util'
import { ensureChromium } from './ensure-chromium.mjs'
import { ensureInstalled } from './ensure-installed.mjs'

/** In this order; `served` ones ask the product for its pages. */
const PARTS = {
  floor: { file: 'bench/floor.ts' },
  chromium: { file: 'bench/chromium.ts', browser: true },
  history: { file: 'bench/history.ts', browser: true },
  lists: { file: 'bench/lists.ts' },
  pacing: { file: 'bench/pacing.ts' },
  people: { file: 'bench/people.ts' },
  backup: { file: 'bench/backup.ts' },
  erase: { file: 'bench/erase.ts' },
  desk: { file: 'bench/desk.ts', browser: true, served: true },
  supervisor: { file: 'bench/supervisor.ts', browser: true, served: true },
  author: { file: 'bench/author.ts', browser: true, served: true },
  thread: { file: 'bench/thread.ts', browser: true, served: true },
  doNotCall: { file: 'bench/do-not-call.ts', browser: true, served: true },
}

const { values } = parseArgs({ options: { only: { type: 'string' }, json: { type: 'string' }, floor: { type: 'boolean' } } })
const names = values.floor ? ['floor'] : (values.only?.split(',') ?? Object.keys(PARTS))
const unknown = names.filter((name) => !(name in PARTS))
if (unknown.length > 0) {
  console.error(`There is no part ${unknown.join(', ')}. Parts are ${Object.keys(PARTS).join(', ')}.`)
  process.exit(1)
}
const parts = Object.entries(PARTS).flatMap(([name, part]) => (names.includes(name) ? [part] : []))

ensureInstalled()
if (parts.some((part) => part.browser)) await ensureChromium()
const folder = mkdtempSync(join(tmpdir(), 'bench-'))
const keys = join(folder, 'keys.ndjson')
const run = (file, env) => spawnSync('node_modules/.bin/tsx', [file], { stdio: 'inherit', env: { ...process.env, ...env } })
let served = null
for (const { file, served: asks } of parts) {
  if (asks && served === null) {
    const { build, serve } = await import('./serve.mjs')
    await build()
    served = await serve(0)
  }
  run(file, { BENCH_KEYS: keys, ...(asks ? { BASE_URL: served.url } : {}) })
}
served?.stop()
if (values.json !== undefined) {
  const lines = existsSync(keys) ? readFileSync(keys, 'utf8').trim().split('\n') : []
  const figures = lines.map((line) => JSON.parse(line)).map(({ key, ...figure }) => [key, figure])
  writeFileSync(values.json, `${JSON.stringify(Object.fromEntries(figures), null, 2)}\n`)
  console.log(`${figures.length} figures written to ${values.json}`)
}
rmSync(folder, { recursive: true, force: true })
