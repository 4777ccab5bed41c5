import { anotherSeat, board, boardWords, button, goReady, goTo, KESTER, QUIET, ringMe, signInAsOwner, startShift, state, takeCall } from './desk'
import { expect, type Page, test } from './warm'

const calls = (page: Page) => page.getByRole('listbox', { name: 'Calls' }).getByRole('option')
const entry = (page: Page) => page.getByRole('complementary', { name: 'Call' })
const toLog = async (page: Page) => {
  await goTo(page, 'People')
  await page.getByRole('link', { name: 'Log of calls' }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Log of calls' })).toBeVisible()
}

test('what was missed is counted until it is looked at, says who took it, and is called back from the log', async ({ page }) => {
  await startShift(page)
  const kester = await anotherSeat(page, KESTER, false)
  await goReady(page)
  // A colleague, in vain.
  await button(kester, 'Call Eluned Tarnow').click()
  await expect(state(page)).toHaveText('Ringing')
  await button(kester, 'Hang up').click()
  await expect(button(page, '1 missed call')).toBeVisible({ timeout: 10_000 })
  // A caller, who rings out and is taken by the colleague.
  await ringMe(page, { patience: 'Waits as long as it takes' })
  await expect(state(page)).toHaveText('Not ready · Missed ring', { timeout: 30_000 })
  await button(kester, 'Go ready').click()
  await button(kester, 'Answer').click()
  await button(page, '2 missed calls').click()
  await expect(calls(page)).toHaveCount(2)
  await expect(calls(page).nth(0)).toContainText(/Missed.*Ottoline Fjelding.*Sailings.*not answered.*Kester Oddersey took it/)
  await expect(calls(page).nth(1)).toContainText(/Missed.*Kester Oddersey.*Internal.*hung up before the answer/)
  await calls(page).nth(0).click()
  await expect(entry(page)).toContainText('Taken by')
  await calls(page).nth(1).click()
  await button(kester, 'Hang up').click()
  await kester.keyboard.press('Alt+1')
  await kester.keyboard.press('Alt+Enter')
  await expect(state(kester)).toHaveText('Ready')
  await button(page, 'Call back').click()
  await expect(state(kester)).toHaveText('Ringing')
  await button(kester, 'Answer').click()
  await button(page, 'Hang up').click()
  await expect(calls(page)).toHaveCount(3, { timeout: 10_000 })
  await expect(calls(page).nth(0)).toContainText(/Out.*Kester Oddersey.*Internal.*0:0\d/)
  await goTo(page, 'Desk')
  await expect(page.getByRole('button', { name: /missed call/ })).toBeHidden()
})

test('found by name, number and day; added to people; a supervisor sees the log of anybody and of the centre', async ({ page }) => {
  await takeCall(page)
  await button(page, 'Add to people').click()
  await page.getByRole('dialog', { name: 'Add somebody' }).getByRole('button', { name: 'Keep' }).click()
  await button(page, 'Hang up').click()
  await page.keyboard.press('Alt+1')
  await page.keyboard.press('Alt+Enter')
  await expect(state(page)).toHaveText('Ready')
  await toLog(page)
  await expect(calls(page)).toHaveCount(1)
  const found = page.getByLabel('Find a call')
  const number = ((await calls(page).first().textContent()) ?? '').match(/\+44[\d ]+/)?.[0] ?? ''
  for (const [typed, count] of [
    ['ottoline', 1],
    [number.replace('+44 ', '0').slice(0, 9), 1],
    [new Date().toLocaleDateString('en-GB', { day: 'numeric', month: 'short' }), 1],
    ['1 Jan', 0],
  ] as const) {
    await found.fill(typed)
    await expect(calls(page)).toHaveCount(count)
  }
  await expect(page.getByText('No call here has “1 Jan” in it.')).toBeVisible()
  await found.fill('')
  await page.getByLabel('Which').selectOption('Out')
  await expect(page.getByText('0 calls')).toBeVisible()
  await goTo(page, 'People')
  await page.getByRole('radio', { name: 'My own people 1' }).click()
  await page
    .getByRole('listbox', { name: 'People' })
    .getByRole('option', { name: /^Ottoline Fjelding/ })
    .click()
  await expect(page.getByRole('region', { name: 'With us' })).not.toContainText('None that we know of')

  const owner = await page.context().newPage()
  await signInAsOwner(owner)
  await toLog(owner)
  await expect(owner.getByText('No calls yet.')).toBeVisible()
  await owner.getByLabel('Calls of').selectOption('Eluned Tarnow')
  await expect(calls(owner)).toHaveText([/In.*Ottoline Fjelding/])
  await owner.getByLabel('Calls of').selectOption('The whole centre')
  await expect(calls(owner)).toHaveCount(1)
})

test('a call is made for a queue, with its number, script and codes; whom one has called is offered again', async ({ page }) => {
  // A telephone link leads here: its number waits for the press.
  await startShift(page, undefined, undefined, `${QUIET}&dial=${encodeURIComponent('tel:+44-1632-960901')}`)
  const dial = page.getByLabel('Dial line', { exact: true })
  await expect(dial).toHaveValue('+44-1632-960901')
  await expect(page.getByText('Enter dials +44 1632 960901, read as a UK number')).toBeVisible()
  await expect(page.getByText('No call.', { exact: true })).toBeVisible()
  expect(page.url()).not.toContain('dial=')
  await button(page, 'Calls for yourself').click()
  await page.getByRole('menuitem', { name: /For Freight.*\+44 1632 960961/ }).click()
  for (const typed of ['01632 960901', '01632 960903']) {
    await dial.fill(typed)
    await dial.press('Enter')
    await expect(board(page)).toContainText(typed.slice(-6) === '960901' ? 'Night watch' : 'Coach hire')
    await expect(page.getByRole('group', { name: 'Outcome' })).toContainText('Space booked')
    await button(page, 'Hang up').click()
    await page.keyboard.press('Alt+1')
    await page.keyboard.press('Alt+Enter')
    await expect(page.getByText('No call.', { exact: true })).toBeVisible({ timeout: 10_000 })
  }
  await expect(button(page, 'Calls for Freight')).toBeVisible()
  await button(page, 'Redial').click()
  const before = page.getByRole('listbox', { name: 'Called before' }).getByRole('option')
  await expect(before).toHaveText([/Coach hire, Arnmoor/, /Night watch, Skarvey/])
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('Enter')
  await expect(boardWords(page)).toContainText('Night watch, Skarvey')
  await button(page, 'Hang up').click()
  await toLog(page)
  await expect(calls(page).nth(1)).toContainText(/Out.*Coach hire, Arnmoor.*Freight/)
})
