// The script in a call: pages seen, answers kept aside, what must be read, and the branches of the opening.

import { button, ringMe, state, takeCall } from './desk'
import { expect, type Page, test } from './warm'

const pane = (page: Page) => page.getByRole('region', { name: 'Reading pane' })
const heading = (page: Page, name: string) => expect(pane(page).getByRole('heading', { name, exact: true })).toBeVisible()
const goTo = async (page: Page, name: string) => {
  await button(page, 'Pages')
    .or(page.getByRole('button', { name: /^Pages ·/ }))
    .click()
  await page.getByRole('menuitem', { name: new RegExp(`^${name}`) }).click()
}
const purpose = async (page: Page, wish: string) => {
  await page.getByRole('radio', { name: 'The person who booked' }).click()
  await button(page, 'Next page').click()
  await page.getByRole('radio', { name: wish }).click()
  await button(page, 'Next page').click()
}

test('an earlier answer is changed: what it led to is kept aside and not reported, and counts again when it is changed back', async ({ page }) => {
  await takeCall(page)
  await purpose(page, 'Change a booking')
  await page.getByLabel('Booking reference').fill('FL-204816')
  await button(page, 'Next page').click()
  await heading(page, 'The new sailing')
  await expect(pane(page)).toContainText('Thank you, I have booking FL-204816.')
  await goTo(page, 'What brings them')
  await heading(page, 'What brings them')
  await page.getByRole('radio', { name: 'Ask something' }).click()
  await expect(pane(page)).toContainText('1 answer kept aside')
  await page.getByRole('button', { name: /^Pages/ }).click()
  await expect(page.getByRole('menuitem', { name: /^Find the booking/ })).toContainText('kept aside')
  await page.keyboard.press('Escape')
  // Changed back, the answer is there again; and once more.
  await page.getByRole('radio', { name: 'Change a booking' }).click()
  await expect(pane(page)).not.toContainText('kept aside')
  await button(page, 'Next page').click()
  await expect(page.getByLabel('Booking reference')).toHaveValue('FL-204816')
  await goTo(page, 'What brings them')
  await page.getByRole('radio', { name: 'Ask something' }).click()
  await button(page, 'Next page').click()
  await heading(page, 'Answer the question')

  // The call is coded and looked at: only what the way led to is in its record.
  await button(page, 'Hang up').click()
  await page.getByRole('radio', { name: 'Information given' }).check({ force: true })
  await button(page, 'Save outcome').click()
  await expect(state(page)).toHaveText('Ready')
  await page.getByRole('link', { name: 'Results' }).click()
  await page
    .getByRole('region', { name: 'Calls' })
    .getByRole('row', { name: /Ottoline Fjelding/ })
    .click()
  const answers = page.getByRole('region', { name: 'Script answers' })
  await expect(answers).toContainText('Ask something')
  await expect(answers).not.toContainText('FL-204816')
  await expect(page.getByRole('region', { name: 'Events' })).toContainText('“Booking reference”: FL-204816')

  // A code that the answers speak against is questioned once, never blocked, and both are kept.
  await page.getByRole('navigation', { name: 'Places' }).getByRole('link', { name: 'Desk' }).click()
  await ringMe(page, { caller: 'Perrin Arncliffe' })
  await button(page, 'Answer').click()
  await purpose(page, 'Ask something')
  await button(page, 'Hang up').click()
  await page.getByRole('radio', { name: 'Booking changed' }).check({ force: true })
  await button(page, 'Save outcome').click()
  const tray = page.getByRole('region', { name: 'Outcome tray' })
  await expect(tray.getByRole('alert')).toContainText('The script says that they only asked something. Was a booking changed?')
  // Another code takes the question away; the first one brings it back.
  await page.getByRole('radio', { name: 'Information given' }).check({ force: true })
  await expect(tray.getByRole('alert')).toBeHidden()
  await page.getByRole('radio', { name: 'Booking changed' }).check({ force: true })
  await button(page, 'Save outcome').click()
  await expect(tray.getByRole('alert')).toBeVisible()
  await button(page, 'Save outcome').click()
  await expect(state(page)).toHaveText('Ready')
  await page.getByRole('link', { name: 'Results' }).click()
  await page
    .getByRole('region', { name: 'Calls' })
    .getByRole('row', { name: /Perrin Arncliffe/ })
    .click()
  await expect(page.getByRole('region', { name: 'Events' })).toContainText('saved the outcome “Booking changed”, although the answers spoke against it')
  await expect(page.getByRole('region', { name: 'Script answers' })).toContainText('Ask something')
})

test('options are chosen by their number, within the question alone; what must be read is confirmed before the way goes on, and the call can be coded all the same', async ({
  page,
}) => {
  await takeCall(page)
  const who = page.getByRole('group', { name: 'Who is on the line' })
  await who.getByRole('radio').first().focus()
  await page.keyboard.press('3')
  await expect(who.getByRole('radio', { name: 'Somebody calling for them' })).toBeChecked()
  await page.getByLabel('Notes').fill('')
  await page.keyboard.type('1 dog')
  await expect(who.getByRole('radio', { name: 'Somebody calling for them' })).toBeChecked()
  await expect(page.getByLabel('Notes')).toHaveValue('1 dog')
  await purpose(page, 'Give up a booking')
  await heading(page, 'Giving up a booking')
  await button(page, 'Next page').click()
  await expect(pane(page).getByRole('alert')).toHaveText('Answer “Terms of giving up” first. The next page depends on it.')
  await page.getByRole('checkbox', { name: 'I have read this out' }).click()
  await page.getByLabel('Booking reference').fill('FL-204816')
  await page.getByRole('group', { name: 'They agree to the terms' }).getByRole('radio', { name: 'Yes' }).click()
  await button(page, 'Next page').click()
  await heading(page, 'Close: refund')
  await expect(page.getByRole('radio', { name: 'Refund requested' }).locator('..')).toContainText('suggested')
})

test('the right person is not there: when to try again is taken, and the callback is suggested', async ({ page }) => {
  await takeCall(page)
  await page.getByRole('radio', { name: 'The person is not there' }).click()
  await button(page, 'Next page').click()
  await heading(page, 'Not there')
  const again = page.getByRole('group', { name: 'Try again at' })
  await again.getByLabel('Day').fill('1 Dec 2099')
  await again.getByLabel('Time').fill('9.40')
  await again.getByLabel('Time').blur()
  await expect(page.getByRole('radio', { name: 'Callback agreed' }).locator('..')).toContainText('suggested')
  await expect(page.getByRole('button', { name: /^Pages ·/ })).toBeHidden()
  await page.reload()
  await expect(again.getByLabel('Day')).toHaveValue('Tue 1 Dec 2099')
  await expect(again.getByLabel('Time')).toHaveValue('09:40')
  // What was taken down is not asked for again.
  await page.keyboard.press('Alt+5')
  await expect(page.getByLabel('Callback day')).toHaveValue('Tue 1 Dec 2099')
  await expect(page.getByLabel('Callback time')).toHaveValue('09:40')
})
