// Set-up and what it does to callers: keeping a place, the storm switch, hours, forms with their checks, and the file.
import { readFile, writeFile } from 'node:fs/promises'
import { expect, type Page, test } from '@playwright/test'
import { anotherSeat, board, boardWords, button, goReady, KESTER, QUIET, ringMe, startShift, state } from './desk'

/** The set-up in a tab of its own, with Linnea Wickerby changing it. */
async function setUp(page: Page, opened = true): Promise<Page> {
  const tab = await page.context().newPage()
  await tab.goto('/set-up?world=quiet&seed=7&days=0')
  if (!opened) return tab
  await tab.getByLabel('PIN').fill('1290')
  await button(tab, 'Change the set-up').click()
  await expect(tab.getByText('Linnea Wickerby may change it.')).toBeVisible()
  return tab
}
const queues = (tab: Page) => tab.getByRole('region', { name: 'Queues' })
const row = (tab: Page, name: string) =>
  queues(tab)
    .getByRole('row')
    .filter({ has: tab.getByRole('rowheader', { name: new RegExp(`^${name}`) }) })
const checks = (tab: Page) => tab.getByRole('region', { name: 'Checks' })

test('a caller keeps their place, hangs up, and is called back when an agent takes the call', async ({ page }) => {
  await startShift(page)
  await ringMe(page, { patience: 'Keeps their place after 2 seconds' })
  await expect(page.getByRole('region', { name: 'Your queues' }).getByRole('row', { name: /^Sailings/ })).toContainText('1 to be called')
  await button(page, 'Go ready').click()
  await expect(state(page)).toHaveText('Ringing')
  await expect(boardWords(page)).toHaveText('Ottoline Fjelding keeps a place and waits to be called. Answering calls them.')
  await expect(page.getByRole('region', { name: 'Record' })).toContainText('hung up and kept the place')
  await button(page, 'Answer').click()
  await expect(boardWords(page)).toContainText('It rings at Ottoline Fjelding')
  await expect(boardWords(page)).toHaveText('You are talking with Ottoline Fjelding.', { timeout: 10_000 })
})

test('reading needs no leave, changing does', async ({ page }) => {
  await startShift(page)
  const tab = await setUp(page, false)
  await expect(row(tab, 'Assistance')).toContainText('by 15 min')
  await expect(row(tab, 'Assistance')).toContainText('Boarding help, 2 up')
  await expect(row(tab, 'Disruption')).toContainText('after 2 min to Sailings')
  await expect(button(tab, 'Edit Sailings')).toBeDisabled()
  await tab.getByLabel('PIN').fill('0000')
  await button(tab, 'Change the set-up').click()
  await expect(tab.getByRole('alert').filter({ hasText: 'do not belong together' })).toBeVisible()
})

test('the storm switch: one press to storm, in every desk at once, and one press back', async ({ page }) => {
  await startShift(page)
  const tab = await setUp(page)
  await button(tab, 'Switch to storm: Disruption').click()
  await expect(tab.getByText('Disruption is switched to storm.')).toBeVisible()
  const disruption = page.getByRole('region', { name: 'Your queues' }).getByRole('row', { name: /^Disruption/ })
  await expect(disruption).toContainText('storm')
  await button(tab, 'End storm: Disruption').click()
  await expect(disruption).not.toContainText('storm')
})

test('a storm sends callers further: an agent of another queue is rung', async ({ page }) => {
  await page.goto(QUIET)
  await page.getByLabel('Agent', { exact: true }).selectOption({ label: KESTER.name })
  for (const name of ['Disruption', 'Assistance']) await page.getByRole('checkbox', { name }).uncheck()
  await page.getByLabel('PIN').fill(KESTER.pin)
  await button(page, 'Start shift').click()
  await goReady(page)
  const tab = await setUp(page)
  await button(tab, 'Edit Disruption').click()
  // Sooner than the demo's twenty seconds: the second row is the one to Sailings.
  await tab.getByRole('group', { name: 'Further overflow' }).getByLabel('Seconds').nth(1).fill('3')
  await button(tab, 'Keep changes').click()
  await button(tab, 'Put into use').click()
  await expect(tab.getByText('The set-up is in use on the floor.')).toBeVisible()
  await button(tab, 'Switch to storm: Disruption').click()
  await ringMe(page, { queue: 'Disruption', patience: 'Waits as long as it takes' })
  await expect(state(page)).toHaveText('Ringing')
  await expect(board(page)).toContainText('Disruption')
})

