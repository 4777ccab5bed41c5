// Ten thousand lines written in one mail, and a line of a hundred thousand characters: how long the page is ever kept from answering while they are
// written, turned back to and read. `BASE_URL` is a server of the production build.
import type { Page } from 'playwright'
import { keep } from './keep'
import { ELUNED, signIn } from './seat'
import { openBrowser, openWatched, servedAt } from './served'
import { median, percentile, print } from './statistics'

const LINES = Number(process.env.LINES ?? 10_000)
const LONGEST = 100_000
const url = servedAt()

const browser = await openBrowser()
const page = await openWatched(browser, 'thread-watch.js')
await signIn(page, `${url}/?world=quiet&seed=7&days=0`, ELUNED)
await page.getByRole('button', { name: 'Start shift' }).click()
await page.getByRole('button', { name: 'Go ready' }).click()
await page.getByRole('button', { name: 'Stand-ins' }).click()
await page.getByLabel('Or writes a').selectOption({ label: 'Mail' })
await page.getByRole('button', { name: 'Write to me' }).click()
await page.getByRole('button', { name: 'Take' }).click()
await page.getByLabel('Your reply').waitFor()

await kept(`${LINES.toLocaleString('en-GB')} lines written, one after the other`, 'write', () => page.evaluate(`sendLines(${LINES})`))
const earlier = page.getByRole('button', { name: /^Show earlier/ })
await kept('turned back to the first of them, a page at a time', 'back', async () => {
  while ((await earlier.count()) > 0) {
    const label = (await earlier.textContent()) ?? ''
    await earlier.click()
    await page.waitForFunction((was) => document.querySelector('[role="log"] button')?.textContent !== was, label)
  }
})
print('lines on the page by then', String(await page.getByRole('log').getByRole('listitem').count()), 'none set')
const spent: number[] = []
await kept('read from end to end, and typed into', 'read', async () => {
  await page.evaluate('readThrough()')
  for (let i = 0; i < 40; i++) spent.push(await page.evaluate<number>('typeLetter()'))
})
print(
  'a letter in the reply below them, to the frame that shows it',
  `${median(spent).toFixed(0)} ms, 95 % ${percentile(spent, 0.95).toFixed(0)} ms`,
  '95 % under 50 ms',
)
await kept(`a line of ${LONGEST.toLocaleString('en-GB')} characters pasted`, 'paste', () => page.evaluate(`pasteLong(${LONGEST})`))
await kept('and sent', 'sendLong', () => page.evaluate('send()'))
await kept('and shown whole', 'showLong', async () => {
  await page.getByRole('button', { name: /^Show all/ }).click()
  await page.getByText('the last of it').waitFor()
})
await browser.close()

/** The longest task of the page during it. */
async function kept(what: string, key: string, run: () => Promise<unknown>): Promise<void> {
  await page.evaluate('takeLongTasks()')
  await run()
  const tasks = await settled(page)
  const longest = Math.max(0, ...tasks)
  keep(`thread.longestTaskMs.${key}`, longest, 'ms', 50)
  print(what, longest === 0 ? 'no task over 50 ms' : `${tasks.length} over 50 ms, longest ${longest.toFixed(0)} ms`, 'none over 50 ms')
}

/** Long tasks are told of a moment after they are over. */
async function settled(page: Page): Promise<number[]> {
  await page.evaluate(() => new Promise((resolve) => requestIdleCallback(resolve)))
  return page.evaluate<number[]>('takeLongTasks()')
}
