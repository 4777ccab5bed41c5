import { addDays, format } from 'date-fns'
// How many gestures the work of a day takes by keyboard alone, pressing what the help says: a key with whatever is held is one gesture; names, numbers
// and times that have to be typed are not counted.
import { anotherPress, anotherSeat, board, button, goReady, KESTER, reaches, ringMe, signInAsOwner, startCampaign, startShift, state, takeCall } from './desk'
import { expect, type Page, test } from './warm'

class Hands {
  count = 0
  constructor(private readonly page: Page) {}
  async press(key: string): Promise<void> {
    this.count++
    await this.page.keyboard.press(key)
  }
  /** A name, a number or a time. */
  async type(text: string): Promise<void> {
    await this.page.keyboard.type(text)
  }
}

test('a usual call: at most five gestures after the answer', async ({ page }) => {
  await startShift(page)
  await goReady(page)
  await ringMe(page)
  await expect(page.getByRole('button', { name: 'Answer' })).toBeVisible()
  await page.keyboard.press('Alt+a')
  await expect(state(page)).toHaveText('On call')
  // The page to read is there in the frame after the state.
  await expect(page.getByRole('radio', { name: /The person who booked/ })).toBeEnabled()
  const hands = new Hands(page)
  // The first answer of the script, by its digit: nothing has to be gone to.
  await hands.press('1')
  await expect(page.getByRole('radio', { name: /The person who booked/ })).toBeChecked()
  await hands.press('Alt+q')
  await hands.press('Alt+4')
  await hands.press('Alt+Enter')
  await expect(state(page)).toHaveText('Ready')
  expect(hands.count).toBeLessThanOrEqual(5)
})

test('a call of a campaign: at most four gestures from the voice to the next call', async ({ page }) => {
  await startCampaign(page)
  await reaches(page, 'People, at once')
  await page.keyboard.press('Alt+r')
  await expect(state(page)).toHaveText('On call')
  const record = page.getByRole('region', { name: 'Record', exact: true }).getByRole('heading', { level: 2 })
  const first = (await record.textContent()) ?? ''
  expect(first).not.toBe('')
  const answer = page.getByRole('region', { name: 'Reading pane' }).getByRole('radio').first()
  await expect(answer).toBeEnabled()
  const hands = new Hands(page)
  await hands.press('1')
  await expect(answer).toBeChecked()
  await hands.press('Alt+1')
  await hands.press('Alt+q')
  await expect(state(page)).toHaveText('Wrap-up')
  await hands.press('Alt+Enter')
  await expect(state(page)).toHaveText('On call')
  await expect(record.filter({ hasText: first })).toHaveCount(0)
  expect(hands.count).toBeLessThanOrEqual(4)
})

test('an attended transfer: at most four gestures, and the name', async ({ page }) => {
  await takeCall(page)
  const kester = await anotherSeat(page, KESTER)
  const hands = new Hands(page)
  await hands.press('Alt+t')
  await expect(page.getByLabel('Who or what number')).toBeFocused()
  await hands.type('Kester')
  await expect(page.getByRole('listbox', { name: 'Where to' }).getByRole('option').first()).toContainText('Kester')
  await hands.press('Enter')
  await button(kester, 'Answer').click()
  await expect(board(page).getByText('Kester Oddersey').first()).toBeVisible()
  await hands.press('Alt+g')
  await expect(state(page)).toHaveText('Wrap-up')
  await expect(state(kester)).toHaveText('On call')
  expect(hands.count).toBeLessThanOrEqual(4)
})

test('a callback for tomorrow: at most six gestures, and the time', async ({ page }) => {
  await takeCall(page)
  const hands = new Hands(page)
  await hands.press('Alt+q')
  await expect(state(page)).toHaveText('Wrap-up')
  await hands.press('Alt+5')
  await expect(page.getByLabel('Callback day')).toBeFocused()
  await hands.type('tom')
  await hands.press('Tab')
  await expect(page.getByLabel('Callback day')).toHaveValue(format(addDays(Date.now(), 1), 'EEE d MMM'))
  await hands.type('0230PM')
  await expect(page.getByRole('group', { name: 'Callback', exact: true })).toContainText(', 14:30')
  await hands.press('Alt+Enter')
  await expect(state(page)).toHaveText('Ready')
  await page.getByRole('navigation', { name: 'Places' }).getByRole('link', { name: 'Callbacks' }).click()
  await expect(page.getByRole('row').filter({ hasText: 'Ottoline Fjelding' })).toContainText('14:30')
  expect(hands.count).toBeLessThanOrEqual(6)
})

test('a setting: at most twelve gestures, and its name and value', async ({ page }) => {
  await signInAsOwner(page, '/results?world=quiet&seed=7&days=0')
  const hands = new Hands(page)
  await hands.press('Alt+l')
  await expect(page.getByLabel('What to find')).toBeFocused()
  await hands.type('sail wrap')
  await expect(page.getByText('Enter opens Sailings: Wrap-up.')).toBeVisible()
  await hands.press('Enter')
  await expect(page.getByLabel('Recommended (seconds)')).toBeFocused()
  await hands.type('50')
  await hands.press('Enter')
  await expect(button(page, 'Put into use')).toBeFocused()
  await hands.press('Enter')
  await expect(page.getByText('The set-up is in use on the floor.')).toBeVisible()
  expect(hands.count).toBeLessThanOrEqual(12)
})

