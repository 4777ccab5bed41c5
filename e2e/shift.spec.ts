// The shift from its start to its end: choosing work, states and what follows a call, the seat that moves, what others see.

import { anotherSeat, board, boardWords, button, endShift, goReady, hangUp, KESTER, ringMe, SUNNIVA, sendTo, signIn, startShift, state, takeCall } from './desk'
import { expect, fresh, type Page, test } from './warm'

const saveAs = async (page: Page, code: string) => {
  await page.getByRole('radio', { name: code }).check({ force: true })
  await button(page, 'Save outcome').click()
}
const chooseReason = async (page: Page, opener: string, reason: string) => {
  await button(page, opener).click()
  await page.getByRole('menuitem', { name: new RegExp(`^${reason}`) }).click()
}

test('what the account may not serve is listed with the reason; the last choice is offered again', async ({ page }) => {
  await signIn(page, KESTER.name, KESTER.pin)
  const queues = page.getByRole('group', { name: 'Queues' })
  await expect(queues.getByRole('checkbox', { name: 'Freight' })).toBeDisabled()
  await expect(queues.getByRole('listitem').filter({ hasText: 'Freight' })).toContainText('Not on your account. Linnea Wickerby can add it in Set-up.')
  await queues.getByRole('checkbox', { name: 'Assistance' }).uncheck()
  await button(page, 'Start shift').click()
  await expect(state(page)).toHaveText('Not ready · Just signed in')
  await endShift(page)
  await expect(queues.getByRole('checkbox', { name: 'Sailings' })).toBeChecked()
  await expect(queues.getByRole('checkbox', { name: 'Assistance' })).not.toBeChecked()
})

test('a seat moves to another tab with its call; the tab that had it says so, also after a reload', async ({ page, context }) => {
  await takeCall(page)
  const other = await context.newPage()
  await signIn(other)
  await expect(other.getByRole('heading', { name: 'Your shift is at another tab' })).toBeVisible()
  await button(other, 'Move seat here').click()
  await expect(state(other)).toHaveText('On call')
  await expect(boardWords(other)).toHaveText('You are talking with Ottoline Fjelding.')
  await expect(page.getByText('Your seat has been in another tab since')).toBeVisible()
  await page.reload()
  await expect(page.getByRole('heading', { name: 'Your shift is at another tab' })).toBeVisible()
  await expect(state(other)).toHaveText('On call')
})

fresh('over the planned time: said by how much, and the shift adds it up', async ({ page, context }) => {
  await context.clock.install()
  await startShift(page)
  await goReady(page)
  await chooseReason(page, 'Go not ready', 'Team talk')
  await expect(state(page)).toHaveText('Not ready · Team talk')
  await expect(page.getByText('of 10:00, paid')).toBeVisible()
  await context.clock.fastForward(10 * 60_000 + 30_000)
  await expect(page.getByText(/^over by 0:3\d$/)).toBeVisible()
  await expect(page.getByLabel('Time today')).toContainText(/Not ready · Team talk\s*10:3\d/)
})

test('an agent alone: keys that stay where they are typed, a call declined and called again, not ready after a call, no end with anything open', async ({
  page,
}) => {
  test.slow()
  await startShift(page)
  await goReady(page)
  await test.step('keys that are typed while a call begins to ring stay in the field they were typed in', async () => {
    const field = page.getByLabel('Dial line')
    await ringMe(page, { patience: 'Waits as long as it takes' })
    await field.focus()
    await page.keyboard.type('asdxh', { delay: 60 })
    await expect(state(page)).toHaveText('Ringing')
    await expect(field).toHaveValue('asdxh')
    await expect(field).toBeFocused()
    await field.fill('')
  })
  await test.step('a declined call goes back to its place when nobody else is there, and rings again once I am ready anew', async () => {
    await button(page, 'Decline').click()
    await expect(state(page)).toHaveText('Ready', { timeout: 8_000 })
    await expect(page.getByText(/1 waiting, longest/).first()).toBeVisible()
    await chooseReason(page, 'Go not ready', 'Break')
    await button(page, 'Go ready').click()
    await expect(state(page)).toHaveText('Ringing')
    await button(page, 'To voicemail').click()
    await expect(state(page)).not.toHaveText('Ringing')
  })
  await test.step('the caller is one of several of that number: the name leads from then on', async () => {
    await ringMe(page, { sharesNumber: true })
    await expect(state(page)).toHaveText('Ringing')
    const who = page.getByRole('region', { name: 'Who is calling' })
    await expect(who).toContainText('This number belongs to 2 people. Who is it?')
    const choice = who.getByRole('list').first().getByRole('button').first()
    const name = ((await choice.textContent())?.match(/^\S+ \S+/) ?? [''])[0]
    await button(page, 'Answer').click()
    await choice.click()
    await expect(page.getByRole('region', { name: 'Record' }).getByRole('heading', { level: 2 })).toContainText(name)
    await expect(board(page)).toContainText(name)
    await expect(who).toBeHidden()
  })
  await test.step('not ready after this call: asked for in the call, taken back, asked for again, and carried out with the outcome', async () => {
    await chooseReason(page, 'Not ready after this call', 'Lunch')
    await expect(page.getByText('then lunch')).toBeVisible()
    await expect(state(page)).toHaveText('On call')
    await button(page, 'Ready after this call').click()
    await chooseReason(page, 'Not ready after this call', 'Break')
    await button(page, 'Hang up').click()
    await saveAs(page, 'Information given')
    await expect(state(page)).toHaveText('Not ready · Break')
  })
  await test.step('no end of shift with a call or an owed outcome: it says what is left to do', async () => {
    await goReady(page)
    await ringMe(page)
    await button(page, 'Answer').click()
    await expect(state(page)).toHaveText('On call')
    await endShift(page)
    await expect(board(page).getByRole('alert')).toHaveText('Your call with Ottoline Fjelding is still under way. Finish it or hang up first.')
    await hangUp(page)
    await expect(state(page)).toHaveText('Wrap-up')
    await endShift(page)
    await expect(board(page).getByRole('alert')).toHaveText('The call with Ottoline Fjelding still needs an outcome. Choose an outcome and save it.')
    await saveAs(page, 'Information given')
    await expect(state(page)).toHaveText('Ready')
    await endShift(page)
    await expect(page.getByRole('heading', { name: 'Start your shift' })).toBeVisible()
  })
})

