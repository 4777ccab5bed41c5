// Acts on the Floor: said beforehand, done in a press, told to whoever is concerned with who did it, and taken back where they can be.
import { anotherSeat, button, goReady, KESTER, ringMe, signInAsOwner, startShift, state } from './desk'
import { expect, type Page, test } from './warm'

const agents = (page: Page) => page.getByRole('table', { name: 'Agents' })
const queueRow = (page: Page, name: string) => page.getByRole('table', { name: 'Queues' }).getByRole('row').filter({ hasText: name })
const done = (page: Page) => page.getByRole('region', { name: 'What was done' })
const from = (page: Page) => page.getByRole('region', { name: 'From Linnea Wickerby' })

test('queues of an agent in mid-call and of several at once, ready and not, a word, a forgotten shift: foreseen, told, taken back', async ({ page }) => {
  test.slow()
  await startShift(page)
  await goReady(page)
  const kester = await anotherSeat(page, KESTER)
  await ringMe(page)
  await button(page, 'Answer').click()
  const floor = await page.context().newPage()
  await signInAsOwner(floor, '/floor?world=quiet&seed=7&days=0')

  // In mid-call: the call goes on, the queues are others.
  await agents(floor).getByRole('button', { name: 'Eluned Tarnow' }).click()
  await floor.getByRole('menuitem', { name: 'Change work…' }).click()
  const dialog = floor.getByRole('dialog', { name: 'Work of Eluned Tarnow' })
  await dialog.getByLabel('Sailings').selectOption({ label: 'No longer' })
  await expect(dialog.getByRole('status')).toContainText('Sailings: 1 of 1 ready instead of 1 of 2')
  await dialog.getByRole('button', { name: 'Change for this shift' }).click()
  await expect(done(floor)).toContainText('Eluned Tarnow: serves what you chose, for this shift.')
  await expect(from(page)).toContainText('Linnea Wickerby took you off Sailings.')
  await expect(state(page)).toHaveText('On call')
  await expect(page.getByRole('button', { name: '3 queues' })).toBeVisible()
  await done(floor).getByRole('button', { name: 'Undo' }).click()
  await expect(from(page).last()).toContainText('gave you Sailings.')
  await expect(page.getByRole('button', { name: '4 queues' })).toBeVisible()

  // Several at once.
  await agents(floor).getByRole('checkbox', { name: 'Choose Eluned Tarnow' }).check()
  await agents(floor).getByRole('checkbox', { name: 'Choose Kester Oddersey' }).check()
  await floor.getByRole('toolbar', { name: '2 chosen' }).getByRole('button', { name: 'Set ready or not…' }).click()
  const breaks = floor.getByRole('menuitem', { name: 'Not ready: Break' })
  await breaks.hover()
  await expect(floor.getByRole('status', { name: 'What would follow' })).toContainText('Kester Oddersey: Not ready · Break')
  await breaks.click()
  await expect(state(kester)).toHaveText('Not ready · Break')
  await expect(from(kester)).toContainText('set you not ready: Break.')
  await done(floor).getByRole('button', { name: 'Undo' }).click()
  await expect(state(kester)).toHaveText('Ready')

  await floor.getByRole('toolbar', { name: '2 chosen' }).getByRole('button', { name: 'Message…' }).click()
  const word = floor.getByRole('dialog', { name: /^Message to/ })
  await button(floor, 'Send').click()
  await expect(word).toContainText('The message is empty. Write what they should know.')
  await word.getByLabel('Message').fill('The 12:40 to Skarvey is cancelled.')
  await button(floor, 'Send').click()
  const said = kester.getByRole('alert', { name: 'From Linnea Wickerby' })
  await expect(said).toContainText('says: “The 12:40 to Skarvey is cancelled.”')
  await said.getByRole('button', { name: 'Put it away' }).click()
  await expect(said).toBeHidden()

  // Who is on a call keeps their shift; who forgot to end it loses it and is told.
  const ends = async (name: string) => {
    await agents(floor).getByRole('button', { name }).click()
    await floor.getByRole('menuitem', { name: 'End shift' }).click()
  }
  await ends('Eluned Tarnow')
  await expect(done(floor).getByRole('alert')).toContainText('Eluned Tarnow is on a call, or one rings there.')
  await ends('Kester Oddersey')
  await expect(kester.getByRole('heading', { name: 'Start your shift' })).toBeVisible()
  await expect(from(kester).last()).toContainText('ended your shift.')
})

test('callers who wait are sent on, and a queue is closed and opened: each says what follows', async ({ page }) => {
  test.slow()
  await startShift(page)
  const floor = await page.context().newPage()
  await signInAsOwner(floor, '/floor?world=quiet&seed=7&days=0')
  for (const caller of ['Perrin Arncliffe', 'Ottoline Fjelding']) await ringMe(page, { caller, into: 'queue', patience: 'Waits as long as it takes' })
  await floor.getByRole('button', { name: '2 waiting in Sailings' }).click()
  const waiting = queueRow(floor, 'Ottoline Fjelding').getByRole('listitem')
  await expect(waiting).toHaveText([/^1\. Perrin Arncliffe/, /^2\. Ottoline Fjelding/])
  const send = async (who: string, to: string) => {
    await floor.getByRole('button', { name: `Send ${who}` }).click()
    await floor.getByRole('menuitem', { name: to }).click()
  }
  await send('Ottoline Fjelding', 'To the head of the queue')
  await expect(waiting).toHaveText([/^1\. Ottoline Fjelding/, /^2\. Perrin Arncliffe/])
  await send('Perrin Arncliffe', 'To Freight')
  await expect(queueRow(floor, 'Freight')).toContainText('1')
  await send('Ottoline Fjelding', 'Call them back in turn')
  await expect(waiting).toHaveText([/^1\. Ottoline Fjelding is called in turn/])

  await queueRow(floor, 'Assistance').getByRole('button', { name: 'Assistance' }).click()
  await floor.getByRole('menuitem', { name: 'Close now' }).click()
  await expect(queueRow(floor, 'Assistance')).toContainText('closed')
  await expect(done(floor)).toContainText('Assistance is closed: whoever calls now is turned away')
  await done(floor).getByRole('button', { name: 'Undo' }).click()
  await expect(queueRow(floor, 'Assistance')).not.toContainText('closed')
})
