import { board, button, goReady, hangUp, ownerTab, pastDaysThere, QUIET, ringMe, signIn, signInAsOwner, startShift, state, takeCall, WITH_PAST } from './desk'
import { type BrowserContext, expect, type Page, test } from './warm'

test('two tabs: the result appears in the supervisor’s tab without reload', async ({ context, page }) => {
  await startShift(page)
  await goReady(page)
  const results = await context.newPage()
  await signInAsOwner(results, '/results')
  await button(results, 'Today').click()
  await expect(results.getByText('No calls in this span.')).toBeVisible()
  await ringMe(page)
  await button(page, 'Answer').click()
  await button(page, 'Hang up').click()
  const row = results.getByRole('row', { name: /Ottoline Fjelding/ })
  await expect(row).toContainText('Handled')
  await page.keyboard.press('Alt+4')
  await page.keyboard.press('Alt+Enter')
  await expect(state(page)).toHaveText('Ready')
  await expect(row).toContainText('Information given')
  await expect(results.locator('[data-figure="Answered"]')).toHaveText('1')
})

test('two agents in two tabs: the call goes to the one longest ready, and on to the other when declined', async ({ context, page }) => {
  await startShift(page)
  await goReady(page)
  const other = await context.newPage()
  await startShift(other, 'Kester Oddersey', '3108')
  await goReady(other)
  await ringMe(other, { into: 'queue' })
  await expect(state(page)).toHaveText('Ringing')
  await expect(state(other)).toHaveText('Ready')
  await button(page, 'Decline').click()
  await expect(state(other)).toHaveText('Ringing')
  await button(other, 'Answer').click()
  await expect(state(other)).toHaveText('On call')
})

/** Alters what the browser keeps, as a failing disk would: from a page of this origin that runs no floor. */
async function alterStore(context: BrowserContext, alter: 'tear' | 'garble'): Promise<number> {
  const page = await context.newPage()
  await page.goto('/api/schemas/call')
  const altered = await page.evaluate(
    (how) =>
      new Promise<number>((resolve, reject) => {
        const opening = indexedDB.open('loyal-switchboard-floor')
        opening.onerror = () => reject(opening.error)
        opening.onsuccess = () => {
          const store = opening.result.transaction('floor', 'readwrite').objectStore('floor')
          const keys = store.getAllKeys()
          keys.onsuccess = () => {
            const chunks = keys.result.filter((k) => String(k).startsWith('chunk/')).sort()
            const key = chunks[how === 'tear' ? chunks.length - 1 : chunks.length - 3]
            if (key === undefined) return reject(new Error('no chunk to alter'))
            const reading = store.get(key)
            reading.onsuccess = () => {
              const chunk = reading.result as { text: string }
              const text = how === 'tear' ? chunk.text.slice(0, Math.floor(chunk.text.length / 2)) : 'not a ledger'
              store.put({ ...chunk, text }, key).onsuccess = () => resolve(chunks.length)
            }
          }
        }
      }),
    alter,
  )
  await page.close()
  return altered
}

async function reopen(context: BrowserContext, closing: Page): Promise<Page> {
  // The seat is remembered by the tab; a new tab signs in anew.
  const page = await context.newPage()
  await closing.close()
  await page.goto(QUIET)
  return page
}

test('a torn last chunk: restored to the last good event, said, and offered as a file', async ({ context, page }) => {
  await takeCall(page)
  await button(page, 'Hold').click()
  await expect(board(page).getByText('hears music')).toBeVisible()
  await page.goto('/api/schemas/call')
  expect(await alterStore(context, 'tear')).toBeGreaterThan(2)
  await page.goto(QUIET)
  await expect(page.getByRole('alert').filter({ hasText: 'could not be read everywhere' })).toContainText(
    /a part of it is torn\. \d+ events? (is|are) left out/,
  )
  // The damaged part holds personal data: whoever may takes it away.
  await expect(button(page, 'Save the damaged part as a file')).toBeHidden()
  const owner = await ownerTab(page, '/results')
  const download = owner.waitForEvent('download')
  await button(owner, 'Save the damaged part as a file').click()
  expect((await download).suggestedFilename()).toBe('damaged-ledger.json')
  // The hold was in the torn part: the call is as it was before it, and work goes on.
  await expect(button(page, 'Hold')).toBeVisible()
  await expect(state(page)).toHaveText('On call')
  await hangUp(page)
  await expect(state(page)).toHaveText('Wrap-up')
})

test('a chunk in the middle that cannot be read: everything before it is here', async ({ context, page }) => {
  await startShift(page)
  await goReady(page)
  await ringMe(page)
  await button(page, 'Answer').click()
  await hangUp(page)
  await expect(state(page)).toHaveText('Wrap-up')
  await page.goto('/api/schemas/call')
  await alterStore(context, 'garble')
  await page.goto(QUIET)
  await expect(page.getByText(/a part of it is torn\. \d+ events? (is|are) left out and set aside\. Everything else is here/)).toBeVisible()
})

test('storage refused: the desk works, says that nothing will be kept, and offers the ledger', async ({ browser }) => {
  const context = await browser.newContext()
  // The worker loads this script; IndexedDB throws there as it does in some private modes.
  await context.route('**/workers/floor.js', async (route) => {
    const answer = await route.fetch()
    const refuse = `Object.defineProperty(self, 'indexedDB', { get() { throw new DOMException('storage is refused here', 'SecurityError') } });\n`
    await route.fulfill({ response: answer, body: refuse + (await answer.text()) })
  })
  const page = await context.newPage()
  await startShift(page)
  await expect(page.getByRole('alert').filter({ hasText: 'What happens now is not kept' })).toBeVisible()
  await goReady(page)
  await ringMe(page)
  await button(page, 'Answer').click()
  await expect(board(page)).toContainText('with you')
  const owner = await ownerTab(page, '/results')
  const download = owner.waitForEvent('download')
  await button(owner, 'Save the ledger as a file').click()
  expect((await download).suggestedFilename()).toBe('ledger.ndjson')
  await context.close()
})

test('past days come in by themselves and the desk is usable meanwhile', async ({ page }) => {
  await startShift(page, undefined, undefined, WITH_PAST)
  const owner = await page.context().newPage()
  await signInAsOwner(owner, `/results${WITH_PAST.slice(1)}`)
  await goReady(page)
  await pastDaysThere(owner)
  await expect(owner.locator('[data-figure="Offered"]')).toHaveText(/^\d{4}$/)
  // Whatever has been offered since, the desk answers a press.
  await button(page, 'Shift').click()
  await expect(page.getByRole('menuitem', { name: 'End shift' })).toBeVisible()
})

test('a seat closed and opened in a new tab signs in anew; the shift is still there for who reloads', async ({ context, page }) => {
  await startShift(page)
  const again = await reopen(context, page)
  await signIn(again)
  await expect(state(again)).toHaveText('Not ready · Just signed in')
})