test('a colleague who is not simply there: a note and who covers, a diversion followed, do not disturb', async ({ page }) => {
  test.slow()
  await startShift(page)
  const kester = await anotherSeat(page, KESTER, false)
  await anotherSeat(page, SUNNIVA, false)
  await button(kester, 'Kester Oddersey, your settings').click()
  const presence = kester.getByRole('dialog', { name: 'You' })
  await button(kester, 'Set note').click()
  await expect(presence.getByRole('alert')).toHaveText('The note is empty. Type a few words, such as “Back at two”.')
  await presence.getByLabel('Note').fill('At the dentist')
  await presence.getByLabel('Ends at').fill('23:59')
  await presence.getByLabel('Covered by').selectOption({ label: 'Sunniva Merrowby' })
  await button(kester, 'Set note').click()
  await expect(presence).toContainText('Stands until 23:59.')
  const people = page.getByRole('region', { name: 'People' })
  await expect(people.getByRole('listitem').filter({ hasText: 'Kester Oddersey' }).first()).toContainText('“At the dentist” until 23:59')
  // With a caller on the line the cover is whom the picker offers next.
  await goReady(page)
  await ringMe(page)
  await button(page, 'Answer').click()
  await button(page, 'Transfer').click()
  await page.getByLabel('Who or what number').fill('Kester')
  const options = page.getByRole('listbox', { name: 'Where to' }).getByRole('option')
  await expect(options.nth(0)).toContainText('“At the dentist”')
  await expect(options.nth(1)).toContainText('Sunniva Merrowby')
  await expect(options.nth(1)).toContainText('Covers for Kester Oddersey')
  await button(kester, 'Clear note').click()
  await expect(options.nth(0)).not.toContainText('dentist')

  // A diversion: seen by the others and followed, in the bar for as long as it lasts, and off with one press.
  await presence.getByLabel('To a number').fill('1632')
  await button(kester, 'Divert').click()
  await expect(presence.getByRole('alert')).toContainText('too short')
  await presence.getByLabel('To a number').fill('01632 960901')
  await button(kester, 'Divert').click()
  await kester.keyboard.press('Escape')
  const bar = kester.getByRole('region', { name: 'Diversion' })
  await expect(bar).toContainText('Your own calls go to +44 1632 960901.')
  await page.keyboard.press('Escape')
  await sendTo(page, 'Transfer', 'Kester Oddersey', 'Consult')
  await expect(boardWords(page)).toContainText('It rings at Kester Oddersey')
  await expect(state(kester)).toHaveText('Not ready · Just signed in')
  await button(page, 'End consult').click()
  await bar.getByRole('button', { name: 'End diversion' }).click()
  await expect(bar).toBeHidden()
  // The number is offered again.
  await button(kester, 'Kester Oddersey, your settings').click()
  await expect(button(kester, '+44 1632 960901')).toBeVisible()
  // To a colleague, by their extension: it rings at theirs; to whoever asks it is refused in words.
  await presence.getByLabel('To a number').fill('501')
  await button(kester, 'Divert').click()
  await expect(bar).toContainText('Your own calls go to Eluned Tarnow.')
  if (process.env.PICTURE) await kester.screenshot({ path: '/tmp/diverted.png' })
  await presence.getByRole('button', { name: 'End diversion' }).click()
  if (process.env.PICTURE) await kester.screenshot({ path: '/tmp/divert.png' })
  await presence.getByLabel('To a colleague').selectOption({ label: 'Eluned Tarnow · On call' })
  await presence.getByRole('button', { name: 'Divert to them' }).click()
  await expect(bar).toContainText('Your own calls go to Eluned Tarnow.')
  await button(page, 'Transfer').click()
  await page.getByLabel('Who or what number').fill('502')
  const desk = page.getByRole('listbox', { name: 'Where to' }).getByRole('option')
  await expect(desk).toHaveText([/Kester Oddersey.*Colleague · 502.*diverted to Eluned Tarnow/])
  if (process.env.PICTURE) await page.screenshot({ path: '/tmp/desk202.png' })
  await page.getByRole('button', { name: 'Consult', exact: true }).click()
  await expect(page.getByText('Calls for Kester Oddersey go to you.')).toBeVisible()
  await page.keyboard.press('Escape')
  await presence.getByRole('button', { name: 'End diversion' }).click()

  // Do not disturb: a consult says why not, a colleague’s transfer goes to voicemail.
  await kester.getByRole('checkbox', { name: 'Do not disturb' }).click()
  await expect(kester.getByRole('checkbox', { name: 'Do not disturb' })).toBeChecked()
  await button(page, 'Transfer').click()
  await page.getByLabel('Who or what number').fill('Kester')
  await expect(page.getByRole('listbox', { name: 'Where to' }).getByRole('option').first()).toContainText('do not disturb: to voicemail')
  await page.getByRole('region', { name: 'Transfer' }).getByRole('button', { name: 'Consult' }).click()
  await expect(board(page).getByRole('alert')).toContainText('Kester Oddersey takes no calls of colleagues now.')
  await page.getByRole('region', { name: 'Transfer' }).getByRole('button', { name: 'Blind transfer' }).click()
  await expect(state(page)).toHaveText('Wrap-up')
})