test('a form is checked field by field, the set-up as a whole, and only then put into use', async ({ page }) => {
  await startShift(page)
  const tab = await setUp(page)
  await button(tab, 'Edit Sailings').click()
  const form = tab.getByRole('dialog', { name: 'Queue Sailings' })
  await form.getByLabel('Name').fill('')
  await form.getByLabel('Full at').fill('many')
  await button(tab, 'Keep changes').click()
  await expect(form.getByText('The queue needs a name.')).toBeVisible()
  await expect(form.getByText('Type how many may wait, or leave it empty.')).toBeVisible()
  await form.getByLabel('Name').fill('Sailings')
  await form.getByLabel('Full at').fill('30')
  await button(tab, 'Add an overflow').first().click()
  await form.getByLabel('Overflow to').first().selectOption({ label: 'agents of Disruption' })
  await button(tab, 'Keep changes').click()
  await expect(checks(tab)).toContainText('Its overflow goes in a circle: Sailings to Disruption to Sailings.')
  await expect(button(tab, 'Put into use')).toBeDisabled()

  await button(tab, 'Edit Sailings').click()
  await button(tab, 'Take out row 1 of Overflow').click()
  await button(tab, 'Keep changes').click()
  await expect(checks(tab)).toContainText('Nothing is wrong')
  await button(tab, 'Add a queue').click()
  await tab.getByRole('dialog').getByLabel('Name').fill('Lost property')
  await button(tab, 'Keep changes').click()
  await expect(checks(tab)).toContainText('Error · Queue Lost property')
  await expect(checks(tab)).toContainText('No agent serves it')
  await button(tab, 'Edit Eluned Tarnow').click()
  await tab.getByRole('dialog').getByRole('checkbox', { name: 'Lost property' }).check()
  await button(tab, 'Keep changes').click()
  await button(tab, 'Edit reasons, skills and times').click()
  await tab.getByRole('dialog').getByRole('button', { name: 'Add a skill' }).click()
  await tab.getByRole('dialog').getByRole('textbox', { name: 'Skill' }).last().fill('Lamplight')
  await button(tab, 'Keep changes').click()
  await expect(checks(tab)).toContainText('Nobody has this skill.')
  await button(tab, 'Put into use').click()
  await expect(tab.getByText('The set-up is in use on the floor.')).toBeVisible()
  await expect(row(tab, 'Sailings')).toContainText('full at 30')
  // It counts at once: the next shift may serve the new queue.
  await button(page, 'End shift').click()
  await page.getByLabel('Agent', { exact: true }).selectOption({ label: 'Eluned Tarnow' })
  await expect(page.getByRole('checkbox', { name: 'Lost property' })).toBeEnabled()
})

test('a closed queue turns callers away with its own words', async ({ page }) => {
  await startShift(page)
  await goReady(page)
  const tab = await setUp(page)
  await button(tab, 'Edit Sailings').click()
  const form = tab.getByRole('dialog')
  await button(tab, 'Add hours').click()
  // A minute of a day that is not today.
  for (const day of ['Mo', 'Tu', 'We', 'Th', 'Fr']) await form.getByRole('checkbox', { name: day, exact: true }).uncheck()
  const notToday = ['Su', 'Mo', 'Tu', 'We', 'Th', 'Fr', 'Sa'][(new Date().getUTCDay() + 3) % 7] as string
  await form.getByRole('checkbox', { name: notToday, exact: true }).check()
  await form.getByLabel('When it is closed').fill('The harbour sleeps.')
  await button(tab, 'Keep changes').click()
  await button(tab, 'Put into use').click()
  await expect(tab.getByText('The set-up is in use on the floor.')).toBeVisible()
  await ringMe(page)
  await expect(page.getByText('A caller of Sailings was turned away, because it is closed, and heard: “The harbour sleeps.”')).toBeVisible()
  await expect(state(page)).toHaveText('Ready')
  await expect(page.getByRole('region', { name: 'Your queues' }).getByRole('row', { name: /^Sailings/ })).toContainText('closed')
})

