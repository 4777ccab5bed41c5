import { readFile } from 'node:fs/promises'
import { anotherSeat, board, boardWords, button, goTo, KESTER, SUNNIVA, signIn, startShift, state } from './desk'
import { expect, type Page, test } from './warm'

const rows = (page: Page) => page.getByRole('listbox', { name: 'Conferences' }).getByRole('option')
const entry = (page: Page) => page.getByRole('complementary', { name: 'Conference' })
const line = (page: Page) => page.getByRole('region', { name: 'Conference', exact: true })
const toConferences = async (page: Page) => {
  await goTo(page, 'People')
  await page.getByRole('link', { name: 'Conferences' }).click()
}

test('by appointment: arranged, invited to, joined with one press, dialled into by code, who speaks is seen, the host leaves, and who was there is kept', async ({
  page,
}) => {
  test.slow()
  await startShift(page)
  const kester = await anotherSeat(page, KESTER, false)
  const sunniva = await anotherSeat(page, SUNNIVA, false)
  await page.bringToFront()
  await toConferences(page)
  await button(page, 'Arrange a conference').click()
  const dialog = page.getByRole('dialog')
  await button(page, 'Arrange it').click()
  await expect(dialog).toContainText('It has no title.')
  await dialog.getByLabel('Title').fill('Winter boats')
  await dialog.getByLabel('Begins').fill('00:00')
  await button(page, 'Arrange it').click()
  await expect(dialog).toContainText('It would be over already.')
  const now = new Date()
  // The calendar opens above the dialog it is opened from.
  await dialog.getByRole('button', { name: 'Open the calendar' }).click()
  const today = now.toLocaleDateString('en-GB', { timeZone: 'Europe/London', day: 'numeric', month: 'long', year: 'numeric' })
  await page
    .getByRole('dialog', { name: 'Calendar: Day' })
    .getByRole('button', { name: new RegExp(`^\\w+ ${today}$`) })
    .click()
  await expect(dialog.getByLabel('Day', { exact: true })).toBeFocused()
  await dialog.getByLabel('Begins').fill(now.toLocaleTimeString('sv-SE', { timeZone: 'Europe/London', hour: '2-digit', minute: '2-digit' }))
  await dialog.getByLabel('A colleague').selectOption({ label: 'Sunniva Merrowby' })
  for (const [name, number] of [
    ['Port office', '01632 960900'],
    ['Night watch', '01632 960901'],
  ] as const) {
    await dialog.getByLabel('Somebody outside').fill(name)
    await dialog.getByLabel('Number', { exact: true }).fill(number)
    await button(page, 'Ask them').click()
    await expect(dialog.getByRole('list', { name: 'Asked' })).toContainText(name)
  }
  await dialog.getByLabel('Number', { exact: true }).fill('12')
  await dialog.getByLabel('Somebody outside').fill('Nobody')
  // Whoever is typed and cannot be asked is not left out without a word.
  await button(page, 'Arrange it').click()
  await expect(dialog.getByRole('alert')).toBeVisible()
  await dialog.getByLabel('Number', { exact: true }).fill('')
  await dialog.getByLabel('Somebody outside').fill('')
  await button(page, 'Arrange it').click()
  await rows(page).click()
  await expect(entry(page)).toContainText(/Asked.*Sunniva Merrowby, Port office, Night watch/)
  const code = /code\s*(\d{3} \d{3})/.exec((await entry(page).textContent()) ?? '')?.[1]?.replace(' ', '') ?? ''
  expect(code).toMatch(/^\d{6}$/)
  const download = page.waitForEvent('download')
  await button(page, 'Invitation as a file').click()
  const invitation = (await readFile(await (await download).path(), 'utf8')).replaceAll('\r\n ', '')
  expect(invitation).toMatch(/METHOD:REQUEST[\s\S]*SUMMARY:Winter boats/)
  expect(invitation).toMatch(/ATTENDEE;CN=Port office;ROLE=REQ-PARTICIPANT;PARTSTAT=NEEDS-ACTION;RSVP=TRUE:tel:\+441632960900/)
  expect(invitation).toContain(`code ${code}`)

  // A word on the desk of whoever is asked, and of nobody else.
  await expect(line(sunniva)).toContainText('Winter boats')
  await expect(line(kester)).toBeHidden()
  await line(page).getByRole('button', { name: 'Join' }).click()
  await expect(state(page)).toHaveText('On internal call')
  await goTo(page, 'Desk')
  await expect(boardWords(page)).toHaveText(/You are the first in the conference|Port office|Night watch/)
  await line(sunniva).getByRole('button', { name: 'Join' }).click()
  // Somebody who was only told the code dials in with it.
  await kester.keyboard.press('Alt+l')
  await kester.keyboard.type('01632 960980')
  await kester.keyboard.press('Enter')
  await expect(board(kester)).toContainText('Please key in the code of your conference.')
  await button(kester, 'Keypad').click()
  await kester.getByLabel('Digits').pressSequentially(code, { delay: 120 })
  await expect(boardWords(kester)).toContainText('Sunniva Merrowby', { timeout: 15_000 })
  // The two from outside dial in as well, by tones of their own, and are seen to speak.
  await expect(page.getByRole('button', { name: 'End for everyone' })).toHaveText('End for everyone (4)', { timeout: 60_000 })
  await page.getByRole('button', { name: /show them$/ }).click()
  await expect(board(page).locator('[data-speaks="true"]').first()).toBeVisible({ timeout: 30_000 })
  await page.getByRole('button', { name: /^Talk privately to Port office/ }).click()
  await page.getByRole('menuitem', { name: 'Before all: mute the others' }).click()
  await expect(page.getByRole('button', { name: /^Unmute Night watch/i })).toBeVisible()
  await expect(page.getByRole('button', { name: /^Mute Port office/i })).toBeVisible()

  await button(page, 'Leave conference').click()
  await expect(boardWords(sunniva)).toContainText('Kester Oddersey')
  await expect(boardWords(sunniva)).not.toContainText('Eluned')
  await button(page, 'Undo').waitFor({ state: 'hidden' })
  await button(sunniva, 'End for everyone').click()
  await expect(boardWords(kester)).toContainText('No call', { timeout: 15_000 })
  await toConferences(page)
  await rows(page).click()
  const there = entry(page).getByRole('region', { name: 'Who was there' })
  for (const name of ['Eluned Tarnow', 'Sunniva Merrowby', 'Kester Oddersey', 'Port office', 'Night watch']) await expect(there).toContainText(name)
  await expect(there).not.toContainText('there now')
  await button(page, 'Call off').click()
  await page.getByText('Past', { exact: true }).click()
  await expect(rows(page)).toContainText('called off')
})

test('off shift one is arranged all the same, changed, and seen by nobody it is not for', async ({ page }) => {
  await signIn(page)
  await toConferences(page)
  await button(page, 'Arrange a conference').click()
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('Title').fill('Team talk')
  await dialog.getByLabel('In the time of').selectOption('America/Toronto')
  await dialog.getByLabel('Day').fill('2099-01-05')
  await dialog.getByLabel('Begins').fill('09:30')
  await dialog.getByLabel('Everybody of a queue').selectOption({ label: 'Freight' })
  await page.reload()
  await button(page, 'Arrange a conference').click()
  await expect(dialog.getByLabel('Title')).toHaveValue('Team talk')
  await button(page, 'Arrange it').click()
  await rows(page).click()
  await expect(entry(page)).toContainText('Mon 5 Jan 2099, 14:30 to 15:00 (09:30 in Toronto)')
  await expect(entry(page)).toContainText('It opens fifteen minutes before it begins.')
  await button(page, 'Change').click()
  await dialog.getByLabel('Lasts').selectOption('60')
  await button(page, 'Keep the change').click()
  await expect(entry(page)).toContainText('14:30 to 15:30')
  await button(page, 'Call off').click()
  await expect(rows(page)).toHaveCount(0)
})
