// Every main view: no serious finding of axe-core, nothing to scroll sideways, and, with SCREENSHOTS=1, its picture.
import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { expect, type Page, test } from '@playwright/test'
import { anotherSeat, board, boardWords, button, goReady, KESTER, pastDaysThere, QUIET, ringMe, sendTo, startShift, state, takeCall } from './desk'

const AXE = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8')

async function look(page: Page, name: string): Promise<void> {
  await page.addScriptTag({ content: AXE })
  const findings = await page.evaluate(async () => {
    const { violations } = await (
      globalThis as unknown as { axe: { run(): Promise<{ violations: { id: string; impact: string; nodes: { html: string }[] }[] }> } }
    ).axe.run()
    return violations
      .filter((v) => v.impact === 'serious' || v.impact === 'critical')
      .map((v) => `${v.id}: ${v.nodes.map((n) => n.html.slice(0, 160)).join(' | ')}`)
  })
  expect(findings, name).toEqual([])
  expect(await page.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth), `${name} scrolls sideways`).toBe(true)
  if (process.env.SCREENSHOTS) await page.screenshot({ path: `docs/screenshots/${name}.png` })
}

// The page's own policy forbids scripts from elsewhere, rightly; the checker is one.
test.use({ bypassCSP: true })

test('every main view passes axe-core and fits', async ({ page }) => {
  test.slow()
  await page.goto('/results?world=quiet&seed=7')
  await pastDaysThere(page)
  await page.mouse.move(0, 0)
  await look(page, 'results')
  await page.getByRole('region', { name: 'Calls' }).getByRole('row').nth(4).click()
  await expect(page.getByRole('region', { name: 'Events' }).getByRole('listitem').first()).toBeVisible()
  await look(page, 'one-call')

  await page.goto(QUIET)
  await page.getByLabel('Agent', { exact: true }).selectOption({ label: 'Kester Oddersey' })
  await look(page, 'start-of-shift')
  await startShift(page)
  await button(page, 'Stand-ins').click()
  await page.getByRole('radio', { name: 'Ordinary day' }).click()
  await look(page, 'stand-ins')
  await page.keyboard.press('Escape')
  await expect(page.getByRole('region', { name: 'Your queues' }).getByText('Ready').nth(3)).toBeVisible()
  await look(page, 'desk-waiting')
  await button(page, 'Stand-ins').click()
  await page.getByRole('radio', { name: 'Quiet' }).click()
  await page.keyboard.press('Escape')
  await expect(page.getByText('Nobody is on shift but you.')).toBeVisible({ timeout: 30_000 })

  await goReady(page)
  await ringMe(page, { caller: 'Perrin Arncliffe' })
  await expect(page.getByRole('region', { name: 'Record' }).getByRole('listitem').first()).toBeVisible()
  await look(page, 'desk-ringing')
  await button(page, 'Answer').click()
  await page.getByRole('radio', { name: 'The person who booked' }).click()
  await button(page, 'Next page').click()
  await page.getByRole('radio', { name: 'Change a booking' }).click()
  await button(page, 'Next page').click()
  await page.getByLabel('Booking reference').fill('FL-204816')
  await page.getByLabel('Notes').fill('Wants the Saturday boat instead, same car.')
  await expect(page.getByRole('log', { name: 'What the caller says' })).toBeVisible()
  await look(page, 'desk-in-call')
  await button(page, 'Hold').click()
  await expect(board(page).getByText('hears music')).toBeVisible()
  await look(page, 'desk-on-hold')
  await button(page, 'Retrieve').click()
  await button(page, 'Hang up').click()
  await expect(state(page)).toHaveText('Wrap-up')
  await page.keyboard.press('Alt+1')
  await look(page, 'desk-in-wrap-up')
})

test('the board with several lines and parties passes axe-core and fits', async ({ page }) => {
  test.slow()
  await takeCall(page, { caller: 'Tegan Brackenhythe' })
  await page.getByRole('radio', { name: 'The person who booked' }).click()
  const kester = await anotherSeat(page, KESTER)
  await page.bringToFront()
  await button(page, 'Transfer').click()
  await expect(page.getByLabel('Who or what number')).toBeFocused()
  await look(page, 'picker')
  await page.getByLabel('Who or what number').fill('Kester Odd')
  await button(page, 'Blind transfer').hover()
  await expect(page.getByRole('status', { name: 'What would happen' })).toContainText('it rings at Kester Oddersey; you leave')
  await look(page, 'transfer-preview')
  await page.getByLabel('Who or what number').press('Escape')
  await sendTo(page, 'Transfer', 'Kester Oddersey', 'Consult')
  await button(kester, 'Answer').click()
  await expect(boardWords(page)).toContainText('You are talking with Kester Oddersey.')
  await page.mouse.move(640, 600)
  await look(page, 'consult')
  await button(page, 'Conference').click()
  await sendTo(page, 'Conference', 'Port office', 'Add now')
  await expect(board(page)).toContainText('Press 1 for berths', { timeout: 15_000 })
  await page.mouse.move(640, 600)
  await look(page, 'conference')
  await button(page, 'Remove Port office, Arnmoor').click()
  await expect(button(page, 'Undo')).toBeVisible()
  await look(page, 'undo')
  await expect(board(page).getByText('Port office, Arnmoor', { exact: true })).toBeHidden({ timeout: 8_000 })
  await button(kester, 'Leave conference').click()
  await expect(state(kester)).not.toHaveText('On call', { timeout: 8_000 })
  await button(page, 'Park').click()
  await expect(page.getByRole('region', { name: 'Parked' })).toContainText('Tegan Brackenhythe')
  await page.keyboard.press('Alt+6')
  await look(page, 'parked')
})