test('a missed ring: set not ready and told why; the caller keeps the place and rings at the next', async ({ page }) => {
  await startShift(page)
  await goReady(page)
  await ringMe(page, { patience: 'Waits as long as it takes' })
  await expect(state(page)).toHaveText('Ringing')
  await expect(state(page)).toHaveText('Not ready · Missed ring', { timeout: 30_000 })
  await expect(page.getByText('A call rang here and was not answered')).toBeVisible()
  const kester = await anotherSeat(page, KESTER, false)
  await button(kester, 'Go ready').click()
  await expect(state(kester)).toHaveText('Ringing')
  await expect(board(kester)).toContainText('Ottoline Fjelding')
})

test('what the account is not enabled for stays in view, says why and who can enable it', async ({ page }) => {
  await startShift(page, SUNNIVA.name, SUNNIVA.pin)
  await page.getByLabel('Dial line').fill('+33 1 99 00 12 34')
  await expect(button(page, 'Call')).toHaveAttribute('aria-disabled', 'true')
  await expect(page.getByText('Your account is not enabled for international calls. Linnea Wickerby can enable it in Set-up.')).toBeVisible()
  await page.getByLabel('Dial line').fill('')
  await goReady(page)
  await ringMe(page)
  await button(page, 'Answer').click()
  const conference = button(page, 'Conference')
  await expect(conference).toHaveAttribute('aria-disabled', 'true')
  await expect(conference).toHaveAttribute('title', 'Your account is not enabled for conferences. Linnea Wickerby can enable it in Set-up.')
  await conference.click({ force: true })
  await expect(page.getByRole('region', { name: 'Conference', exact: true })).toBeHidden()
})

test('a notification of the computer when a call rings out of view, and only when it was asked for', async ({ page, context }) => {
  await context.grantPermissions(['notifications'])
  await page.addInitScript(() => {
    const world = globalThis as unknown as { told: string[] }
    world.told = []
    globalThis.Notification = class extends EventTarget {
      static permission = 'granted'
      static requestPermission = async () => 'granted'
      constructor(title: string, options: { body: string }) {
        super()
        world.told.push(`${title} / ${options.body}`)
      }
      close() {
        world.told.push('closed')
      }
    } as unknown as typeof Notification
    Object.defineProperty(document, 'visibilityState', { get: () => (location.hash === '#hidden' ? 'hidden' : 'visible') })
  })
  const told = () => page.evaluate(() => (globalThis as unknown as { told: string[] }).told)
  await startShift(page)
  await button(page, 'Sound').click()
  await page.getByRole('checkbox', { name: 'Notify me of calls while this tab is hidden' }).click()
  await expect(page.getByRole('checkbox', { name: 'Notify me of calls while this tab is hidden' })).toBeChecked()
  await page.keyboard.press('Escape')
  await goReady(page)
  await ringMe(page)
  await button(page, 'Decline').click()
  expect(await told()).toEqual([])
  await expect(state(page)).toHaveText('Ready', { timeout: 8_000 })
  await page.evaluate(() => {
    location.hash = '#hidden'
  })
  await ringMe(page, { caller: 'Perrin Arncliffe' })
  await expect.poll(told).toEqual([expect.stringMatching(/^Perrin Arncliffe is ringing \/ Sailings · /)])
  await button(page, 'Answer').click()
  await expect.poll(told).toContain('closed')
})
