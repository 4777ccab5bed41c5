// The floor's rates in the browser it runs in.
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { build } from 'esbuild'
import { chromium } from 'playwright'
import type { DurabilityMs } from './durability'
import { keep } from './keep'
import { printRates } from './print-rates'
import type { Rates } from './rate'
import { print } from './statistics'

const { outputFiles } = await build({
  stdin: {
    contents: "import { writesMs } from './durability'; import { commandRates } from './rate'; Object.assign(globalThis, { rates: commandRates, writesMs })",
    resolveDir: 'bench',
    loader: 'ts',
  },
  bundle: true,
  write: false,
  format: 'iife',
  alias: { '@': `${process.cwd()}/src` },
  logLevel: 'error',
})
// Of a profile on the disk: without one the browser keeps its storage in memory.
const folder = mkdtempSync(join(tmpdir(), 'bench-profile-'))
const browser = await chromium.launchPersistentContext(folder, { executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu'] })
const page = await browser.newPage()
// Storage is for an origin: an empty page of one, without a server.
await page.route('http://localhost/', (route) => route.fulfill({ contentType: 'text/html', body: '<!doctype html>' }))
await page.goto('http://localhost/')
await page.addScriptTag({ content: outputFiles[0]?.text ?? '' })
printRates('in Chromium', await page.evaluate(() => (globalThis as unknown as { rates: () => Rates[] }).rates()))
const { strict, relaxed } = await page.evaluate(() => (globalThis as unknown as { writesMs: () => Promise<DurabilityMs> }).writesMs())
print('a write of the ledger (2 kB) that waits for the disk, in Chromium', `${strict.toFixed(1)} ms`, `one that does not, turn about ${relaxed.toFixed(1)} ms`)
keep('store.strictWriteMs', strict, 'ms', null)
await browser.close()
rmSync(folder, { recursive: true, force: true })
