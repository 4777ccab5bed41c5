// The floor's worker under what happens to it: a clock that is set in mid-call, a worker the browser has ended, and browsers
// that cannot share a worker between tabs.
import {
  anotherPress,
  anotherSeat,
  board,
  boardWords,
  button,
  goReady,
  goTo,
  hangUp,
  KESTER,
  ownerTab,
  QUIET,
  ringMe,
  signIn,
  startShift,
  state,
  takeCall,
} from './desk'
import { type BrowserContext, expect, fresh, type Page } from './warm'

/** Inside the floor's worker: its wall clock is off by as much as it is told, its time passes faster, and it ends or hangs when it is told to. */
const HOOK = `{
  const [real, now, timeout] = [Date.now, performance.now.bind(performance), setTimeout]
  let [offMs, speed, sinceMs, atMs] = [0, 1, now(), now()]
  performance.now = () => atMs + (now() - sinceMs) * speed
  Date.now = () => Math.round(real() + offMs + performance.now() - now())
  self.setTimeout = (act, ms = 0, ...more) => timeout(act, ms / speed, ...more)
  new BroadcastChannel('test of the floor').onmessage = ({ data }) => {
    if (data === 'end') self.close()
    else if (data.hangMs) for (const until = real() + data.hangMs; real() < until; );
    else if (data.speed) [atMs, sinceMs, speed] = [performance.now(), now(), data.speed]
    else offMs = data
  }
}\n`

async function withHook(context: BrowserContext): Promise<void> {
  await context.route('**/workers/floor.js', async (route) => {
    const answer = await route.fetch()
    await route.fulfill({ response: answer, body: HOOK + (await answer.text()) })
  })
}
const tellWorker = (page: Page, what: number | 'end' | { readonly speed: number } | { readonly hangMs: number }) =>
  page.evaluate((told) => new BroadcastChannel('test of the floor').postMessage(told), what)
const HOUR = 3_600_000

fresh('the clock set back and forward in mid-call: said, and no limit changes', async ({ context, page }) => {
  await withHook(context)
  await takeCall(page)
  await tellWorker(page, -2 * HOUR)
  await button(page, 'Hold').click()
  await expect(page.getByText('clock was set back by 7200 s')).toBeVisible()
  await expect(board(page)).toContainText(/on hold 0:0\d|hears music/)
  await anotherPress(page)
  await button(page, 'Retrieve').click()
  await hangUp(page)
  // The grace is four seconds, as ever.
  await expect(state(page)).toHaveText('Wrap-up', { timeout: 8_000 })
  await tellWorker(page, HOUR)
  await page.getByRole('radio', { name: 'Information given', exact: true }).check({ force: true })
  await button(page, 'Save outcome').click()
  await expect(page.getByText('clock leapt ahead by 10800 s')).toBeVisible()
  await expect(state(page)).toHaveText('Ready')
  await ringMe(page)
  await expect(state(page)).toHaveText('Ringing')
})

fresh('the worker ended by the browser in mid-call: the desk comes back by itself, with the call', async ({ context, page }) => {
  await withHook(context)
  await takeCall(page)
  await page.getByLabel('Notes').fill('Two adults and a dog')
  await page.getByRole('radio', { name: 'The person who booked' }).click()
  await button(page, 'Next page').click()
  await expect(page.getByRole('heading', { name: 'What brings them' })).toBeVisible()
  await tellWorker(page, 'end')
  // Asked whether it is there, it does not answer; then another one is opened from what is stored.
  await expect(page.getByText('The floor was closed for', { exact: false })).toBeVisible({ timeout: 45_000 })
  await expect(state(page)).toHaveText('On call')
  await expect(page.getByLabel('Notes')).toHaveValue('Two adults and a dog')
  await expect(page.getByRole('heading', { name: 'What brings them' })).toBeVisible()
  await button(page, 'Hold').click()
  await expect(board(page)).toContainText('on hold')
})

fresh('where no worker can be shared: two tabs are one floor, and the second has it when the first is closed', async ({ context, page }) => {
  await context.addInitScript(() => {
    Object.defineProperty(window, 'SharedWorker', { value: undefined })
  })
  // Somebody listens on the channel on which tabs speak, and is to hear nobody's PIN, key or caller.
  const listener = await context.newPage()
  await listener.goto('/icon.svg')
  await listener.evaluate(() => {
    const heard = globalThis as unknown as { heard: string[] }
    heard.heard = []
    const words = (data: object): string =>
      Object.values(data)
        .map((v) => (v instanceof ArrayBuffer ? new TextDecoder('latin1').decode(v) : typeof v === 'object' ? words(v) : v))
        .join(' ')
    new BroadcastChannel('floor').onmessage = ({ data }) => heard.heard.push(words(data))
  })
  await startShift(page)
  await goReady(page)
  const kester = await context.newPage()
  await startShift(kester, 'Kester Oddersey', '3108')
  const key = await kester.evaluate(() => JSON.stringify({ ...sessionStorage }).match(/[0-9a-f]{64}/)?.[0] ?? 'no key')
  expect(key).toHaveLength(64)
  await ringMe(page)
  await button(page, 'Answer').click()
  await expect(board(page)).toContainText('with you')
  await expect(kester.getByRole('region', { name: 'People' })).toContainText('On call')
  const heard = await listener.evaluate(() => (globalThis as unknown as { heard: string[] }).heard)
  expect(heard.length).toBeGreaterThan(8)
  for (const secret of ['3108', key, 'Ottoline', 'signIn', 'kester']) expect(heard.join('\n')).not.toContain(secret)
  await page.close()
  // The floor goes on in Kester's tab, from what is stored. Who presses before it does is told to try again.
  await expect(async () => {
    await kester.getByRole('button', { name: 'Go ready' }).click({ timeout: 1_000 })
    await expect(state(kester)).toHaveText('Ready', { timeout: 9_000 })
  }).toPass()
  const again = await context.newPage()
  await signIn(again, 'Eluned Tarnow', '2417', QUIET)
  await expect(state(again)).toHaveText('On call')
  await hangUp(again)
  await expect(state(again)).toHaveText('Wrap-up')
})

