// Whoever answers for the floor comes to a call: to listen, to whisper, to step in, to go on with it; and is asked to.
import { anotherSeat, board, boardWords, button, goReady, hangUp, KESTER, LINNEA, putIntoUse, ringMe, startShift, state } from './desk'
import { expect, type Page, test } from './warm'

const cords = (page: Page, form: string) => board(page).locator(`[data-cord="${form}"]`)
const line = (page: Page) => page.getByRole('region', { name: 'Listening in' })

test('a supervisor is asked for help, listens, whispers, steps in and takes over; the agent sees each of it, and codes their own part', async ({ page }) => {
  test.slow()
  await startShift(page)
  await goReady(page)
  await ringMe(page, { stays: 'Until their business is done' })
  await button(page, 'Answer').click()
  const linnea = await anotherSeat(page, LINNEA, false)
  await linnea.getByRole('link', { name: 'Floor' }).click()

  // Asked for with one key; on every page it stands above everything else.
  await expect(state(page)).toHaveText('On call')
  await page.keyboard.press('Alt+,')
  await expect(page.getByRole('region', { name: 'Help asked for' })).toContainText('Nobody has come yet')
  const asks = linnea.getByRole('alert', { name: 'Eluned Tarnow asks for help' })
  await expect(asks).toContainText('Eluned Tarnow asks for help with Ottoline Fjelding')
  await expect(linnea.getByRole('region', { name: 'What needs you' })).toContainText(/^Eluned Tarnow: asks for help/)
  await asks.getByRole('button', { name: 'Listen to Eluned Tarnow' }).click()
  await expect(state(linnea)).toHaveText('Listening in')
  await expect(asks).toBeHidden()
  await expect(page.getByRole('region', { name: 'Help asked for' })).toContainText('Linnea Wickerby sees to it.')
  await expect(line(linnea)).toContainText('You listen to Ottoline Fjelding and Eluned Tarnow. Nobody hears you.')
  await expect(boardWords(page)).toHaveText('You are talking with Ottoline Fjelding. Linnea Wickerby listens in.')
  await expect(cords(page, 'toThem')).toHaveCount(1)
  await expect(linnea.getByRole('row').filter({ has: linnea.getByRole('rowheader', { name: 'Eluned Tarnow' }) })).toContainText('Linnea Wickerby listens')

  // On the board the cords say who hears whom, and one key changes it.
  await linnea.getByRole('link', { name: 'Desk' }).click()
  await expect(cords(linnea, 'toMe')).toHaveCount(2)
  await button(linnea, 'Whisper').hover()
  await expect(linnea.getByRole('status', { name: 'What would happen' })).toContainText('you whisper to Eluned Tarnow')
  await linnea.keyboard.press('Alt+W')
  await expect(boardWords(linnea)).toContainText('You whisper to Eluned Tarnow; nobody else')
  await expect(boardWords(page)).toContainText('Linnea Wickerby whispers to you.')
  await expect(cords(page, 'whisper')).toHaveCount(1)

  await linnea.keyboard.press('Alt+G')
  await expect(state(linnea)).toHaveText('On call')
  await expect(boardWords(page)).toHaveText('You are talking with Ottoline Fjelding and Linnea Wickerby.')
  await expect(cords(page, 'talking')).toHaveCount(2)
  await button(linnea, 'Stepped in').click()
  await linnea.getByRole('menuitem', { name: 'Listen' }).click()
  await expect(state(linnea)).toHaveText('Listening in')

  await linnea.keyboard.press('Alt+T')
  await expect(boardWords(linnea)).toHaveText('You are talking with Ottoline Fjelding.')
  await expect(state(page)).toHaveText('Wrap-up')
  await expect(page.getByRole('region', { name: 'Help asked for' })).toBeHidden()
  await hangUp(linnea)
  await expect(state(linnea)).toHaveText('Wrap-up')
})

test('whoever listens leaves unnoticed; the caller’s end ends it; at a centre that hides it the agent is shown nobody', async ({ page }) => {
  test.slow()
  const linnea = await anotherSeat(page, LINNEA, false)
  await linnea.goto('/set-up')
  await linnea.getByRole('button', { name: 'Edit reasons, skills and times' }).click()
  await linnea.getByLabel('Agents see who listens in').uncheck()
  await button(linnea, 'Keep changes').click()
  await putIntoUse(linnea)
  await expect(linnea.getByText('agents do not see who only listens in')).toBeVisible()

  await startShift(page)
  await goReady(page)
  const kester = await anotherSeat(page, KESTER)
  await ringMe(page, { stays: 'Until their business is done' })
  await button(page, 'Answer').click()
  await linnea.getByRole('link', { name: 'Floor' }).click()
  const listen = async (verb: string) => {
    await linnea.getByRole('table', { name: 'Agents' }).getByRole('button', { name: 'Eluned Tarnow' }).click()
    await linnea.getByRole('menuitem', { name: verb }).click()
  }
  await listen('Listen')
  await expect(line(linnea)).toContainText('Nobody hears you.')
  await expect(linnea.getByRole('region', { name: 'What was done' })).toContainText('You listen to Eluned Tarnow.')
  await expect(boardWords(page)).toHaveText('You are talking with Ottoline Fjelding.')
  await expect(board(page)).not.toContainText('Linnea')
  // A whisper is heard: it is always shown.
  await line(linnea).getByRole('button', { name: 'Whisper' }).click()
  await expect(boardWords(page)).toContainText('Linnea Wickerby whispers to you.')
  await linnea.keyboard.press('Alt+Q')
  await expect(state(linnea)).toHaveText('Not ready · Just signed in')
  await expect(boardWords(page)).toHaveText('You are talking with Ottoline Fjelding.')

  await listen('Listen')
  await hangUp(page)
  await expect(state(linnea)).toHaveText('Not ready · Just signed in')
  await expect(state(page)).toHaveText('Wrap-up')
  await linnea.getByRole('table', { name: 'Agents' }).getByRole('button', { name: 'Kester Oddersey' }).click()
  await expect(linnea.getByRole('menuitem', { name: 'Message…' })).toBeVisible()
  await expect(linnea.getByRole('menuitem', { name: 'Listen' })).toBeHidden()
  await expect(state(kester)).toHaveText('Ready')
})
