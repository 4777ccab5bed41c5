// Every main view: no serious finding of axe-core, nothing to scroll sideways, and, with SCREENSHOTS=1, its picture.
import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import {
  anotherSeat,
  board,
  boardWords,
  button,
  endShift,
  goReady,
  goTo,
  hangUp,
  KESTER,
  nextAnswersAs,
  ownerTab,
  pastDaysThere,
  QUIET,
  quiet,
  ringMe,
  SUNNIVA,
  sendTo,
  signIn,
  signInAsOwner,
  signOut,
  startShift,
  state,
  takeCall,
  WITH_PAST,
} from './desk'
import { expect, fresh, type Page, test } from './warm'

/** A picture shows a desk that has been worked at. */
const PAST = process.env.SCREENSHOTS ? WITH_PAST : QUIET

const AXE = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8')

/** Without a name it is checked and not kept as a picture. */
async function look(page: Page, name: string | null): Promise<void> {
  // It comes once into each page, not once into each look.
  if (!(await page.evaluate(() => 'axe' in globalThis))) await page.evaluate(AXE)
  const findings = await page.evaluate(async () => {
    const { violations } = await (
      globalThis as unknown as { axe: { run(options: object): Promise<{ violations: { id: string; impact: string; nodes: { html: string }[] }[] }> } }
    ).axe.run({ resultTypes: ['violations'] })
    return violations
      .filter((v) => v.impact === 'serious' || v.impact === 'critical')
      .map((v) => `${v.id}: ${v.nodes.map((n) => n.html.slice(0, 160)).join(' | ')}`)
  })
  expect(findings, name ?? page.url()).toEqual([])
  expect(await page.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth), `${name} scrolls sideways`).toBe(true)
  if (process.env.SCREENSHOTS && name !== null) await page.screenshot({ path: `docs/screenshots/${name}.png` })
}

/** What goes on beside the one who looks, and costs the processor as much. */
async function setPace(page: Page, pace: 'Quiet' | 'Ordinary day'): Promise<void> {
  await button(page, 'Stand-ins').click()
  await page.getByRole('radio', { name: pace }).click()
  await page.keyboard.press('Escape')
}

test('every main view passes axe-core and fits', async ({ page }) => {
  test.slow()
  const owner = await page.context().newPage()
  await owner.goto(WITH_PAST)
  await expect(owner.getByRole('heading', { name: 'Sign in' })).toBeVisible()
  await look(owner, null)
  await signInAsOwner(owner, `/results${WITH_PAST.slice(1)}`)
  await pastDaysThere(owner)
  await owner.mouse.move(0, 0)
  await look(owner, 'results')
  await owner.getByRole('region', { name: 'Calls' }).getByRole('row').nth(4).click()
  await expect(owner.getByRole('region', { name: 'Events' }).getByRole('listitem').first()).toBeVisible()
  await look(owner, 'one-call')
  await owner.close()

  await signIn(page, undefined, undefined, WITH_PAST)
  await look(page, null)
  await button(page, 'Check sound').click()
  await expect(page.getByRole('region', { name: 'Sound' }).getByRole('alert')).toBeVisible()
  await look(page, null)
  await button(page, 'Start shift').click()
  await button(page, 'Stand-ins').click()
  await look(page, null)
  await page.keyboard.press('Escape')
  await expect(page.getByText('Nobody is on shift but you.')).toBeVisible()

  await goReady(page)
  await ringMe(page, { caller: 'Aldous Quayle-Storr' })
  await expect(page.getByRole('region', { name: 'Record' }).getByRole('listitem').first()).toBeVisible()
  await look(page, 'desk-ringing')
  await button(page, 'Answer').click()
  await page.getByRole('radio', { name: 'The person who booked' }).click()
  await button(page, 'Next page').click()
  await page.getByRole('radio', { name: 'Change a booking' }).click()
  await button(page, 'Next page').click()
  await page.getByLabel('Booking reference').fill('FL-204816')
  await page.getByLabel('Notes').fill('Wants the Saturday boat instead, same car.')
  await expect(page.getByRole('log', { name: 'What the caller says' })).toBeVisible()
  await look(page, 'desk-in-call')
  await button(page, 'Hold').click()
  await expect(board(page).getByText('hears music')).toBeVisible()
  await look(page, null)
  await button(page, 'Retrieve').click()
  await page.getByRole('button', { name: /^Pages/ }).click()
  await page.getByRole('menuitem', { name: /^What brings them/ }).click()
  await page.getByRole('radio', { name: 'Give up a booking' }).click()
  await expect(page.getByRole('radio', { name: 'Give up a booking' })).toBeChecked()
  await button(page, 'Next page').click()
  await expect(page.getByRole('group', { name: 'Terms of giving up' })).toBeVisible()
  await look(page, null)
  await hangUp(page)
  await expect(state(page)).toHaveText('Wrap-up')
  await page.keyboard.press('Alt+1')
  await look(page, null)
})