fresh('a desk that is closed in a call: its supervisor sees it, its caller is the next one’s, and its agent is told', async ({ context, page }) => {
  await withHook(context)
  await takeCall(page)
  await page.getByLabel('Notes').fill('Wants to bring a dog')
  const kester = await anotherSeat(page, KESTER)
  const floor = await ownerTab(page, '/floor')
  await page.close()
  await tellWorker(kester, { speed: 6 })
  await expect(floor.getByRole('region', { name: 'What needs you' })).toContainText('Eluned Tarnow: desk lost')
  await expect(state(kester)).toHaveText('Ringing')
  await tellWorker(kester, { speed: 1 })
  await button(kester, 'Answer').click()
  await expect(boardWords(kester)).toContainText('You are talking with Ottoline Fjelding')
  const again = await context.newPage()
  await signIn(again)
  await expect(again.getByRole('alert', { name: 'Desk was lost' })).toContainText('went to the head of the queue')
  await expect(again.getByLabel('Notes')).toHaveValue('Wants to bring a dog')
  await expect(state(again)).toHaveText('Wrap-up')
})

fresh('a floor that does not answer is said at the desk, and that it does again', async ({ context, page }) => {
  await withHook(context)
  await startShift(page)
  // Longer than the page waits before it takes the floor for gone and opens a port anew.
  await tellWorker(page, { hangMs: 24_000 })
  await expect(page.getByText('No connection, trying.')).toBeVisible({ timeout: 20_000 })
  await expect(page.getByText('No connection, trying.')).toBeHidden({ timeout: 40_000 })
  await goReady(page)
})

fresh('PINs that were spoiled on the disk open nothing, and their owner is given a new one at the door', async ({ context, page }) => {
  await startShift(page)
  await page.goto('/icon.svg')
  await page.evaluate(
    () =>
      new Promise<void>((resolve, reject) => {
        const opening = indexedDB.open('loyal-switchboard-floor')
        opening.onerror = () => reject(opening.error)
        opening.onsuccess = () => {
          const writing = opening.result.transaction('floor', 'readwrite')
          for (const key of ['secrets', 'secrets copy']) writing.objectStore('floor').put('torn', key)
          writing.oncomplete = () => resolve(opening.result.close())
        }
      }),
  )
  const session = await context.newCDPSession(page)
  await expect(async () => {
    const { targetInfos } = await session.send('Target.getTargets')
    expect(targetInfos.filter((t) => t.type === 'shared_worker')).toEqual([])
  }).toPass()
  await page.goto(QUIET)
  const lost = page.getByRole('region', { name: 'PINs that cannot be read' })
  const field = page.getByRole('textbox', { name: 'PIN' })
  await field.fill('2417')
  await button(page, 'Sign in').click()
  await expect(page.getByText('cannot be read, so none opens anything. Give the owners')).toBeVisible()
  await button(page, 'Give the owners new PINs').click()
  await expect(lost).toContainText('Write them down: they are shown this once.')
  const pin = /Linnea Wickerby\s*(\d{8})/.exec((await lost.textContent()) ?? '')?.[1] ?? ''
  await page.getByLabel('Name', { exact: true }).selectOption({ label: 'Linnea Wickerby' })
  await field.fill(pin)
  await button(page, 'Sign in').click()
  await expect(page.getByText('somebody at the door gave the owners of the set-up new ones')).toBeVisible()
})

fresh(
  'a part of the program that cannot be fetched in mid-call: it is said where it would be, the call goes on, and it comes when it can',
  async ({ page, context }) => {
    await takeCall(page)
    /** The network says no from now on, to what was not fetched yet. */
    const gone = (url: URL) => url.pathname.startsWith('/_next/static/')
    await context.route(gone, (route) => route.abort())
    await page.keyboard.press('Alt+/')
    const said = page.getByRole('alert').filter({ hasText: 'The list of shortcuts has failed.' })
    await expect(said).toContainText('Calls go on.')
    await expect(state(page)).toHaveText('On call')
    await said.getByRole('button', { name: 'Close it' }).click()
    await button(page, 'Hold').click()
    await expect(board(page).getByText('hears music')).toBeVisible()
    // A page that was never opened: what stands around it stays.
    await goTo(page, 'Results')
    await expect(page.getByRole('heading', { name: 'This part of the page has failed' })).toBeVisible()
    await expect(state(page)).toHaveText('On call')
    if (process.env.PICTURE) await page.screenshot({ path: '/tmp/failed.png' })
    await context.unroute(gone)
    await button(page, 'Try again').click()
    await expect(page.getByRole('heading', { name: 'Results' })).toBeVisible()
    await goTo(page, 'Desk')
    await anotherPress(page)
    await button(page, 'Retrieve').click()
    await page.keyboard.press('Alt+/')
    await expect(page.getByRole('dialog', { name: 'Keyboard' })).toBeVisible()
  },
)
