import { readFile } from 'node:fs/promises'
import { button, pastDaysThere, signInAsOwner, startShift, WITH_PAST } from './desk'
import { figures, fromCsv, fromNdjson } from './recompute'
import { expect, type Page, test } from './warm'

async function downloaded(page: Page, name: string): Promise<string> {
  const download = page.waitForEvent('download')
  await button(page, 'Save as a file').click()
  await page.getByRole('menuitem', { name }).click()
  return (await download).path()
}

const exported = async (page: Page, name: string): Promise<string> => readFile(await downloaded(page, name), 'utf8')

test('the exported files give the screen’s figures, recomputed by code that shares nothing with the product', async ({ page }) => {
  // A shift of today is in the span as well, so that past and live are added up together.
  const desk = await page.context().newPage()
  await startShift(desk, undefined, undefined, WITH_PAST)
  await signInAsOwner(page, `/results${WITH_PAST.slice(1)}`)
  await pastDaysThere(page)
  // A closed span: figures of days that are over do not move while the files are written.
  await button(page, 'Yesterday').click()
  await expect(button(page, 'Yesterday')).toHaveAttribute('aria-pressed', 'true')
  for (const span of ['Yesterday', 'a week'] as const) {
    if (span === 'a week') {
      const yesterday = new URL(page.url()).searchParams.get('to') ?? ''
      await page.getByLabel('From', { exact: true }).fill(new Date(Date.parse(yesterday) - 6 * 86_400_000).toISOString().slice(0, 10))
      await expect(page.locator('[data-figure="Offered"]')).toHaveText(/^\d{4}$/)
    }
    const calls = await exported(page, 'calls.ndjson')
    const states = await exported(page, 'agent-states.ndjson')
    const { outcomes, abandonRate, ...expected } = figures(calls, states, { Sailings: 20_000, Freight: 30_000, Disruption: 20_000, Assistance: 10_000 })
    for (const [name, value] of Object.entries(expected)) await expect(page.locator(`[data-figure="${name}"]`), `${name}, ${span}`).toHaveText(value)
    await expect(page.locator('dl').first()).toContainText(`${abandonRate}, `)
    expect(Number(expected.Offered)).toBeGreaterThan(500)

    const shown = await page
      .locator('tr[data-outcome]')
      .evaluateAll((rows) => rows.map((r) => [r.getAttribute('data-outcome'), Number(r.querySelector('td')?.textContent)]))
    expect(Object.fromEntries(shown)).toEqual(outcomes)

    const csv = fromCsv(await exported(page, 'calls.csv'))
    const json = fromNdjson<Record<string, unknown>>(calls)
    const cell = (value: unknown) => (value === null ? '' : typeof value === 'object' ? JSON.stringify(value) : String(value))
    // One comparison: the test runner keeps a record of every expectation, and these are a hundred thousand cells.
    expect(csv).toEqual(json.map((record) => Object.fromEntries(Object.entries(record).map(([field, value]) => [field, cell(value)]))))
  }
})

test('calls are searched, filtered and sorted, and lead to the single call; a span that makes no sense is refused in a sentence', async ({ page }) => {
  await signInAsOwner(page, '/results?world=quiet&seed=7')
  await pastDaysThere(page)
  const calls = page.getByRole('region', { name: 'Calls' })
  await calls.getByLabel('Search').fill('ottoline fjelding freight')
  await calls.getByLabel('Search').fill('ottoline fjelding')
  await calls.getByLabel('Result').selectOption({ label: 'Abandoned' })
  await expect(calls.getByRole('row', { name: /Handled/ })).toHaveCount(0)
  await calls.getByLabel('Result').selectOption({ label: 'All' })
  await button(page, 'Waited').click()
  const first = calls.getByRole('row').nth(1)
  await expect(first).toContainText('Ottoline Fjelding')
  await first.click()
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Ottoline Fjelding')
  await expect(page.getByRole('region', { name: 'Events' }).getByRole('listitem').first()).toContainText('The call entered')
  await page.getByRole('link', { name: 'All results' }).click()
  await calls.getByLabel('Search').fill('nobody of this name')
  await expect(calls.getByText('No call fits the search.')).toBeVisible()
  await page.getByLabel('From', { exact: true }).fill('tomorrow')
  await expect(page.getByText('The first day comes after the last. Swap them.')).toBeVisible()
})

