// Breakdowns: any figure by any two of what calls differ in, recomputed from the file, down to the calls, kept and saved.
import { readFile } from 'node:fs/promises'
import { button, pastDaysThere, signInAsOwner, WITH_PAST } from './desk'
import { expect, test } from './warm'

test('by queue and weekday, by agent and team, by an answer: as the file of calls has it, down to the calls, kept under a name', async ({ page }) => {
  test.slow()
  await signInAsOwner(page, `/results${WITH_PAST.slice(1)}`)
  await pastDaysThere(page)
  await button(page, 'Last 7 days').click()
  await button(page, 'Save as a file').click()
  const loading = page.waitForEvent('download')
  await page.getByRole('menuitem', { name: 'calls.ndjson' }).click()
  const calls = (await readFile(await (await loading).path(), 'utf8'))
    .trimEnd()
    .split('\n')
    .map(
      (line) =>
        JSON.parse(line) as {
          queue: string | null
          direction: string
          offeredAtMs: number
          path: string | null
          answers: Record<string, unknown>
          outcome: string | null
        },
    )
  const offered = calls.filter((c) => c.direction === 'inbound' && c.queue !== null)
  await page.getByRole('navigation', { name: 'Results of' }).getByRole('link', { name: 'Breakdown' }).click()
  await expect(page).toHaveURL(/breakdown/)

  await page.getByLabel('Columns').selectOption({ label: 'Weekday' })
  const table = page.getByRole('table', { name: 'Offered by queue and weekday' })
  const of = (queue: string) => offered.filter((c) => c.queue === queue)
  for (const queue of ['Sailings', 'Freight', 'Disruption', 'Assistance'])
    await expect(table.getByRole('button', { name: `Offered ${of(queue).length}, ${queue}: show the calls` })).toBeVisible()
  const mondays = of('Freight').filter((c) => new Date(c.offeredAtMs).getDay() === 1)
  const cell = table.getByRole('button', { name: `Offered ${mondays.length}, Freight, Monday: show the calls` })
  await cell.click()
  const shown = page.getByRole('table', { name: 'Calls of the figure' })
  await expect(shown.getByRole('row')).toHaveCount(Math.min(100, mondays.length) + 1)
  await expect(shown.getByRole('row').nth(1)).toContainText('Mon')

  await page.getByLabel('Rows').selectOption({ label: 'What they chose' })
  await page.getByLabel('Columns').selectOption({ label: 'None' })
  const paths = new Map<string, number>()
  for (const c of offered) paths.set(c.path ?? 'Nothing chosen', (paths.get(c.path ?? 'Nothing chosen') ?? 0) + 1)
  expect(paths.size).toBeGreaterThan(2)
  const byPath = page.getByRole('table', { name: 'Offered by what they chose' })
  for (const [path, count] of paths) await expect(byPath.getByRole('button', { name: `Offered ${count}, ${path}: show the calls` })).toBeVisible()

  // Where the script loses people: outcomes by an answer.
  await page.getByLabel('Rows').selectOption({ label: 'Who is on the line' })
  await page.getByLabel('Columns').selectOption({ label: 'Outcome' })
  await page.getByLabel('Figure').selectOption({ label: 'Coded' })
  const coded = calls.filter((c) => c.direction !== 'internal' && c.outcome !== null)
  await expect(page.getByRole('button', { name: `Coded ${coded.length}: show the calls` })).toBeVisible()

  await button(page, 'Keep…').click()
  await page.getByLabel('Name').fill('Where we lose them')
  await button(page, 'Keep').click()
  await page.getByLabel('Rows').selectOption({ label: 'Agent' })
  await page.getByLabel('Columns').selectOption({ label: 'Team' })
  await expect(page.getByRole('table', { name: 'Coded by agent and team' })).toBeVisible()
  await button(page, 'Kept (1)').click()
  await page.getByRole('menuitem', { name: 'Where we lose them', exact: true }).click()
  await expect(page.getByRole('table', { name: 'Coded by who is on the line and outcome' })).toBeVisible()

  // Yesterday beside the day before.
  await page.getByLabel('Rows').selectOption({ label: 'Queue' })
  await page.getByLabel('Columns').selectOption({ label: 'None' })
  await page.getByLabel('Figure').selectOption({ label: 'Offered' })
  await button(page, 'Yesterday').click()
  await page.getByLabel('Compare with the days before').check()
  const day = (back: number) => {
    const from = new Date()
    from.setHours(0, 0, 0, 0)
    const start = from.getTime() - back * 86_400_000
    return offered.filter((c) => c.queue === 'Sailings' && c.offeredAtMs >= start && c.offeredAtMs < start + 86_400_000).length
  }
  await expect(page.getByRole('table', { name: 'Offered by queue' }).getByRole('row').filter({ hasText: 'Sailings' }).first()).toContainText(
    `${day(1)}(was ${day(2)})`,
  )
  const saving = page.waitForEvent('download')
  await button(page, 'Save as CSV').click()
  expect(await readFile(await (await saving).path(), 'utf8')).toMatch(/^queue,queue in words,offered,answered,/)
})
