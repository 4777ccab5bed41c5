// The floor's rates in the browser it runs in.
import { build } from 'esbuild'
import { chromium } from 'playwright'
import { printRates } from './print-rates'
import type { Rates } from './rate'

const { outputFiles } = await build({
  stdin: { contents: "import { commandRates } from './rate'; globalThis.rates = commandRates", resolveDir: 'bench', loader: 'ts' },
  bundle: true,
  write: false,
  format: 'iife',
  alias: { '@': `${process.cwd()}/src` },
  logLevel: 'error',
})
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu'] })
const page = await browser.newPage()
await page.addScriptTag({ content: outputFiles[0]?.text ?? '' })
printRates('in Chromium', await page.evaluate(() => (globalThis as unknown as { rates: () => Rates[] }).rates()))
await browser.close()