test('far down a long list the calls are there, and a table is sorted by the head that is pressed', async ({ page }) => {
  await signInAsOwner(page, '/results?world=quiet&seed=7')
  await pastDaysThere(page)
  const calls = page.getByRole('region', { name: 'Calls' })
  const list = calls.getByLabel('Calls, scrollable')
  for (const share of [0.5, 1, 0.2])
    await expect(async () => {
      // Days that come in meanwhile make it longer.
      const count = Number(await calls.getByRole('table').getAttribute('aria-rowcount'))
      expect(count).toBeGreaterThan(1_000)
      await list.evaluate((element, to) => element.scrollTo({ top: element.scrollHeight * to }), share)
      // Rows that are drawn say which of all rows they are; every one of them is a call.
      const drawn = await list.getByRole('row').evaluateAll((rows) => rows.map((r) => [Number(r.getAttribute('aria-rowindex')), r.textContent ?? ''] as const))
      expect(drawn.length).toBeGreaterThan(10)
      expect(Math.min(...drawn.map(([index]) => Math.abs(index - count * share)))).toBeLessThan(30)
      expect(drawn.filter(([, text]) => !/\d\d:\d\d:\d\d/.test(text))).toEqual([])
    }).toPass()
  const byAgent = page.getByRole('table', { name: 'By agent' })
  const head = byAgent.getByRole('columnheader', { name: 'AHT' })
  const names = () => byAgent.getByRole('rowheader').allTextContents()
  const given = await names()
  const seconds = async () =>
    (await byAgent.getByRole('row').evaluateAll((rows) => rows.slice(1).map((r) => r.querySelectorAll('td')[1]?.textContent ?? ''))).map((text) =>
      text.split(':').reduce((sum, part) => 60 * sum + Number(part), 0),
    )
  for (const order of ['descending', 'ascending'] as const) {
    await head.getByRole('button').click()
    await expect(head).toHaveAttribute('aria-sort', order)
    const sorted = (await seconds()).filter((n) => !Number.isNaN(n))
    expect(sorted.length).toBeGreaterThan(5)
    expect(sorted).toEqual(sorted.toSorted((a, b) => (order === 'ascending' ? a - b : b - a)))
  }
  await head.getByRole('button').click()
  expect(await names()).toEqual(given)
})

test('coming back from a call: the same days, search, sorting and place, and the keyboard at that call; on paper stands what is said to stand there', async ({
  page,
}) => {
  await signInAsOwner(page, '/results?world=quiet&seed=7')
  await pastDaysThere(page)
  await button(page, 'Yesterday').click()
  const calls = page.getByRole('region', { name: 'Calls' })
  const list = calls.getByLabel('Calls, scrollable')
  await calls.getByLabel('Result').selectOption({ label: 'Handled' })
  await expect(calls.getByRole('row', { name: /Abandoned/ })).toHaveCount(0)
  const before = (await list.locator('[aria-rowindex="2"]').getAttribute('data-href')) ?? ''
  await calls
    .getByRole('columnheader', { name: /^Caller/ })
    .getByRole('button')
    .click()
  // In its new order.
  await expect(list.locator('[aria-rowindex="2"]')).not.toHaveAttribute('data-href', before)
  await expect(calls.getByRole('columnheader', { name: /^Caller/ })).not.toHaveAttribute('aria-sort', 'none')
  await list.evaluate((e) => e.scrollTo({ top: 3_000 }))
  const row = list.locator('[aria-rowindex="100"]')
  await expect(row).toBeVisible()
  const which = (await row.getAttribute('data-href')) ?? ''
  for (const back of ['link', 'browser'] as const) {
    await list.locator('[aria-rowindex="100"]').click()
    await expect(page.getByRole('region', { name: 'Events' })).toBeVisible()
    if (back === 'link') await page.getByRole('link', { name: 'All results' }).click()
    else await page.goBack()
    await expect(row).toHaveAttribute('data-href', which)
    await expect(row).toBeInViewport()
    await expect(row).toBeFocused()
    await expect(button(page, 'Yesterday')).toHaveAttribute('aria-pressed', 'true')
    expect(Math.abs((await list.evaluate((e) => e.scrollTop)) - 3_000)).toBeLessThan(400)
  }

  await page.emulateMedia({ media: 'print' })
  await expect(page.getByRole('navigation')).toHaveCount(0)
  const says = /Calls (\d+) to (\d+) of ([\d,]+) are on this paper/.exec((await calls.textContent()) ?? '')
  const [, from = Number.NaN, to = Number.NaN] = (says ?? []).map((n) => Number(n.replace(',', '')))
  expect(await calls.getByRole('row').count()).toBe(to - from + 2)
  // Every head and every row is on the paper, and none lies behind another or is cut off.
  await expect(calls.getByRole('columnheader', { name: /^Offered/ })).toBeVisible()
  // A figure without its name is none; bars say of whom they are, and which colour is which outcome.
  for (const name of ['Offered', 'Service level', 'Occupancy']) await expect(page.locator('dt').filter({ hasText: name }).first()).toBeVisible()
  await expect(page.getByRole('button', { name: /^Sailings/ }).first()).toBeVisible()
  await expect(page.getByRole('group', { name: 'Outcomes shown' })).toBeVisible()
  await expect(button(page, 'Save as a file')).toBeHidden()
  const cut = () =>
    page.evaluate(() =>
      [...document.querySelectorAll('main *')]
        .filter(
          (e) => /auto|scroll|hidden/.test(getComputedStyle(e).overflowY) && e.scrollHeight > e.clientHeight + 2 && e.clientHeight > 24 && e.checkVisibility(),
        )
        .map((e) => `${e.tagName} ${e.getAttribute('aria-label') ?? e.className}`),
    )
  expect(await cut()).toEqual([])
  const tops = await calls.getByRole('row').evaluateAll((rows) => rows.map((r) => r.getBoundingClientRect().top))
  expect(tops).toEqual([...new Set(tops)].toSorted((a, b) => a - b))
  await page.emulateMedia({ media: 'screen' })
  await row.click()
  const events = page.getByRole('region', { name: 'Events' }).getByRole('listitem')
  await expect(events.first()).toBeVisible()
  const shown = await events.count()
  await page.emulateMedia({ media: 'print' })
  await expect(page.getByRole('navigation')).toHaveCount(0)
  await expect(page.getByRole('link', { name: 'All results' })).toBeHidden()
  expect(await events.count()).toBe(shown)
  await expect(page.getByRole('region', { name: 'Outcome' })).toBeVisible()
  expect(await cut()).toEqual([])
})

