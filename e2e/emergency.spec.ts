// The emergency services are called before a shift, and with an outcome owed; whoever supervises is told wherever they are.
import { violations } from './axe'
import { button, hangUp, ringMe, signIn, signInAsOwner, state } from './desk'
import { expect, test } from './warm'

test('999 is dialled before a shift and in a wrap-up; the supervisor is told at once, and what was owed still is', async ({ page, context }) => {
  const owner = await context.newPage()
  await signInAsOwner(owner, '/results?world=quiet&seed=7&days=0')
  await signIn(page)
  const emergency = page.getByRole('region', { name: 'Emergency' })
  const number = emergency.getByLabel('Their number')
  for (const [typed, says] of [
    ['', 'No number is typed.'],
    ['01632 960112', '“01632 960112” is no number of the emergency services here.'],
  ] as const) {
    await number.fill(typed)
    await button(page, 'Call them').click()
    await expect(emergency).toContainText(says)
    await expect(number).toHaveValue(typed)
    await expect(number).toBeFocused()
  }
  await number.fill('999')
  await number.press('Enter')
  await expect(state(page)).toHaveText('On call')
  await expect(page.getByRole('region', { name: 'Help asked for' })).toContainText('Whoever supervises was told that you call 999.')
  const told = owner.getByRole('alert', { name: 'Eluned Tarnow calls the emergency services' })
  await expect(told).toContainText('calls 999, the emergency services')
  expect(await violations(owner)).toEqual([])
  await button(owner, 'I see to it').click()
  await expect(page.getByText('Linnea Wickerby sees to it.')).toBeVisible()
  await page.keyboard.press('Alt+q')
  await expect(state(page)).toHaveText('Wrap-up')
  await page.keyboard.press('Alt+1')
  await page.keyboard.press('Alt+Enter')

  // Without a queue nothing rings; the shift is an ordinary one otherwise.
  await expect(state(page)).toHaveText('Ready')
  await ringMe(page)
  await button(page, 'Answer').click()
  await hangUp(page)
  await expect(state(page)).toHaveText('Wrap-up')
  const line = page.getByRole('combobox', { name: 'Dial line' })
  await line.fill('9-9-9')
  await expect(page.getByText('Enter dials 999, the emergency services. Whoever supervises is told at once')).toBeVisible()
  await line.press('Enter')
  await expect(state(page)).toHaveText('On call')
  await expect(told).toBeVisible()
  await expect(button(page, '1 owed outcome')).toBeVisible()
})