/** Two colleagues at desks of their own, one away with a note and covered, the other not to be disturbed. */
async function withNote(page: Page): Promise<Page> {
  const kester = await anotherSeat(page, KESTER, false)
  await button(kester, `${KESTER.name}, your settings`).click()
  await kester.getByLabel('Note').fill('At the dentist')
  await kester.getByLabel('Ends at').fill('23:59')
  await kester.getByLabel('Covered by').selectOption({ label: SUNNIVA.name })
  await button(kester, 'Set note').click()
  await look(kester, null)
  const sunniva = await anotherSeat(page, SUNNIVA, false)
  await button(sunniva, `${SUNNIVA.name}, your settings`).click()
  await sunniva.getByRole('checkbox', { name: 'Do not disturb' }).click()
  await expect(sunniva.getByRole('checkbox', { name: 'Do not disturb' })).toBeChecked()
  await button(sunniva, 'To my voicemail').click()
  await expect(page.getByRole('region', { name: 'People' })).toContainText('diverted to voicemail')
  await page.bringToFront()
  return kester
}

test('everybody’s states pass axe-core and fit', async ({ page }) => {
  test.slow()
  await startShift(page, undefined, undefined, WITH_PAST)
  await setPace(page, 'Ordinary day')
  const people = page.getByRole('region', { name: 'People' })
  const kester = await withNote(page)
  await expect(people.getByText('Ready').nth(3)).toBeVisible()
  for (const [queue, caller] of [
    ['Sailings', 'Ottoline Fjelding'],
    ['Freight', 'Perrin Arncliffe'],
    ['Assistance', 'Tegan Brackenhythe'],
  ] as const)
    await ringMe(page, { queue, caller, into: 'queue' })
  await expect(people.getByText('On call').nth(2)).toBeVisible({ timeout: 30_000 })
  await look(page, 'desk-waiting')
  const owner = await page.context().newPage()
  await signInAsOwner(owner, `/floor${WITH_PAST.slice(1)}`)
  await expect(owner.getByRole('table', { name: 'Agents' }).getByText('On call').nth(2)).toBeVisible()
  await expect(owner.getByRole('table', { name: 'Queues' })).toContainText('%')
  await look(owner, 'floor')
  await owner.close()
  await setPace(page, 'Quiet')

  await button(page, 'Call Kester Oddersey').click()
  await expect(state(kester)).toHaveText('Ringing')
  await kester.keyboard.press('Alt+X')
  await expect(board(page)).toContainText('refused', { timeout: 8_000 })
  await board(page).getByRole('button', { name: 'Ask first: Kester Oddersey' }).click()
  await look(page, null)
  await button(page, 'Send').click()
  await expect(page.getByRole('region', { name: 'You asked Kester Oddersey' })).toBeVisible()
  await look(page, null)
  await button(page, 'Hang up').click()

  await goTo(page, 'People')
  await page
    .getByRole('listbox', { name: 'People' })
    .getByRole('option', { name: /^Bridge, Sea Lavender/ })
    .click()
  await look(page, 'people')
  await page.getByRole('link', { name: 'Log of calls' }).click()
  await page.getByRole('listbox', { name: 'Calls' }).getByRole('option').nth(2).click({ timeout: 30_000 })
  await look(page, 'log')
  await page.getByRole('link', { name: 'Voicemail' }).click()
  await page.getByRole('listbox', { name: 'Messages' }).getByRole('option').first().click()
  await expect(page.getByRole('img', { name: 'The sound of the recording over time' })).toBeVisible()
  await look(page, 'voicemail')
  await button(page, 'Greeting…').click()
  await look(page, null)
  await page.keyboard.press('Escape')
  await page.getByRole('link', { name: 'Conferences' }).click()
  await button(page, 'Arrange a conference').click()
  await look(page, null)
  await page.keyboard.press('Escape')
  await page.setViewportSize({ width: 640, height: 800 })
  await look(page, null)
  await page.setViewportSize({ width: 1280, height: 800 })
})

