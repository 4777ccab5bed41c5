// Press to picture on the production build in Chromium: from the key's event to the frame that shows its effect, and
// what the desk sends. `BASE_URL` is a server of the production build.
import type { Page } from 'playwright'
import { keep } from './keep'
import { ELUNED, KESTER, LINNEA, signIn } from './seat'
import { openBrowser, openWatched, servedAt } from './served'
import { median, percentile, print } from './statistics'

const ROUNDS = 25
const url = servedAt()

const browser = await openBrowser()
const page = await openWatched(browser, 'press-watch.js')
await firstStart()
await sizes(page)
await presses(page)
await crowdedPresses(page)
await browser.close()

/** From the first visit of a new browser, signing in included, to a week of past days in the results; the demo has simulated them by then. */
async function firstStart(): Promise<void> {
  await (await fetch(`${url}/api/demo-history?seed=7&days=7&pace=week`)).arrayBuffer()
  const spent: number[] = []
  for (let i = 0; i < 3; i++) {
    const context = await browser.newContext()
    const visitor = await context.newPage()
    const fromMs = performance.now()
    await signIn(visitor, `${url}/results?world=quiet&seed=7`, LINNEA)
    await visitor.getByText('Past days are being simulated').waitFor({ state: 'hidden' })
    await visitor.getByRole('region', { name: 'Calls' }).getByRole('row').nth(5).waitFor()
    spent.push(performance.now() - fromMs)
    await context.close()
  }
  print(
    'first visit until a week of past days is there (first, then median)',
    `${Math.round(spent[0] ?? 0)} ms, ${Math.round(median(spent))} ms`,
    'under 3000 ms',
  )
}

/** The same with three lines on the board, one of them a conference of twelve. */
async function crowdedPresses(page: Page): Promise<void> {
  const ring = async () => {
    await page.getByRole('button', { name: 'Stand-ins' }).click()
    await page.getByRole('button', { name: 'Ring me' }).click()
    await page.getByRole('button', { name: 'Answer' }).click()
    await page.getByRole('button', { name: 'Hang up' }).waitFor()
  }
  const bring = async (verb: string, keys: string, number: string) => {
    await page.getByRole('button', { name: 'Stand-ins' }).click()
    await page.getByLabel('Next call answers as').selectOption({ label: 'A person' })
    await page.keyboard.press('Escape')
    await page.keyboard.press(keys)
    await page.getByLabel('Who or what number').fill(number)
    await page.getByRole('button', { name: verb }).click()
    await page.getByLabel('Who or what number').waitFor({ state: 'hidden' })
  }
  await ring()
  for (let n = 0; n < 10; n++) await bring('Add now', 'Alt+c', `01632 96055${n}`)
  await page.getByText('all on the line').waitFor()
  await bring('Consult', 'Alt+t', '01632 960560')
  // Only an answered consult can be completed; then both lines are held, to pick up the third.
  await page.locator('button:not([aria-disabled])', { hasText: 'Complete transfer' }).waitFor()
  await page.keyboard.press('Alt+h')
  await page.locator('[data-line="consult"] [data-cord="held"]').waitFor()
  await parkElsewhere(page)
  await page.getByRole('button', { name: /^Pick up/ }).click()
  await page.getByRole('region', { name: 'Parked' }).waitFor({ state: 'hidden' })
  const lines = await page.locator('[data-line]').count()
  const mute: number[] = []
  const unmute: number[] = []
  for (let i = 0; i < ROUNDS; i++) {
    mute.push(await pressToPicture(page, 'Alt+m', 'Unmute'))
    unmute.push(await pressToPicture(page, 'Alt+m', 'Mute'))
  }
  for (const [name, values] of [
    ['Mute', mute],
    ['Unmute', unmute],
  ] as const)
    print(
      `the same, ${name}, ${lines} lines and 12 parties`,
      `${median(values).toFixed(0)} ms, 95 % ${percentile(values, 0.95).toFixed(0)} ms`,
      '95 % under 50 ms',
    )
}

