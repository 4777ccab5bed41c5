// The day so far against what was expected, and what a coming day is expected to need.
import { readFile } from 'node:fs/promises'
import { button, goReady, pastDaysThere, ringMe, signInAsOwner, startShift, WITH_PAST } from './desk'
import { expect, test } from './warm'

test('the day so far counts what came against the days before; tomorrow says what to expect, how far off that is, and whom it takes', async ({ page }) => {
  test.slow()
  await signInAsOwner(page, `/results${WITH_PAST.slice(1)}`)
  await pastDaysThere(page)
  await page.getByRole('link', { name: 'Floor' }).click()
  await expect(page.getByText(/^0 calls, \d+ expected by now$|no past days/)).toBeVisible()
  const agent = await page.context().newPage()
  await startShift(agent)
  await goReady(agent)
  await ringMe(agent)
  await expect(page.getByText(/^1 call, \d+ expected by now$/)).toBeVisible()
  await expect(page.getByRole('img', { name: /^All queues by quarter of an hour\..* 1 calls, [\d.]+ expected, 1 on shift/ })).toBeVisible()
  await page.getByLabel('Queue', { exact: true }).selectOption({ label: 'Freight' })
  await expect(page.getByText(/^0 calls, \d+ expected by now$/)).toBeVisible()

  await page.getByRole('link', { name: 'Tomorrow' }).click()
  const table = page.getByRole('table', { name: 'Expected, by queue' })
  const sailings = table.getByRole('row').filter({ hasText: 'Sailings' })
  await expect(sailings).toContainText(/\d days, \d of this weekday/)
  await expect(sailings).toContainText(/\d+ % \(\d+ %\)/)
  const calls = async () => Number(await sailings.getByRole('cell').first().textContent())
  const agents = async () => Number(await sailings.getByRole('cell').last().textContent())
  const usual = { calls: await calls(), agents: await agents() }
  expect(usual.calls).toBeGreaterThan(50)
  await page.getByLabel('Calls, % of usual').fill('200')
  await expect.poll(calls).toBeGreaterThan(1.9 * usual.calls)
  expect(await agents()).toBeGreaterThan(usual.agents)
  await page.getByLabel('Calls, % of usual').fill('many')
  await expect(page.getByText('A number from 1 to 1000.')).toBeVisible()
  await page.getByLabel('Calls, % of usual').fill('100')
  await expect.poll(calls).toBe(usual.calls)

  const saving = page.waitForEvent('download')
  await button(page, 'Save as CSV').click()
  const lines = (await readFile(await (await saving).path(), 'utf8')).trimEnd().split('\r\n')
  expect(lines).toHaveLength(97)
  const heads = (lines[0] ?? '').split(',')
  const column = (name: string) => lines.slice(1).map((line) => Number(line.split(',')[heads.indexOf(name)]))
  const sum = column('Sailings calls').reduce((a, b) => a + b, 0)
  expect(Math.abs(sum - usual.calls)).toBeLessThan(1)
  expect(Math.max(...column('Sailings agents'))).toBe(usual.agents)
  // Nobody shared takes more people than everybody shared.
  for (const [q, together] of column('agents together').entries()) expect(together).toBeLessThanOrEqual(column('agents apart')[q] ?? 0)
})
