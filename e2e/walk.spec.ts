// Every page and whatever opens on it, by keyboard: nothing holds the keyboard, nothing drops it, keys do what the help says and nothing behind
// what is open. What is added later is walked as well, because what there is to open is read off the page.
import { violations } from './axe'
import { button, goReady, ringMe, signInAsOwner, startShift, state } from './desk'
import { expect, type Page, test } from './warm'

const ROUTES = {
  calling: ['/people', '/log', '/voicemail', '/conferences', '/callbacks', '/do-not-call'],
  campaigns: ['/campaigns', '/campaigns/campaign_winter-timetable', '/results/campaigns'],
  'the floor': ['/floor', '/floor/tomorrow', '/floor/what-if', '/floor/replay'],
  results: ['/results', '/results/sessions', '/results/breakdown', '/results/reviews'],
  'the set-up': ['/set-up', '/outcomes', '/sheets', '/scripts', '/scripts/script_sailings'],
}
const WORLD = '?world=quiet&seed=7&days=0'

/** Where the keyboard is, in words, and whether that can be seen. */
interface Stop {
  readonly on: string
  readonly isSeen: boolean
  /** The day, the month and the year of a date are stops of the browser's own. */
  readonly isDate: boolean
}
interface Walked {
  stopHere: () => Stop
  stops: Stop[]
}

/** What reads a stop off the page. It is asked once for many presses: each of them notes by itself where it has led. */
function walker(): void {
  const here = globalThis as unknown as Walked & { seen?: Map<Element, number> }
  if (here.seen !== undefined) return
  const seen = new Map<Element, number>()
  here.seen = seen
  here.stops = []
  here.stopHere = () => {
    const at = document.activeElement
    if (at === null || at === document.body) return { on: 'nothing', isSeen: false, isDate: false }
    const name = at.getAttribute('aria-label') ?? (at as HTMLInputElement).labels?.[0]?.textContent ?? at.textContent ?? ''
    // Each is told from all others, also where two are called the same and while more of the page arrives.
    const no = seen.get(at) ?? seen.size + 1
    seen.set(at, no)
    return {
      on: `${at.tagName.toLowerCase()} “${name.trim().slice(0, 40)}” ${no}`,
      isSeen: at.checkVisibility({ opacityProperty: true, visibilityProperty: true }),
      isDate: ['date', 'time'].includes((at as HTMLInputElement).type),
    }
  }
  document.addEventListener('keyup', ({ key }) => (key === 'Tab' || key === 'F6') && here.stops.push(here.stopHere()), true)
}

const place = async (page: Page): Promise<Stop> => {
  await page.evaluate(walker)
  return page.evaluate(() => (globalThis as unknown as Walked).stopHere())
}

/** Presses a key so often, and tells where each of them led; those that led out of the page are missing. */
async function pressed(page: Page, key: 'Tab' | 'F6', times: number): Promise<readonly Stop[]> {
  await page.evaluate(walker)
  await page.evaluate(() => {
    ;(globalThis as unknown as Walked).stops = []
  })
  for (let i = 0; i < times; i++) await page.keyboard.press(key)
  return page.evaluate(() => (globalThis as unknown as Walked).stops)
}

/** Once round with Tab: how many stops there are, or what is wrong with one. */
async function round(page: Page, where: string, wrong: string[]): Promise<void> {
  const seen: string[] = []
  const LOT = 20
  for (let lot = 0; lot < 8; lot++) {
    const stops = await pressed(page, 'Tab', LOT)
    for (const { on, isSeen, isDate } of stops) {
      // Past the last of them the browser has the keyboard, and then the page again.
      if (on === 'nothing' || on === seen[0]) return
      if (!isSeen) wrong.push(`${where}: ${on} has the keyboard and is not seen`)
      if (on.includes('“”')) wrong.push(`${where}: ${on} has no name`)
      if (seen.at(-1) === on && !(isDate && seen.filter((s) => s === on).length < 6)) return void wrong.push(`${where}: ${on} holds the keyboard`)
      seen.push(on)
    }
    if (stops.length < LOT) return
  }
  wrong.push(`${where}: more than 160 stops`)
}

