// What a person does at a desk, as the tests say it: by roles and names only.
import { expect, type Locator, type Page } from '@playwright/test'

/** A floor that opens in this browser context is quiet, its people the same every time, and nothing happened before today. */
export const QUIET = '/?world=quiet&seed=7&days=0'

/** The same with the five past days of the demo. */
export const WITH_PAST = '/?world=quiet&seed=7'

export interface Caller {
  /** Somebody whose telephone number is somebody else's as well. */
  readonly sharesNumber?: boolean
  readonly queue?: string
  /** Rings at this desk, or at whoever is longest ready. */
  readonly into?: 'desk' | 'queue'
  /** Begins with the name, as offered. */
  readonly caller?: string
  readonly patience?: string
  readonly stays?: string
}

/** A path in the quiet world: the default one, with its past days to simulate, is for the tests that are about it. */
export const quiet = (path: string): string => (path.includes('?') ? path : `${path}${QUIET.slice(1)}`)

/** The first steps are for somebody new: tests of anything else begin with them behind. */
async function withoutTour(page: Page): Promise<void> {
  await page.addInitScript(() => localStorage.setItem('setting tour seen', 'yes'))
}

export async function signIn(page: Page, name = 'Eluned Tarnow', pin = '2417', address = QUIET): Promise<void> {
  await withoutTour(page)
  await page.goto(quiet(address))
  await page.getByLabel('Name', { exact: true }).selectOption({ label: name })
  await page.getByLabel('PIN').fill(pin)
  await button(page, 'Sign in').click()
  await expect(page.getByRole('navigation', { name: 'Places' })).toBeVisible()
}

export const LINNEA = { name: 'Linnea Wickerby', pin: '1290' }

/** Signs in as the owner of the set-up, who is a supervisor as well. */
export const signInAsOwner = (page: Page, address = QUIET): Promise<void> => signIn(page, LINNEA.name, LINNEA.pin, address)

/** The tab is loaded anew by it: whoever goes on before that goes nowhere. */
export async function signOut(page: Page, name: string): Promise<void> {
  await button(page, `${name}, your settings`).click()
  const loaded = page.waitForEvent('load')
  await button(page, 'Sign out').click()
  await loaded
}

export async function startShift(page: Page, name = 'Eluned Tarnow', pin = '2417', address = QUIET): Promise<void> {
  await signIn(page, name, pin, address)
  await button(page, 'Start shift').click()
  await expect(state(page)).toHaveText('Not ready · Just signed in')
}

/** To a place or a page under it, without leaving the desk's tab. */
export async function goTo(page: Page, place: 'Desk' | 'People' | 'Callbacks' | 'Campaigns' | 'Results' | 'Set-up'): Promise<void> {
  await page.getByRole('navigation', { name: 'Places' }).getByRole('link', { name: place }).click()
}

export async function goReady(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Go ready' }).click()
  await expect(state(page)).toHaveText(/^(Ready|Ringing)$/)
  // What was left overnight with a queue is offered first, on days on which something was: it is put away and coded.
  while ((await state(page).textContent()) === 'Ringing') {
    await expect(boardWords(page)).toContainText('A message from')
    await page.keyboard.press('Alt+a')
    await button(page, 'Put it away').click()
    await expect(state(page)).toHaveText('Wrap-up')
    await page.keyboard.press('Alt+4')
    await page.keyboard.press('Alt+Enter')
    await expect(state(page)).toHaveText(/^(Ready|Ringing)$/)
  }
}

export const state = (page: Page): Locator => page.getByRole('status', { name: 'Your state' })
export const board = (page: Page): Locator => page.getByRole('region', { name: 'Board' })
export const boardWords = (page: Page): Locator => page.getByRole('status', { name: 'Board in words' })
export const button = (page: Page, name: string): Locator => page.getByRole('button', { name, exact: true })

export async function ringMe(
  page: Page,
  { queue = 'Sailings', caller = 'Ottoline Fjelding', patience, stays, sharesNumber = false, into = 'desk' }: Caller = {},
): Promise<void> {
  await button(page, 'Stand-ins').click()
  const panel = page.getByRole('dialog', { name: 'Stand-ins' })
  await panel.getByLabel('Queue').selectOption(queue)
  // The fifteenth of the records shares the number of the fourteenth.
  const options = panel.getByLabel('Caller', { exact: true }).locator('option')
  const option = sharesNumber ? options.nth(15) : options.filter({ hasText: caller })
  await panel.getByLabel('Caller', { exact: true }).selectOption((await option.first().getAttribute('value')) ?? '')
  if (patience !== undefined) await panel.getByLabel('Patience').selectOption({ label: patience })
  if (stays !== undefined) await panel.getByLabel('Stays').selectOption({ label: stays })
  await panel.getByRole('button', { name: into === 'queue' ? 'A caller into the queue' : 'Ring me' }).click()
  await expect(panel).toBeHidden()
}

/** On shift, ready, and talking with a caller. */
export async function takeCall(page: Page, caller: Caller = {}, address = QUIET): Promise<void> {
  await startShift(page, undefined, undefined, address)
  await goReady(page)
  await ringMe(page, caller)
  await button(page, 'Answer').click()
  await expect(state(page)).toHaveText('On call')
}

/** Today's results of everybody, in a tab of a supervisor's. */
export async function resultsOfAll(page: Page): Promise<Page> {
  const tab = await page.context().newPage()
  await signInAsOwner(tab)
  await goTo(tab, 'Results')
  await button(tab, 'Today').click()
  return tab
}

