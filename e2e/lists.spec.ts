// Calling lists from files, and files out of them. A failure here means people called who should not be, a list half there, or figures nobody can check.
import { readFile } from 'node:fs/promises'
import { addDays, format } from 'date-fns'
import { button, goTo, signInAsOwner, WITH_PAST } from './desk'
import { attemptFigures } from './recompute'
import { expect, type Page, test } from './warm'

async function oneCampaign(page: Page, name: string): Promise<void> {
  await goTo(page, 'Campaigns')
  await page.getByRole('link', { name }).click()
  await expect(page.getByRole('region', { name: 'Records', exact: true }).getByRole('status')).toContainText('records')
}

const row = (i: number, more = '') => `K${i},Person ${i},01632 ${960_000 + (i % 1_000)},note ${i}${more}`
const csvOf = (rows: readonly string[]) => `Key,Name,Phone,Note\n${rows.join('\n')}\n`

test('a list from a file: what is wrong is said and changes nothing, what is left out has its line and reason, and a second file changes who is there', async ({
  page,
}) => {
  await signInAsOwner(page)
  await oneCampaign(page, 'Winter timetable')
  await button(page, 'Import a list…').click()
  const dialog = page.getByRole('dialog', { name: 'Import a list' })
  const file = (text: string | Buffer, name = 'people.csv') =>
    dialog.getByLabel('List file').setInputFiles({ name, mimeType: 'text/csv', buffer: Buffer.isBuffer(text) ? text : Buffer.from(text) })
  for (const [text, says] of [
    ['', 'empty'],
    ['Name,Town\nÅse,Skarvey\n', 'No column is a telephone number'],
    ['Name,Phone\n', 'no row below'],
    ['Name,Phone,Note\nÅse,01632 960001,"and then', 'middle of a quoted cell'],
    [Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a, 0, 0, 0, 13]), 'no table'],
    ['{"name":"Åse","phone":"01632 960001"}\n{"name":', 'Line 2 is no JSON object'],
  ] as const) {
    await file(text)
    // What is wrong with the first rows is said at once, what is wrong further on when they are read.
    const imports = dialog.getByRole('button', { name: 'Import', exact: true })
    await expect(dialog.getByText(says).or(imports)).toBeVisible()
    if (await imports.isVisible()) await imports.click()
    await expect(dialog.getByText(says)).toBeVisible()
  }

  // Too many to be read before anybody can press: called off, the list is not there.
  await file(csvOf(Array.from({ length: 120_000 }, (_, i) => row(i))))
  await dialog.getByLabel('Into').selectOption({ label: 'a new list' })
  await dialog.getByRole('button', { name: 'Import', exact: true }).click()
  await button(page, 'Cancel import').click()
  await expect(dialog.getByText('called off')).toBeVisible()

  const bad = ['K1,Person 1 again,01632 960001,twice', 'K901,Nobody,12,short', 'K902,=HYPERLINK("http://x"),01632 960902,<b>markup</b>']
  await file(csvOf([...Array.from({ length: 30 }, (_, i) => row(i)), ...bad]))
  await expect(dialog.getByRole('combobox', { name: 'Phone stands for' })).toHaveValue('number')
  await dialog.getByLabel('Into').selectOption({ label: 'a new list' })
  await dialog.getByRole('button', { name: 'Import', exact: true }).click()
  await expect(dialog.getByRole('status')).toHaveText('31 taken, 0 changed, 2 left out.')
  const download = page.waitForEvent('download')
  await button(page, 'Save rows left out').click()
  const leftOut = await readFile(await (await download).path(), 'utf8')
  expect(leftOut).toContain('32,')
  expect(leftOut).toContain('33,')
  await dialog.getByRole('button', { name: 'Done' }).click()

  const records = page.getByRole('table', { name: 'Records' })
  await page.getByLabel('Find by name, number or key').fill('HYPERLINK')
  await expect(records.getByRole('row').filter({ hasText: '=HYPERLINK("http://x")' })).toHaveCount(1)

  await button(page, 'Import a list…').click()
  await file(csvOf([row(3, ' now'), row(777)]), 'more.csv')
  await dialog.getByLabel('Into').selectOption({ label: 'people (31)' })
  await dialog.getByRole('button', { name: 'Import', exact: true }).click()
  await expect(dialog.getByRole('status')).toHaveText('1 taken, 1 changed, 0 left out.')
  await dialog.getByRole('button', { name: 'Done' }).click()
  await page.getByLabel('Find by name, number or key').fill('note 3 now')
  await page.getByRole('button', { name: 'Person 3', exact: true }).click()
  await expect(page.getByRole('dialog', { name: 'Person 3' })).toContainText('note 3 now')
})

test('figures of campaigns are those recomputed from the exported attempts, and a shift to come can be played', async ({ page }) => {
  await signInAsOwner(page, `/campaigns${WITH_PAST.slice(1)}`)
  await oneCampaign(page, 'Island Pass renewal')
  const figure = (name: string) => page.locator(`[data-figure="${name}"]`)
  await goTo(page, 'Results')
  await page.getByRole('navigation', { name: 'Results of' }).getByRole('link', { name: 'Campaigns' }).click()
  await page.getByLabel('Campaign').selectOption({ label: 'Island Pass renewal' })
  // Until they are computed, those of all campaigns stay in view and say so.
  await expect(page.getByText('Computing the figures…')).toBeHidden()
  await expect(figure('Attempts')).toHaveText(/\d,?\d{3}/, { timeout: 60_000 })
  const shown = Object.fromEntries(
    await Promise.all(['Attempts', 'Live answers', 'Connected', 'Right party', 'Conversions'].map(async (name) => [name, await figure(name).textContent()])),
  )
  // Where nobody chose, the last seven days.
  const days = [format(addDays(Date.now(), -6), 'yyyy-MM-dd'), format(Date.now(), 'yyyy-MM-dd')] as const
  await expect(page.getByLabel('To', { exact: true })).toHaveValue(format(Date.now(), 'EEE d MMM'))
  const abandoned = await page.getByText(/of [\d,]+ live answers/).textContent()
  await oneCampaign(page, 'Island Pass renewal')
  const download = page.waitForEvent('download')
  await button(page, 'Export').click()
  await page.getByRole('menuitem', { name: 'attempts.ndjson' }).click()
  const expected = attemptFigures(await readFile(await (await download).path(), 'utf8'), ...days)
  expect(shown).toEqual(expected.figures)
  expect(abandoned).toContain(`${expected.abandoned} of ${expected.figures['Live answers']} live answers`)

  await page.getByRole('link', { name: 'What if' }).click()
  await page.getByLabel('Agents').fill('0')
  await button(page, 'Play the shift').click()
  await expect(page.getByText('Between 1 and 300 agents.')).toBeVisible()
  await page.getByLabel('Agents').fill('4')
  await page.getByLabel('Hours').fill('1')
  await page.getByLabel('Shifts played').fill('2')
  await button(page, 'Play the shift').click()
  const connected = page.getByRole('row', { name: /^Connected People/ }).getByRole('cell')
  await expect(connected.nth(2)).toHaveText(/\d+ to \d+/, { timeout: 60_000 })
  await expect(
    page
      .getByRole('row', { name: /^Abandoned/ })
      .getByRole('cell')
      .nth(2),
  ).toContainText('%')
})
