// The Floor: who answers for it sees it as it is, and what needs a person first.
import { anotherSeat, button, endShift, goReady, hangUp, KESTER, ringMe, signInAsOwner, startShift, state } from './desk'
import { expect, type Page, test } from './warm'

const needs = (page: Page) => page.getByRole('region', { name: 'What needs you' })
const agent = (page: Page, name: string) => page.getByRole('table', { name: 'Agents' }).getByRole('row').filter({ hasText: name })
const queue = (page: Page, name: string) => page.getByRole('table', { name: 'Queues' }).getByRole('row').filter({ hasText: name })

test('the Floor follows every desk: who waits, who talks with whom, what lasts too long, and how the day goes', async ({ page }) => {
  test.slow()
  const floor = await page.context().newPage()
  await signInAsOwner(floor, '/floor?world=quiet&seed=7&days=0')
  await expect(floor.getByRole('heading', { level: 1, name: 'Floor' })).toBeVisible()
  await expect(floor.getByText('Nobody is on shift.')).toBeVisible()
  await expect(needs(floor)).toContainText('Nothing needs you now.')

  await startShift(page)
  const kester = await anotherSeat(page, KESTER)
  await expect(floor.getByText('2 on shift, 1 ready')).toBeVisible()
  await goReady(page)
  await ringMe(page)
  await button(page, 'Answer').click()
  await expect(agent(floor, 'Eluned Tarnow')).toContainText(/On call.*Ottoline Fjelding · Sailings/)
  await button(page, 'Hold').click()
  await expect(agent(floor, 'Eluned Tarnow')).toContainText('on hold')
  await expect(queue(floor, 'Sailings')).toContainText('1 of 2')
  await button(kester, 'Go not ready').click()
  await kester.getByRole('menuitem', { name: /^Break/ }).click()
  await expect(agent(floor, 'Kester Oddersey')).toContainText(/Not ready · Break.*of 15:00/)

  // Nobody is free, and the caller waits beyond what the queue promises.
  await ringMe(page, { caller: 'Perrin Arncliffe', into: 'queue', patience: 'Waits as long as it takes' })
  await expect(queue(floor, 'Sailings')).toContainText(/0:\d\d/)
  await expect(needs(floor)).toContainText(/Sailings: 1 waits, for 0:2\d, nobody is free/, { timeout: 40_000 })

  await floor.getByRole('button', { name: 'Add agents… Sailings' }).click()
  await expect(floor.getByRole('dialog', { name: 'Agents for Sailings' })).toContainText('Everybody on shift serves it already.')
  await floor.keyboard.press('Escape')

  await floor.getByLabel('Find an agent').fill('break')
  await expect(floor.getByText('1 of 2 on shift, 0 ready')).toBeVisible()
  await floor.getByLabel('Find an agent').fill('nobody at all')
  await expect(floor.getByText('Nobody on shift has “nobody at all” in what stands here.')).toBeVisible()
  await floor.getByLabel('Find an agent').fill('')
  await floor.getByLabel('Group by').selectOption({ label: 'State' })
  await expect(floor.getByRole('table', { name: 'Agents' }).getByRole('rowheader', { name: 'Not ready' })).toBeVisible()

  await button(page, 'Retrieve').click()
  await hangUp(page)
  await page.keyboard.press('Alt+1')
  await page.keyboard.press('Alt+Enter')
  // Ready again, the caller who waited rings: nothing needs anybody any more.
  await expect(state(page)).toHaveText('Ringing')
  await button(page, 'Answer').click()
  await expect(needs(floor)).toContainText('Nothing needs you now.')
  await expect(queue(floor, 'Sailings')).toContainText('50 %')
  await endShift(kester)
  await expect(floor.getByText('1 on shift, 0 ready')).toBeVisible()
})

test('the Floor is for who supervises: an agent has no such place, and the address says who can enable it', async ({ page }) => {
  await startShift(page)
  await expect(page.getByRole('navigation', { name: 'Places' }).getByRole('link', { name: 'Floor' })).toBeHidden()
  await page.goto('/floor')
  await expect(page.getByText('Your account may not enter this page.')).toBeVisible()
})