/** Past days have come in, so that figures no longer change by themselves. */
export async function pastDaysThere(page: Page): Promise<void> {
  await expect(page.getByRole('region', { name: 'Calls' }).getByRole('row').nth(5)).toBeVisible({ timeout: 60_000 })
  await expect(page.getByText('Past days are being simulated')).toBeHidden({ timeout: 60_000 })
}

export const KESTER = { name: 'Kester Oddersey', pin: '3108' }
export const SUNNIVA = { name: 'Sunniva Merrowby', pin: '5526' }

/** Another seat of the same floor, in a tab of its own. */
export async function anotherSeat(page: Page, { name, pin }: typeof KESTER, ready = true): Promise<Page> {
  const tab = await page.context().newPage()
  await startShift(tab, name, pin)
  if (ready) await goReady(tab)
  return tab
}

/** Opens the picker of the line in front, finds somebody and takes a verb. */
export async function sendTo(page: Page, opens: 'Transfer' | 'Conference' | 'Divert', whom: string, verb: string): Promise<void> {
  await button(page, opens).click()
  await page.getByLabel('Who or what number').fill(whom)
  await expect(page.getByRole('listbox', { name: 'Where to' }).getByRole('option').first()).toContainText(whom)
  await page.getByRole('region', { name: opens, exact: true }).getByRole('button', { name: verb, exact: true }).click()
  await expect(page.getByLabel('Who or what number')).toBeHidden()
}

/** The stand-ins answer the next number that is dialled so. */
export async function nextAnswersAs(page: Page, as: string): Promise<void> {
  await button(page, 'Stand-ins').click()
  await page.getByLabel('Next call answers as').selectOption({ label: as })
  await expect(page.getByText('The next number you dial answers so.')).toBeVisible()
  await page.keyboard.press('Escape')
}

/** Opens the window that plays a device of the agent's. */
export async function openDevice(page: Page, opener: 'Open the desk handset' | 'Open my phone'): Promise<Page> {
  const opening = page.waitForEvent('popup')
  await button(page, opener).click()
  const device = await opening
  await expect(device.getByText(/^of /)).toBeVisible()
  return device
}

/** The end of the shift stands in a menu, beside nothing that is pressed every minute. */
export async function endShift(page: Page): Promise<void> {
  await button(page, 'Shift').click()
  await page.getByRole('menuitem', { name: 'End shift' }).click()
}

/** What is pressed twice within 300 ms was pressed once: whoever means another press has seen what came of the first. */
export async function anotherPress(page: Page): Promise<void> {
  const fromMs = await page.evaluate(() => performance.now())
  await page.waitForFunction((sinceMs) => performance.now() - sinceMs > 300, fromMs)
}

/** Hangs up without waiting for the grace. */
export async function hangUp(page: Page): Promise<void> {
  // While it still rings the key means nothing.
  await expect(state(page)).toHaveText('On call')
  await page.keyboard.press('Alt+q')
  await button(page, 'End now').click()
  await expect(button(page, 'Undo')).toBeHidden()
}

/** What of the set-up is changed is changed in a tab of its own, by its owner. */
export async function ownerTab(page: Page, path: string): Promise<Page> {
  const tab = await page.context().newPage()
  await signInAsOwner(tab, `${path}?world=quiet&seed=7&days=0`)
  return tab
}

export const putIntoUse = async (tab: Page): Promise<void> => {
  await button(tab, 'Put into use').click()
  await expect(tab.getByText('The set-up is in use on the floor.')).toBeVisible()
}

/** Somebody writes, offered at this desk or into the queue. */
export async function writeMe(
  page: Page,
  channel: 'Chat' | 'Mail' | 'Text',
  caller: string,
  { patience, into = 'desk' }: { patience?: string; into?: 'desk' | 'queue' } = {},
): Promise<void> {
  await button(page, 'Stand-ins').click()
  const panel = page.getByRole('dialog', { name: 'Stand-ins' })
  await panel.getByLabel('Queue').selectOption('Sailings')
  const option = panel.getByLabel('Caller', { exact: true }).locator('option').filter({ hasText: caller }).first()
  await panel.getByLabel('Caller', { exact: true }).selectOption((await option.getAttribute('value')) ?? '')
  if (patience !== undefined) await panel.getByLabel('Patience').selectOption({ label: patience })
  await panel.getByLabel('Or writes a').selectOption({ label: channel })
  await button(page, into === 'desk' ? 'Write to me' : 'Write to the queue').click()
  await expect(panel).toBeHidden()
  if (into === 'desk') await expect(page.getByRole('alert', { name: `${channel} from ${caller}` })).toBeVisible()
}

export const WINTER = 'Winter timetable'

/** On shift with a campaign, and not ready yet. */
export async function startCampaign(page: Page, campaign = WINTER, who: Partial<typeof KESTER> = {}): Promise<void> {
  await signIn(page, who.name, who.pin)
  await page.getByRole('radio', { name: campaign }).check()
  await button(page, 'Start shift').click()
  await expect(state(page)).toHaveText('Not ready · Just signed in')
}

/** Everybody of a list answers so, and at once. */
export async function reaches(page: Page, whom: string): Promise<void> {
  await button(page, 'Stand-ins').click()
  const panel = page.getByRole('dialog', { name: 'Stand-ins' })
  await panel.getByLabel('Campaigns reach').selectOption({ label: whom })
  await page.keyboard.press('Escape')
  await expect(panel).toBeHidden()
}
