// The desk wherever the agent is: a small window above others, panes as wide as they like them, and no network.
import { anotherPress, anotherSeat, board, boardWords, button, goTo, KESTER, startShift, state, takeCall } from './desk'
import { expect, fresh, type Page, test } from './warm'

test('a small window has the whole call: the same state, the same keys, the outcome and what comes next', async ({ page }) => {
  // A browser that can keep a window above others does; this one is asked for a plain one.
  await page.addInitScript(() => Reflect.deleteProperty(window, 'documentPictureInPicture'))
  await takeCall(page)
  const kester = await anotherSeat(page, KESTER)
  await page.bringToFront()
  const opening = page.context().waitForEvent('page')
  await button(page, 'Small window').click()
  const small = await opening
  await expect(state(small)).toHaveText('On call')
  await expect(board(small)).toContainText('Ottoline Fjelding')
  await button(small, 'Hold').click()
  await expect(boardWords(page)).toContainText('is on hold')
  await anotherPress(small)
  await small.keyboard.press('Alt+h')
  await expect(boardWords(page)).toHaveText('You are talking with Ottoline Fjelding.')
  // A colleague is asked, from a picker and a menu that open in the window they were asked for in.
  await button(small, 'Transfer').click()
  await small.getByLabel('Who or what number').fill('Kester')
  await small.getByRole('button', { name: 'Consult', exact: true }).click()
  await button(kester, 'Answer').click()
  await expect(button(small, 'Complete transfer')).toBeEnabled()
  await button(small, 'End consult').click()
  // The keys are shown for as long as Alt is down in a window that has the focus: it may still be coming to this one.
  await expect(async () => {
    await small.locator('body').dispatchEvent('keydown', { key: 'Alt', code: 'AltLeft', altKey: true })
    await expect(board(small).getByText('H', { exact: true })).toBeVisible({ timeout: 1_000 })
  }).toPass()
  await small.locator('body').dispatchEvent('keyup', { key: 'Alt', code: 'AltLeft', altKey: false })
  await expect(board(small).getByText('H', { exact: true })).toBeHidden()
  await button(small, 'Move call').click()
  await expect(small.getByRole('menuitem', { name: /This computer/ })).toBeVisible()
  await small.keyboard.press('Escape')
  await button(small, 'Keypad').click()
  await small.getByRole('button', { name: '5', exact: true }).click()
  await small.keyboard.press('Escape')
  // What is chosen and written in one stands in the other.
  await small.keyboard.press('Alt+4')
  await small.getByLabel('Notes').fill('Asked for the times.')
  await expect(page.getByLabel('Notes')).toHaveValue('Asked for the times.')
  await goTo(page, 'People')
  await small.keyboard.press('Alt+q')
  await expect(state(small)).toHaveText('Wrap-up', { timeout: 10_000 })
  await small.keyboard.press('Alt+Enter')
  await expect(state(page)).toHaveText('Ready')
  await expect(small.getByText('Outcome saved: Information given.')).toBeVisible()
  await small.close()
  await expect(button(page, 'Small window')).toBeVisible()
})

const widthOf = async (page: Page, name: string) => (await page.getByRole('complementary', { name }).boundingBox())?.width ?? 0

test('panes are as wide as they are made, by key and by hand, for each account, and back with one press; people stay open beside a call', async ({ page }) => {
  await takeCall(page)
  const record = 'Record and outcome'
  const before = await widthOf(page, record)
  const line = page.getByRole('separator', { name: 'Width of the record' })
  await line.focus()
  for (let i = 0; i < 2; i++) await page.keyboard.press('ArrowLeft')
  await expect.poll(() => widthOf(page, record)).toBeGreaterThan(before + 20)
  const byKey = await widthOf(page, record)
  const box = await line.boundingBox()
  await page.mouse.move(box?.x ?? 0, 500)
  await page.mouse.down()
  await page.mouse.move((box?.x ?? 0) - 40, 500, { steps: 4 })
  await page.mouse.up()
  await expect.poll(() => widthOf(page, record)).toBeGreaterThan(byKey + 20)
  const wide = await widthOf(page, record)
  await page.reload()
  await expect.poll(() => widthOf(page, record)).toBeCloseTo(wide, -1)
  await page.getByRole('separator', { name: 'Width of the record' }).focus()
  await button(page, 'Widths as before').click()
  await expect.poll(() => widthOf(page, record)).toBeCloseTo(before, -1)

  const kester = await anotherSeat(page, KESTER)
  await page.bringToFront()
  await button(page, 'Show people').click()
  await page.getByLabel('Find a colleague').fill('kes')
  await button(page, 'Bring Kester Oddersey').click()
  await button(page, 'Consult').click()
  await expect(state(kester)).toHaveText('Ringing')
})

fresh.describe('without a network', () => {
  fresh.use({ serviceWorkers: 'allow' })
  fresh('the desk opens after a first visit, with the shift that is on, and its other pages', async ({ page, context }) => {
    await startShift(page)
    await page.evaluate(async () => {
      await navigator.serviceWorker.ready
    })
    await context.setOffline(true)
    await page.reload()
    await expect(state(page)).toHaveText('Not ready · Just signed in')
    await expect(board(page)).toContainText('No call.')
    await page.goto('/people?world=quiet&seed=7&days=0')
    await expect(page.getByRole('listbox', { name: 'People' }).getByRole('option').first()).toBeVisible()
    await goTo(page, 'Callbacks')
    await expect(page.getByRole('heading', { level: 1, name: 'Callbacks' })).toBeVisible()
  })
})