fresh('readiness and set-up pass axe-core and fit', async ({ page, context }) => {
  await context.clock.install()
  await startShift(page)
  await goReady(page)
  await button(page, 'Go not ready').click()
  await page.getByRole('menuitem', { name: /^Break/ }).click()
  await button(page, 'Eluned Tarnow, your settings').click()
  await button(page, 'To my voicemail').click()
  await page.keyboard.press('Escape')
  await page.mouse.click(400, 700)
  await context.clock.fastForward(17 * 60_000 + 12_000)
  await expect(page.getByText(/^over by 2:1\d$/)).toBeVisible()
  await look(page, null)
  await button(page, 'Sound').click()
  await look(page, null)
  await page.keyboard.press('Escape')
  await endShift(page)
  await signOut(page, 'Eluned Tarnow')
  await signInAsOwner(page, '/set-up')
  await button(page, 'Switch to storm: Disruption').click()
  await expect(page.getByText('Disruption is switched to storm.')).toBeVisible()
  await look(page, 'set-up')
  await button(page, 'Edit Disruption').click()
  await look(page, null)
  await page.keyboard.press('Escape')
  await button(page, 'Edit Eluned Tarnow').click()
  await look(page, null)
  await page.keyboard.press('Escape')
  await button(page, 'Edit reasons, skills and times').click()
  await look(page, null)
  // A handset belongs to who is signed in at its desk.
  for (const path of ['/handset', '/phone']) {
    await page.goto(`${path}?agent=agent_linnea-wickerby`)
    await expect(page.getByText('of Linnea Wickerby')).toBeVisible()
    await look(page, null)
  }
})

fresh('scripts, outcomes and callbacks pass axe-core and fit', async ({ page, context }) => {
  test.slow()
  await context.clock.install()
  await takeCall(page)
  await page.getByRole('radio', { name: 'The person is not there' }).click()
  await button(page, 'Next page').click()
  await expect(page.getByText('suggested: “Not there” speaks for it')).toBeVisible()
  await page.mouse.move(640, 600)
  await look(page, null)
  await page.keyboard.press('Alt+5')
  await button(page, 'Tomorrow 09:00').click()
  await page.getByLabel('Notes').fill('Her mother travels; home from the school run by nine.')
  await look(page, null)
  await hangUp(page)
  await expect(state(page)).toHaveText('Wrap-up')
  await context.clock.fastForward(75_000)
  await expect(page.getByText(/over by 0:[23]\d/)).toBeVisible()
  await look(page, null)
  await button(page, 'Save outcome').click()
  await expect(state(page)).toHaveText('Ready')
  await nextAnswersAs(page, 'Busy')
  await page.getByRole('combobox', { name: 'Dial line' }).fill('01632 960 112')
  await page.keyboard.press('Enter')
  await expect(board(page).getByText('is busy')).toBeVisible()
  await button(page, 'Hang up').click()
  await page.keyboard.press('Alt+4')
  await button(page, 'Save outcome').click()
  await ringMe(page, { caller: 'Tegan Brackenhythe' })
  await button(page, 'Answer').click()
  await expect(state(page)).toHaveText('On call')
  await page.keyboard.press('Alt+6')
  await page.getByLabel('Notes').fill('The port must say whether the horse box fits on deck two.')
  await look(page, null)
  await button(page, 'Save outcome').click()
  await page.getByRole('link', { name: 'Callbacks' }).click()
  await page.getByRole('button', { name: /^Everybody’s/ }).click()
  await expect(page.getByRole('row', { name: /try 1 of 5/ })).toBeVisible()
  await look(page, 'callbacks')

  await page.goto(quiet('/do-not-call'))
  await expect(page.getByRole('heading', { name: 'Do-not-call list' })).toBeVisible()
  await look(page, null)
  await page.context().clock.resume()
  const author = await ownerTab(page, '/scripts')
  await expect(author.getByRole('row', { name: /Change of booking/ })).toBeVisible()
  await look(author, null)
  await author.goto(quiet('/scripts/script_sailings'))
  await author.getByRole('button', { name: /^Giving up a booking/ }).click()
  await author.mouse.move(640, 100)
  await look(author, 'author')
  await author.getByRole('button', { name: 'Confirm', exact: true }).click()
  await button(author, 'Take out way 1').click()
  await author.getByRole('textbox', { name: 'Paragraph 1' }).fill('So that is {answers.newSailling|the new sailing}. Is that right?')
  await expect(author.getByRole('region', { name: 'Findings' })).toContainText('newSailling')
  await author.getByRole('region', { name: 'Findings' }).getByRole('listitem').last().scrollIntoViewIfNeeded()
  await look(author, null)
  await author.goto(quiet('/outcomes'))
  await expect(author.getByRole('heading', { name: 'Outcomes' })).toBeVisible()
  await look(author, null)
})