test('the calls are one Tab stop: arrows, Page, Home, End and letters go through them, also where none is drawn yet', async ({ page }) => {
  await signInAsOwner(page, '/results?world=quiet&seed=7')
  await pastDaysThere(page)
  const table = page.getByRole('region', { name: 'Calls' }).getByRole('table', { name: 'Calls' })
  const row = (index: number) => table.locator(`[aria-rowindex="${index}"]`)
  await row(2).focus()
  for (const [key, index] of [
    ['ArrowDown', 3],
    ['PageDown', 15],
    ['ArrowUp', 14],
  ] as const) {
    await page.keyboard.press(key)
    await expect(row(index), key).toBeFocused()
  }
  await page.keyboard.press('End')
  const count = Number(await table.getAttribute('aria-rowcount'))
  expect(count).toBeGreaterThan(1_000)
  await expect(row(count)).toBeFocused()
  await expect(row(count)).toBeInViewport()
  await page.keyboard.press('Home')
  await expect(row(2)).toBeFocused()
  // Letters: the next caller among the calls at hand whose name begins so, and the one after that.
  const caller = (index: number) => row(index).getByRole('cell').nth(2).textContent()
  const focused = () => page.evaluate(() => Number(document.activeElement?.getAttribute('aria-rowindex')))
  const letter = (await caller(6))?.[0] ?? ''
  const seen: number[] = []
  for (let at = 2; at < 6; at = seen.at(-1) ?? 6) {
    await page.keyboard.press(letter)
    await expect.poll(focused).toBeGreaterThan(at)
    seen.push(await focused())
    expect((await caller(seen.at(-1) ?? 0))?.[0]).toBe(letter)
    // Letters in quick succession are one beginning.
    await page.waitForFunction((fromMs) => performance.now() > fromMs + 700, await page.evaluate(() => performance.now()))
  }
  expect(seen.at(-1)).toBe(6)
  await page.keyboard.press('Home')
  await expect(row(2)).toBeFocused()
  await page.keyboard.press('Tab')
  expect(await table.evaluate((t) => t.contains(document.activeElement))).toBe(false)
  await page.keyboard.press('Shift+Tab')
  await expect(row(2)).toBeFocused()
  await page.keyboard.press('Enter')
  await expect(page.getByRole('region', { name: 'Events' })).toBeVisible()
  // Find shows a few of the calls of a name, and says how many it leaves out.
  await page.keyboard.press('Alt+l')
  await page.getByLabel('What to find').fill('Kester')
  await expect(page.getByRole('dialog', { name: 'Find' })).toContainText(/[1-9][\d,]+ more: type another letter\./)
})