/** Opens what a button opens, and goes away again the way people do. */
async function inAndOut(page: Page, name: string, where: string, wrong: string[]): Promise<void> {
  const opener = page.getByRole('button', { name, exact: true }).first()
  if (!(await opener.isVisible()) || !(await opener.isEnabled())) return
  const said = `${where}, ${name}`
  await opener.focus()
  const { on: before } = await place(page)
  await page.keyboard.press('Enter')
  const open = page.locator('[role="dialog"], [role="menu"]').last()
  const hasOpened = await open.waitFor({ timeout: 3_000 }).then(
    () => true,
    () => false,
  )
  if (!hasOpened) {
    // It opens in its place: the keyboard goes on there.
    const { on } = await place(page)
    if (on === 'nothing' || on === before) wrong.push(`${said}: the keyboard is not in what has opened`)
    await page.reload()
    await expect(page.getByRole('heading', { level: 1 }).first()).toBeAttached()
    return
  }
  const isModal = (await page.locator('[data-modal]').count()) > 0
  const isIn = () => page.evaluate(() => document.activeElement?.closest('[role="dialog"], [role="menu"]') !== null)
  await expect.poll(isIn, { message: `${said}: the keyboard is in what has opened` }).toBe(true)
  for (const { id, nodes } of await violations(page)) wrong.push(`${said}: ${id} ${nodes[0]}`)
  if (isModal) {
    for (let i = 0; i < 12; i++) {
      await page.keyboard.press(i % 4 === 3 ? 'Shift+Tab' : 'Tab')
      if (!(await isIn())) wrong.push(`${said}: the keyboard is behind it`)
    }
    // Nothing behind it hears a key of the page.
    const path = new URL(page.url()).pathname
    await page.keyboard.press('F6')
    await page.keyboard.press('Alt+l')
    if (!(await isIn()) || (await page.locator('[data-modal]').count()) !== 1 || new URL(page.url()).pathname !== path)
      wrong.push(`${said}: a key went through it`)
  }
  await page.keyboard.press('Escape')
  await expect(open, `${said} closes with Escape`).toBeHidden()
  await expect.poll(async () => (await place(page)).on, { message: `${said}: closed, the keyboard is on nothing` }).not.toBe('nothing')
}

/** What says that it opens something, one of each kind: all rows have the same. */
const openers = (page: Page) =>
  page.evaluate(() => {
    const kinds = new Map<string, string>()
    for (const e of document.querySelectorAll<HTMLElement>('button')) {
      const name = (e.getAttribute('aria-label') ?? e.textContent ?? '').trim().replace(/\s+/g, ' ')
      const opens = e.hasAttribute('aria-haspopup') || /…$/.test(name)
      if (!opens || !e.checkVisibility() || (e as HTMLButtonElement).disabled || e.getAttribute('aria-disabled') === 'true') continue
      const kind = name.split(/[ :]/).slice(0, 2).join(' ')
      if (!kinds.has(kind)) kinds.set(kind, name)
    }
    return [...kinds.values()]
  })

/** One page: once round with Tab, round its parts with F6, the help and Find, and into whatever opens and out again. */
async function walk(page: Page, route: string, frame: Set<string> | null, wrong: string[]): Promise<void> {
  await page.goto(`${route}${WORLD}`)
  await expect(page.getByRole('heading', { level: 1 }).first()).toBeAttached()
  await expect(page).toHaveTitle(/\S/)
  if ((await page.getByRole('heading', { level: 1 }).count()) !== 1) wrong.push(`${route}: not one first heading`)
  for (const { id, nodes } of await violations(page)) wrong.push(`${route}: ${id} ${nodes[0]}`)
  await round(page, route, wrong)
  const parts = new Set<string>()
  for (const { on } of await pressed(page, 'F6', 25)) {
    if (on === 'nothing') wrong.push(`${route}: F6 drops the keyboard`)
    parts.add(on)
  }
  if (parts.size < 2) wrong.push(`${route}: F6 goes nowhere`)
  for (const [key, title] of [
    ['Alt+l', 'Find'],
    ['Shift+?', 'Keyboard'],
  ] as const) {
    // A letter belongs to the field that is typed in.
    await page
      .getByRole('heading', { level: 1 })
      .first()
      .evaluate((h) => {
        h.setAttribute('tabindex', '-1')
        ;(h as HTMLElement).focus()
      })
    await page.keyboard.press(key)
    await expect(page.getByRole('dialog', { name: title }), `${key} on ${route}`).toBeVisible()
    await page.keyboard.press('Escape')
    await expect(page.getByRole('dialog')).toBeHidden()
  }
  for (const name of await openers(page)) {
    // What stands on every page is opened once, or not at all.
    const isFrame = await page.getByRole('banner').getByRole('button', { name, exact: true }).count()
    if (isFrame > 0 && (frame === null || frame.has(name))) continue
    if (isFrame > 0) frame?.add(name)
    await inAndOut(page, name, route, wrong)
  }
}

for (const [matter, routes] of Object.entries(ROUTES))
  test(`every page of ${matter} by keyboard: once round with Tab, round its parts with F6, the help and Find, and into whatever opens and out again`, async ({
    page,
  }) => {
    test.slow()
    await signInAsOwner(page, `${routes[0]}${WORLD}`)
    const wrong: string[] = []
    const frame = matter === 'calling' ? new Set<string>() : null
    for (const route of routes) await walk(page, route, frame, wrong)
    expect(wrong).toEqual([])
  })

test('the desk by keyboard, waiting and in a call: whatever opens on it and out again, and Tab goes round', async ({ page }) => {
  test.slow()
  await startShift(page)
  const wrong: string[] = []
  for (const name of await openers(page)) await inAndOut(page, name, 'not ready', wrong)
  await goReady(page)
  await round(page, 'ready', wrong)
  await ringMe(page)
  await round(page, 'ringing', wrong)
  await button(page, 'Answer').click()
  await expect(state(page)).toHaveText('On call')
  await round(page, 'on call', wrong)
  for (const name of await openers(page)) await inAndOut(page, name, 'on call', wrong)
  expect(wrong).toEqual([])
})
