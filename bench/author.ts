// An author's typing to the preview, on the production build in Chromium: a shipped script, and one of 500 pages. `BASE_URL` is a server
// of the production build.
import type { Page } from 'playwright'
import { aLargeScript, PAGES } from './scripts'
import { LINNEA, signIn } from './seat'
import { openBrowser, openWatched, servedAt } from './served'
import { median, percentile, print } from './statistics'

const LETTERS = 40
const url = servedAt()

const browser = await openBrowser()
const page = await openWatched(browser, 'press-watch.js')
await signIn(page, `${url}/scripts/script_sailings?world=quiet&seed=7&days=0`, LINNEA)
await typing(page, 'a script of 18 pages')
await page.goto(`${url}/scripts`)
await page.getByRole('table', { name: 'Scripts' }).waitFor()
const fromMs = performance.now()
await page.getByLabel('Script file').setInputFiles({ name: 'large.json', mimeType: 'application/json', buffer: Buffer.from(JSON.stringify(aLargeScript())) })
await page.getByRole('region', { name: 'Map of the script' }).waitFor()
print(`a file of ${PAGES} pages read, laid out and on screen`, `${Math.round(performance.now() - fromMs)} ms`, 'none set')
await typing(page, `a script of ${PAGES} pages`)
await browser.close()

async function typing(page: Page, what: string): Promise<void> {
  const field = page.getByRole('textbox', { name: 'Paragraph 1' })
  await field.fill('')
  await field.focus()
  const spent: number[] = []
  let typed = ''
  for (let i = 0; i < LETTERS; i++) {
    const letter = 'abcdefghijklmnopqrstuvwxyz'.charAt((i * 7) % 26)
    typed += letter
    await page.evaluate(`watchPreview(${JSON.stringify(typed)})`)
    await page.keyboard.press(letter)
    spent.push(await page.evaluate<number>('pressShown'))
  }
  print(`an author's letter to the preview, ${what}`, `${median(spent).toFixed(0)} ms, 95 % ${percentile(spent, 0.95).toFixed(0)} ms`, 'under 50 ms')
}
