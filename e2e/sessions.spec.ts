// Sessions: what agents did with their time, stretch by stretch, down to the ledger; the same as the files say.
import { readFile } from 'node:fs/promises'
import { button, goReady, hangUp, pastDaysThere, ringMe, signInAsOwner, startShift, state, WITH_PAST } from './desk'
import { expect, type Page, test } from './warm'

const saved = async (page: Page, file: string): Promise<string> => {
  await button(page, 'Save as a file').click()
  const loading = page.waitForEvent('download')
  await page.getByRole('menuitem', { name: file }).click()
  return readFile(await (await loading).path(), 'utf8')
}
const toMs = (clock: string) => clock.split(':').reduce((sum, part) => sum * 60 + Number(part), 0) * 1000

test('a past day: the table is what the file of states adds up to, a stretch leads to its calls and events, and leaves as CSV and iCalendar', async ({
  page,
}) => {
  test.slow()
  await signInAsOwner(page, `/results${WITH_PAST.slice(1)}`)
  await pastDaysThere(page)
  await button(page, 'Yesterday').click()
  const states = (await saved(page, 'agent-states.ndjson'))
    .trimEnd()
    .split('\n')
    .map((line) => JSON.parse(line) as { agent: string; state: string; fromMs: number; toMs: number })
  await page.getByRole('navigation', { name: 'Results of' }).getByRole('link', { name: 'Sessions' }).click()
  const row = page.getByRole('table', { name: 'Time of agents' }).getByRole('row').filter({ hasText: 'Marit Lundeby' })
  await expect(row).toContainText(/\d\d:\d\d to \d\d:\d\d/)
  const cells = await row.getByRole('cell').allTextContents()
  const own = states.filter((s) => s.agent === 'Marit Lundeby')
  const sum = (...of: string[]) => own.filter((s) => of.includes(s.state)).reduce((total, s) => total + s.toMs - s.fromMs, 0)
  // To the second: the screen shows whole ones.
  expect(own.length).toBeGreaterThan(20)
  const onShiftMs = own.reduce((total, s) => total + s.toMs - s.fromMs, 0)
  expect(Math.abs(toMs(cells[1] ?? '') - onShiftMs)).toBeLessThan(1_000)
  for (const [at, of] of [
    [2, ['onCall', 'dialling']],
    [3, ['wrapUp']],
    [6, ['notReady']],
  ] as const)
    expect(Math.abs(toMs(cells[at] ?? '') - sum(...of))).toBeLessThan(1_000)

  await page.getByRole('button', { name: /^Marit Lundeby: / }).click()
  const stretches = page.getByRole('table', { name: 'Stretches' })
  await expect(stretches.getByRole('row').filter({ hasText: 'On call' }).first().getByRole('link')).not.toHaveCount(0)
  await expect(stretches.locator('tbody')).toHaveCount(own.length)
  await stretches.getByRole('row').filter({ hasText: 'Not ready' }).first().getByRole('button', { name: 'Events' }).click()
  await expect(stretches.getByRole('listitem').filter({ hasText: 'Marit Lundeby started a shift for' })).toBeVisible()

  const csv = await saved(page, 'sessions.csv')
  expect(csv.split('\r\n')[0]).toMatch(/^agentId,agent,dayFromMs,sessions,onShiftMs,onCallMs/)
  expect(csv).toContain(`Marit Lundeby`)
  const calendar = await saved(page, 'sessions.ics')
  expect(calendar).toContain('SUMMARY:Marit Lundeby on shift')
  expect(calendar).not.toContain('BEGIN:VALARM')
})

test('an agent sees the day of their own, as it goes on', async ({ page }) => {
  await startShift(page)
  await goReady(page)
  await ringMe(page)
  await button(page, 'Answer').click()
  await hangUp(page)
  await expect(state(page)).toHaveText('Wrap-up')
  await page.getByRole('link', { name: 'Results' }).click()
  await page.getByRole('navigation', { name: 'Results of' }).getByRole('link', { name: 'Sessions' }).click()
  await expect(page).toHaveURL(/sessions/)
  await button(page, 'Today').click()
  const stretches = page.getByRole('region', { name: 'Day of Eluned Tarnow' }).getByRole('table', { name: 'Stretches' })
  await expect(stretches.getByRole('row').filter({ hasText: 'On call' }).getByRole('link', { name: 'Ottoline Fjelding' })).toBeVisible()
  await expect(page.getByRole('table', { name: 'Time of agents' }).getByRole('row')).toHaveCount(2)
})