test('the board with several lines and parties passes axe-core and fits', async ({ page }) => {
  test.slow()
  // A plain window can be looked at here; one above others cannot.
  await page.addInitScript(() => Reflect.deleteProperty(window, 'documentPictureInPicture'))
  await takeCall(page, { caller: 'Tegan Brackenhythe' }, PAST)
  await page.getByRole('radio', { name: 'The person who booked' }).click()
  const opening = page.context().waitForEvent('page')
  await button(page, 'Small window').click()
  const small = await opening
  await expect(board(small)).toContainText('Tegan Brackenhythe')
  await look(small, 'small-window')
  await small.close()
  const kester = await anotherSeat(page, KESTER)
  await page.bringToFront()
  await button(page, 'Transfer').click()
  await expect(page.getByLabel('Who or what number')).toBeFocused()
  await look(page, null)
  await page.getByLabel('Who or what number').fill('Kester Odd')
  await button(page, 'Blind transfer').hover()
  await expect(page.getByRole('status', { name: 'What would happen' })).toContainText('it rings at Kester Oddersey; you leave')
  await look(page, null)
  await page.getByLabel('Who or what number').press('Escape')
  await sendTo(page, 'Transfer', 'Kester Oddersey', 'Consult')
  await button(kester, 'Answer').click()
  await expect(boardWords(page)).toContainText('You are talking with Kester Oddersey.')
  await page.mouse.move(640, 600)
  await look(page, null)
  await button(page, 'Conference').click()
  await sendTo(page, 'Conference', 'Port office', 'Add now')
  await expect(board(page)).toContainText('Press 1 for berths', { timeout: 15_000 })
  await page.mouse.move(640, 600)
  await look(page, 'conference')
  await button(page, 'Remove Port office, Arnmoor').click()
  await expect(button(page, 'Undo')).toBeVisible()
  await look(page, null)
  await expect(board(page).getByText('Port office, Arnmoor', { exact: true })).toBeHidden({ timeout: 8_000 })
  await button(kester, 'Leave conference').click()
  await expect(state(kester)).not.toHaveText('On call', { timeout: 8_000 })
  await button(page, 'Park').click()
  await expect(page.getByRole('region', { name: 'Parked' })).toContainText('Tegan Brackenhythe')
  await page.keyboard.press('Alt+4')
  await look(page, null)
})