test('an act of a supervisor on an agent: at most five gestures, and the name', async ({ page }) => {
  await startShift(page)
  const floor = await page.context().newPage()
  await signInAsOwner(floor, '/results?world=quiet&seed=7&days=0')
  const hands = new Hands(floor)
  await hands.press('Alt+l')
  await expect(floor.getByLabel('What to find')).toBeFocused()
  await hands.type('eluned floor')
  await expect(floor.getByText('Enter opens Eluned Tarnow.')).toBeVisible()
  await hands.press('Enter')
  await expect(floor.getByRole('button', { name: 'Eluned Tarnow', exact: true })).toBeFocused()
  await hands.press('Enter')
  await expect(floor.getByRole('menuitem', { name: 'Set ready' })).toBeVisible()
  // By its first letters.
  await floor.keyboard.type('set r')
  await hands.press('Enter')
  await expect(state(page)).toHaveText('Ready')
  expect(hands.count).toBeLessThanOrEqual(5)
})

test('the recording of a known call: at most six gestures, and the name', async ({ page }) => {
  await takeCall(page)
  await page.keyboard.press('Alt+y')
  await expect(button(page, 'Stop recording')).toBeVisible()
  await page.keyboard.press('Alt+q')
  await page.keyboard.press('Alt+4')
  await page.keyboard.press('Alt+Enter')
  await expect(state(page)).toHaveText('Ready')
  const hands = new Hands(page)
  await hands.press('Alt+l')
  await hands.type('Ottoline')
  const found = page.getByRole('option').filter({ hasText: 'Call for Sailings' }).first()
  await expect(found).toBeVisible()
  await expect(page.getByRole('option').first()).toBeVisible()
  await hands.press('ArrowUp')
  await expect(found).toHaveAttribute('aria-selected', 'true')
  await hands.press('Enter')
  await expect(page.getByRole('heading', { level: 1, name: /Ottoline Fjelding/ })).toBeVisible()
  await hands.press('F6')
  await hands.press('Enter')
  expect(hands.count).toBeLessThanOrEqual(6)
})

test('a table is one Tab stop: arrows go through it and letters to a name; F6 goes round the parts of the screen', async ({ page }) => {
  await signInAsOwner(page, '/set-up?world=quiet&seed=7&days=0')
  const accounts = page.getByRole('region', { name: 'Accounts' })
  const edit = (name: string) => accounts.getByRole('row').filter({ hasText: name }).getByRole('button').last()
  await edit('Eluned Tarnow').focus()
  await page.keyboard.press('ArrowDown')
  await expect(edit('Kester Oddersey')).toBeFocused()
  await page.keyboard.press('s')
  await expect(edit('Sunniva Merrowby')).toBeFocused()
  await page.keyboard.press('Home')
  await expect(edit('Eluned Tarnow')).toBeFocused()
  // Out of it with one Tab, and back to where one was.
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('Tab')
  await expect.poll(() => page.evaluate(() => document.activeElement?.closest('section')?.getAttribute('aria-label') ?? null)).not.toBe('Accounts')
  await page.keyboard.press('Shift+Tab')
  await expect(edit('Kester Oddersey')).toBeFocused()
  const seen = new Set<string>()
  for (let i = 0; i < 30; i++) {
    await page.keyboard.press('F6')
    seen.add(await page.evaluate(() => document.activeElement?.closest('nav, section, aside, footer, main')?.getAttribute('aria-label') ?? ''))
  }
  expect([...seen]).toEqual(expect.arrayContaining(['Places', 'Under Set-up', 'Queues', 'Files']))
})

test('what a screen reader says of a whole call reads like a story, each thing once', async ({ page }) => {
  await startShift(page)
  await page.evaluate(() => {
    const said: string[] = []
    ;(globalThis as unknown as { said: string[] }).said = said
    const last = new Map<Element, string>()
    const look = () => {
      for (const part of document.querySelectorAll('[role="status"], [role="alert"], [aria-live="polite"], [aria-live="assertive"]')) {
        const text = part.getAttribute('aria-live') === 'off' ? '' : (part.textContent ?? '').trim().replace(/\s+/g, ' ')
        if (last.get(part) === text) continue
        // What stood there first is read by who goes there, and not said.
        const isNew = !last.has(part)
        last.set(part, text)
        if (text !== '' && (!isNew || part.getAttribute('role') === 'alert')) said.push(text)
      }
    }
    look()
    new MutationObserver(look).observe(document.body, { childList: true, subtree: true, characterData: true })
  })
  await goReady(page)
  await ringMe(page)
  await expect(page.getByRole('button', { name: 'Answer' })).toBeVisible()
  await page.keyboard.press('Alt+a')
  await expect(state(page)).toHaveText('On call')
  await page.keyboard.press('Alt+h')
  await expect(button(page, 'Retrieve')).toBeVisible()
  await anotherPress(page)
  await page.keyboard.press('Alt+h')
  await expect(button(page, 'Hold')).toBeVisible()
  await page.keyboard.press('1')
  await page.keyboard.press('Alt+n')
  await expect(page.getByRole('status', { name: 'Page of the script' })).toHaveText(/^Page 2/)
  await page.keyboard.press('Alt+q')
  await expect(state(page)).toHaveText('Wrap-up')
  await page.keyboard.press('Alt+4')
  await page.keyboard.press('Alt+Enter')
  await expect(state(page)).toHaveText('Ready')
  await expect
    .poll(() => page.evaluate(() => (globalThis as unknown as { said: string[] }).said))
    .toEqual([
      'Ottoline Fjelding is ringing.',
      'You are talking with Ottoline Fjelding.',
      'Ottoline Fjelding is on hold.',
      'You are talking with Ottoline Fjelding.',
      'Page 2: What brings them',
      'You are leaving the call with Ottoline Fjelding. Undo keeps it.',
      'No call. The last call has ended; outcome needed.',
      'No call on the board.',
      'Outcome saved: Information given.',
    ])
})