test('a queue that answers itself puts the caller through without a press', async ({ page }) => {
  await startShift(page)
  const tab = await setUp(page)
  await button(tab, 'Edit Sailings').click()
  await tab.getByRole('checkbox', { name: 'Put through without ringing, after a tone' }).check()
  await button(tab, 'Keep changes').click()
  await button(tab, 'Put into use').click()
  await goReady(page)
  await ringMe(page)
  await expect(state(page)).toHaveText('On call')
  await expect(boardWords(page)).toHaveText('You are talking with Ottoline Fjelding.')
})

test('the file goes out and comes in again the same; a broken one changes nothing and says line by line why', async ({ page }, info) => {
  await startShift(page)
  await anotherSeat(page, KESTER, false)
  const tab = await setUp(page)
  const saving = async () => {
    const download = tab.waitForEvent('download')
    await button(tab, 'Export JSON').click()
    return readFile(await (await download).path(), 'utf8')
  }
  const text = await saving()
  const document = JSON.parse(text) as { queues: { name: string; serviceLevelMs: unknown }[]; agents: { pin: string }[] }
  const chooseFile = async (content: string) => {
    const path = info.outputPath('set-up.json')
    await writeFile(path, content)
    await tab.getByLabel('Set-up file').setInputFiles(path)
  }
  const broken = structuredClone(document)
  ;(broken.queues[1] as { serviceLevelMs: unknown }).serviceLevelMs = 'soon'
  ;(broken.agents[0] as { pin: string }).pin = '12'
  await chooseFile(JSON.stringify(broken))
  const problems = tab.getByRole('region', { name: 'Draft' }).getByRole('alert').getByRole('listitem')
  await expect(problems).toHaveCount(2)
  await expect(problems.filter({ hasText: 'queues Freight, serviceLevelMs' })).toBeVisible()
  await expect(problems.filter({ hasText: 'agents Eluned Tarnow, pin' })).toBeVisible()
  await chooseFile('{ "centre": ')
  await expect(problems.first()).toContainText('The file is not JSON')
  await expect(tab.getByRole('heading', { name: 'As it is in use' })).toBeVisible()

  await chooseFile(text.replace('"Freight"', '"Freight and horses"'))
  await expect(row(tab, 'Freight and horses')).toBeVisible()
  await button(tab, 'Put into use').click()
  await expect(tab.getByText('The set-up is in use on the floor.')).toBeVisible()
  await expect(page.getByRole('region', { name: 'Your queues' })).toContainText('Freight and horses')
  expect(await saving()).toBe(text.replace('"Freight"', '"Freight and horses"'))
})

test('another script for callers of a group: the pane opens it, and none for others is a choice', async ({ page }) => {
  await startShift(page)
  const tab = await setUp(page)
  await button(tab, 'Edit Sailings').click()
  const form = tab.getByRole('dialog')
  await form.getByLabel('Script', { exact: true }).selectOption({ label: 'no script' })
  await button(tab, 'Add a script').click()
  await form.getByLabel('Path').fill('')
  await form.getByLabel('Group of callers for a script').fill('Visitor')
  await form.getByLabel('Script for them').selectOption({ label: 'Help at boarding' })
  await button(tab, 'Keep changes').click()
  await button(tab, 'Put into use').click()
  await expect(tab.getByText('The set-up is in use on the floor.')).toBeVisible()
  await goReady(page)
  await ringMe(page)
  const pane = page.getByRole('region', { name: 'Reading pane' })
  await expect(pane).toContainText('Help at boarding · page 1 · opens when you answer')
  await button(page, 'Decline').click()
  await expect(state(page)).toHaveText('Ready', { timeout: 8_000 })
  await ringMe(page, { caller: 'Aldous Quayle-Storr' })
  await expect(pane).toContainText('This call has no script. Write what you learn in the notes.')
})