test('the desk of a campaign agent passes axe-core and fits', async ({ page }) => {
  test.slow()
  const owner = await page.context().newPage()
  await signInAsOwner(owner, quiet('/campaigns'))
  await signIn(page)
  await page.getByRole('radio', { name: 'Winter timetable' }).check()
  await look(page, 'start-of-shift')
  await button(page, 'Start shift').click()
  const reach = async (whom: string) => {
    await button(page, 'Stand-ins').click()
    await page.getByRole('dialog', { name: 'Stand-ins' }).getByLabel('Campaigns reach').selectOption({ label: whom })
    await page.keyboard.press('Escape')
  }
  await reach('Nobody')
  await goReady(page)
  await expect(page.getByRole('status', { name: 'The dialer' })).toContainText('rings for you')
  await look(page, null)
  await reach('People, at once')
  await expect(state(page)).toHaveText('On call', { timeout: 60_000 })
  await expect(page.getByRole('log', { name: /^What/ })).toBeVisible()
  await page.keyboard.press('Alt+5')
  await expect(page.getByRole('group', { name: 'Not there until' })).toBeVisible()
  await look(page, null)
  await page.keyboard.press('Alt+1')
  await look(page, 'campaign-put-through')
  await owner.getByRole('link', { name: 'Winter timetable' }).click()
  await button(owner, 'Edit campaign').click()
  await look(owner, null)
  await owner.getByLabel('Manner').selectOption({ label: 'Preview: you see each record before it is called' })
  await button(owner, 'Save campaign').click()
  await expect(owner.getByRole('dialog')).toBeHidden()
  await page.keyboard.press('Alt+Q')
  await page.keyboard.press('Alt+Enter')
  await expect(page.getByRole('region', { name: 'Record to call' })).toBeVisible({ timeout: 30_000 })
  await look(page, null)
})

test('campaigns and what came of them pass axe-core and fit', async ({ page }) => {
  test.slow()
  await signInAsOwner(page, `/campaigns${WITH_PAST.slice(1)}`)
  await setPace(page, 'Ordinary day')
  await look(page, null)
  await page.getByRole('link', { name: 'Island Pass renewal' }).click()
  await expect(page.getByText(/over 30 days/i)).toBeVisible()
  await expect(page.getByText('Half of them are there within')).toBeVisible({ timeout: 30_000 })
  await expect(page.getByRole('button', { name: /^Done/ })).toContainText(/\d{3}/, { timeout: 60_000 })
  // A picture shows more of a campaign that has been called for a while.
  if (process.env.SCREENSHOTS) await expect(page.getByRole('region', { name: 'Now' }).locator('dd').nth(6)).toHaveText(/^\d\d/, { timeout: 150_000 })
  await look(page, 'campaign-live')
  await setPace(page, 'Quiet')
  await button(page, 'Import a list…').click()
  await page
    .getByLabel('List file')
    .setInputFiles({ name: 'passes.csv', mimeType: 'text/csv', buffer: Buffer.from('Key,Name,Phone,Pass\nIP-1,Ida Holm,01632 960140,Oskerry only\n') })
  await expect(page.getByRole('combobox', { name: 'Phone stands for' })).toHaveValue('number')
  await look(page, null)
  await page.keyboard.press('Escape')
  await page.getByRole('link', { name: 'What if' }).click()
  await expect(page.getByRole('heading', { name: 'What if' })).toBeVisible()
  await page.getByLabel('Agents').fill('6')
  await page.getByLabel('Hours').fill('2')
  await page.getByLabel('Shifts played').fill('4')
  await button(page, 'Play the shift').click()
  await expect(button(page, 'Stop')).toBeHidden({ timeout: 90_000 })
  await expect(
    page
      .getByRole('row', { name: /^Connected People/ })
      .getByRole('cell')
      .nth(2),
  ).toHaveText(/\d+ to \d+/)
  await look(page, 'what-if')
  await goTo(page, 'Results')
  await page.getByRole('navigation', { name: 'Results of' }).getByRole('link', { name: 'Campaigns' }).click()
  await expect(page.locator('[data-figure="Attempts"]')).toHaveText(/\d,\d{3}/)
  await look(page, 'campaign-results')
})