/** A colleague in another tab takes a call and parks it. */
async function parkElsewhere(page: Page): Promise<void> {
  const tab = await page.context().newPage()
  await signIn(tab, `${url}/?world=quiet&seed=7&days=0`, KESTER)
  await tab.getByRole('button', { name: 'Start shift' }).click()
  await tab.getByRole('button', { name: 'Go ready' }).click()
  await tab.getByRole('button', { name: 'Stand-ins' }).click()
  await tab.getByRole('button', { name: 'Ring me' }).click()
  await tab.getByRole('button', { name: 'Answer' }).click()
  await tab.getByRole('button', { name: 'Park' }).click()
  await page.bringToFront()
}

/** JavaScript that crosses the wire until the desk is at rest, as compressed by the server. */
async function sizes(page: Page): Promise<void> {
  const cdp = await page.context().newCDPSession(page)
  await cdp.send('Network.enable')
  const scripts = new Map<string, string>()
  let bytes = 0
  cdp.on('Network.responseReceived', ({ requestId, type, response }) => {
    if (type === 'Script') scripts.set(requestId, response.url)
  })
  cdp.on('Network.loadingFinished', ({ requestId, encodedDataLength }) => {
    if (scripts.has(requestId)) bytes += encodedDataLength
  })
  await signIn(page, `${url}/?world=quiet&seed=7&days=0`, ELUNED)
  await page.getByRole('button', { name: 'Start shift' }).click()
  await page.getByRole('button', { name: 'Go ready' }).waitFor()
  // What comes last is what the history has to say of the day.
  await page.getByText('None yet today').waitFor()
  keep('desk.javascriptBytes', bytes, 'bytes', 250_000)
  print(`JavaScript sent to the desk, compressed (${scripts.size} files)`, `${(bytes / 1000).toFixed(0)} kB`, 'under 250 kB')
  // Whoever comes to the dial line is sent what dragging takes.
  const more = page.waitForResponse((r) => r.request().resourceType() === 'script')
  const line = page.getByRole('combobox', { name: 'Dial line' })
  await line.fill('01632 960112')
  await page.getByText('Enter dials').waitFor()
  await (await more).finished()
  await page.getByText('Nobody by that name').or(page.getByText('Enter dials')).first().waitFor()
  await line.fill('')
  print(`the same once somebody has been in the dial line (${scripts.size} files)`, `${(bytes / 1000).toFixed(0)} kB`, 'none set')
  const worker = await page.request.get(`${url}/workers/floor.js`)
  print('the floor’s worker beside it, not compressed', `${((await worker.body()).length / 1000).toFixed(0)} kB`, 'none set')
}

async function presses(page: Page): Promise<void> {
  await page.keyboard.press('Alt+r')
  const spent: Record<string, number[]> = { Answer: [], Hold: [], Retrieve: [], 'Hang up': [], 'Save outcome': [] }
  for (let i = 0; i < ROUNDS; i++) {
    await page.getByRole('button', { name: 'Stand-ins' }).click()
    await page.getByRole('button', { name: 'Ring me' }).click()
    await page.getByRole('button', { name: 'Answer' }).waitFor()
    const measure = async (name: string, keys: string, sign: string) => spent[name]?.push(await pressToPicture(page, keys, sign))
    await measure('Answer', 'Alt+a', 'On call')
    await measure('Hold', 'Alt+h', 'Retrieve')
    await measure('Retrieve', 'Alt+h', 'Hold')
    await measure('Hang up', 'Alt+q', 'Undo')
    await page.keyboard.press('Alt+1')
    await measure('Save outcome', 'Alt+Enter', 'Ready')
  }
  for (const [name, values] of Object.entries(spent)) {
    keep(`press.p95Ms.${KEYS[name]}`, percentile(values, 0.95), 'ms', 50)
    print(
      `press to picture, ${name} (${values.length} presses)`,
      `${median(values).toFixed(0)} ms, 95 % ${percentile(values, 0.95).toFixed(0)} ms`,
      '95 % under 50 ms',
    )
  }
}

const KEYS: Readonly<Record<string, string>> = { Answer: 'answer', Hold: 'hold', Retrieve: 'retrieve', 'Hang up': 'hangUp', 'Save outcome': 'saveOutcome' }

async function pressToPicture(page: Page, keys: string, sign: string): Promise<number> {
  await page.evaluate(`watchPress(${JSON.stringify(sign)})`)
  await page.keyboard.press(keys)
  return page.evaluate<number>('pressShown')
}
