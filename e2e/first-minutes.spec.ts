// Somebody new, in the world the demo begins with, and what a seat is worth: the README's path word for word, a call handled
// across pages, places by rights, a stranger's tab, letters on other keyboards, and storage that fails in the middle.
import {
  anotherPress,
  board,
  boardWords,
  button,
  goReady,
  goTo,
  hangUp,
  QUIET,
  quiet,
  ringMe,
  signIn,
  signInAsOwner,
  signOut,
  startShift,
  state,
  takeCall,
} from './desk'
import { BASE_URL } from './settings'
import { type BrowserContext, expect, fresh, type Page, test } from './warm'

test('the README’s path in the default world: a whole call, coded and seen in Results, by nothing but what the screen says', async ({ page }) => {
  await page.goto('/')
  await page.getByLabel('Name', { exact: true }).selectOption({ label: 'Eluned Tarnow' })
  await page.getByLabel('PIN').fill('2417')
  await button(page, 'Sign in').click()
  await button(page, 'Start shift').click()
  const steps = page.getByRole('region', { name: 'First steps' })
  await expect(steps).toContainText('Press Go ready')
  // Before it rings: not ready, Ring me says what to do.
  await button(page, 'Stand-ins').click()
  const standIns = page.getByRole('dialog', { name: 'Stand-ins' })
  await standIns.getByRole('button', { name: 'Ring me' }).click()
  await expect(standIns).toContainText('Go ready')
  await page.keyboard.press('Escape')
  await button(page, 'Go ready').click()
  // The ordinary world may ring first; whoever rings, the next step is the same.
  await expect(state(page)).toHaveText(/^(Ready|Ringing)$/)
  if ((await state(page).textContent()) === 'Ready') {
    await expect(steps).toContainText('press Ring me')
    await button(page, 'Stand-ins').click()
    await standIns.getByRole('button', { name: 'Ring me' }).click()
  }
  await expect(state(page)).toHaveText('Ringing')
  // Where somebody else was quicker, the panel says so and stays.
  if (await standIns.isVisible()) await page.keyboard.press('Escape')
  await expect(steps).toContainText('Press Answer')
  // On days on which a message was left overnight it is offered first, and the steps say so.
  const isMessage = (await boardWords(page).textContent())?.startsWith('A message') === true
  await button(page, 'Answer').click()
  if (isMessage) {
    await expect(steps).toContainText('or Put it away')
    await button(page, 'Put it away').click()
  } else {
    await expect(steps).toContainText('press Hang up')
    await hangUp(page)
  }
  await expect(steps).toContainText('Choose one at the right')
  await page.getByRole('group', { name: 'Outcome' }).getByText('Information given').click()
  await button(page, 'Save outcome').click()
  await expect(steps).toContainText('That was a whole call')
  await button(page, 'Finish').click()
  await expect(steps).toBeHidden()
  await goTo(page, 'Results')
  await button(page, 'Today').click()
  await expect(
    page
      .getByRole('region', { name: 'Calls' })
      .getByRole('row', { name: /Eluned Tarnow.*Information given/ })
      .first(),
  ).toBeVisible()
  await page.reload()
  await goTo(page, 'Desk')
  await expect(state(page)).toBeVisible()
  await expect(steps).toBeHidden()
})

test('a message that was left is offered before anybody rings: the first steps say what it is, and it ends with an outcome as well', async ({ page }) => {
  await page.goto(QUIET)
  await page.getByLabel('Name', { exact: true }).selectOption({ label: 'Eluned Tarnow' })
  await page.getByLabel('PIN').fill('2417')
  await button(page, 'Sign in').click()
  await button(page, 'Start shift').click()
  await button(page, 'Stand-ins').click()
  const standIns = page.getByRole('dialog', { name: 'Stand-ins' })
  await standIns.getByLabel('Queue').selectOption('Freight')
  await standIns.getByRole('button', { name: 'Leave the queue a message' }).click()
  await expect(standIns).toBeHidden()
  const steps = page.getByRole('region', { name: 'First steps' })
  await button(page, 'Go ready').click()
  await expect(steps).toContainText('A message that somebody left is offered', { timeout: 40_000 })
  await button(page, 'Answer').click()
  await expect(steps).toContainText('nobody is on the line')
  await button(page, 'Put it away').click()
  await expect(steps).toContainText('outcome needed')
})

/** Every sound context of the page is listened to where it leaves it: what `loudness` tells is what the loudspeaker gets, 0 to 1. */
async function listenIn(page: Page): Promise<void> {
  await page.addInitScript(() => {
    const ears: AnalyserNode[] = []
    const connect = AudioNode.prototype.connect as (this: AudioNode, to: AudioNode, ...rest: number[]) => AudioNode
    AudioNode.prototype.connect = function (this: AudioNode, to: AudioNode, ...rest: number[]) {
      if (to === this.context.destination) {
        const ear = this.context.createAnalyser()
        connect.call(this, ear)
        ears.push(ear)
      }
      return connect.call(this, to, ...rest)
    } as typeof AudioNode.prototype.connect
    Object.assign(window, {
      loudness: () =>
        Math.max(
          0,
          ...ears.map((ear) => {
            const samples = new Float32Array(ear.fftSize)
            ear.getFloatTimeDomainData(samples)
            return samples.reduce((most, s) => Math.max(most, Math.abs(s)), 0)
          }),
        ),
    })
  })
}
const loudness = (page: Page) => page.evaluate(() => (window as unknown as { loudness: () => number }).loudness())

test('a call rings on another page, is heard, answered and held there, and comes back with its answers', async ({ page }) => {
  await listenIn(page)
  await startShift(page)
  await goReady(page)
  await goTo(page, 'Results')
  expect(await loudness(page)).toBe(0)
  await ringMe(page)
  const line = page.getByRole('region', { name: 'Ringing' })
  await expect(line).toContainText('Ottoline Fjelding')
  await expect.poll(() => loudness(page), { message: 'the ring is heard on Results' }).toBeGreaterThan(0.005)
  await line.getByRole('button', { name: 'Answer' }).click()
  const call = page.getByRole('region', { name: 'Your call' })
  await expect(call).toContainText('You are talking with Ottoline Fjelding.')
  await expect.poll(() => loudness(page), { message: 'the caller is heard on Results', intervals: [40] }).toBeGreaterThan(0.02)
  await call.getByRole('button', { name: 'Hold' }).click()
  await expect.poll(() => loudness(page), { message: 'who holds hears nobody' }).toBe(0)
  await goTo(page, 'Callbacks')
  await anotherPress(page)
  await call.getByRole('button', { name: 'Retrieve' }).click()
  await expect(boardWords(page)).toHaveText('You are talking with Ottoline Fjelding.')
  await call.getByRole('button', { name: 'Back to the desk' }).click()
  await expect(board(page)).toContainText('Ottoline Fjelding')
  await page.getByLabel('Notes').fill('From another page')
  await goTo(page, 'Results')
  await page.keyboard.press('Alt+q')
  await call.getByRole('button', { name: 'Undo' }).click()
  await expect(call).toContainText('You are talking with')
  await goTo(page, 'Desk')
  await expect(page.getByLabel('Notes')).toHaveValue('From another page')
})

test('signed in once, each sees the places of their account; signed out, the computer keeps nothing of them', async ({ page }) => {
  await signIn(page)
  const places = page.getByRole('navigation', { name: 'Places' })
  await expect(places.getByRole('link')).toHaveText(['Desk', 'People', 'Callbacks', 'Results'])
  await goTo(page, 'Results')
  await expect(page.getByRole('heading', { name: 'Your results' })).toBeFocused()
  await expect(page.getByRole('region', { name: 'Export' })).toBeHidden()
  await signOut(page, 'Eluned Tarnow')
  await expect(page.getByRole('heading', { name: 'Sign in' })).toBeVisible()
  await expect(page.getByLabel('PIN')).toHaveValue('')
  expect(await page.evaluate(() => sessionStorage.length)).toBe(0)
  await signInAsOwner(page)
  await expect(places.getByRole('link')).toHaveText(['Desk', 'People', 'Callbacks', 'Campaigns', 'Floor', 'Results', 'Set-up'])
  await goTo(page, 'Results')
  await expect(page.getByRole('region', { name: 'Export' })).toBeVisible()
})

test('a stranger’s tab speaks to the floor’s worker and is refused; the call goes on', async ({ page, context }) => {
  await takeCall(page)
  const stranger = await context.newPage()
  await stranger.goto(quiet('/results'))
  const replies = await stranger.evaluate(
    async (messages) => {
      const { port } = new SharedWorker('/workers/floor.js', { name: 'floor' })
      const answers: unknown[] = []
      for (const message of messages) {
        port.postMessage(message)
        answers.push(
          await new Promise((resolve) => {
            port.onmessage = ({ data }) => data.requestId === message.requestId && resolve(data)
          }),
        )
      }
      return answers
    },
    [
      { kind: 'command', requestId: '1', command: { kind: 'endShift', agentId: 'agent_eluned-tarnow' } },
      { kind: 'setUp', requestId: '2' },
      { kind: 'ledger', requestId: '3' },
    ],
  )
  expect(replies).toHaveLength(3)
  for (const reply of replies) expect(JSON.stringify(reply)).toContain('notSignedIn')
  await expect(state(page)).toHaveText('On call')
})

test('keys go by the letter printed on them, on four keyboards, and never fire for what writes', async ({ page }) => {
  await takeCall(page)
  const press = (key: string, code: string, more: object = {}) =>
    page.evaluate((init) => document.activeElement?.dispatchEvent(new KeyboardEvent('keydown', { bubbles: true, cancelable: true, altKey: true, ...init })), {
      key,
      code,
      ...more,
    })
  // Where the letter H stands elsewhere, as on Dvorak, and where others stand on its place.
  await press('h', 'KeyJ')
  await expect(board(page)).toContainText('hears music')
  await press('d', 'KeyH')
  await anotherPress(page)
  await press('h', 'KeyH')
  await expect(board(page)).not.toContainText('hears music')
  // AZERTY: the key in the place of Q is marked A. It answers nothing now, and it does not hang up.
  await press('a', 'KeyQ')
  // QWERTZ: the key in the place of Y is marked Z, and undoes nothing now; it starts no recording.
  await press('z', 'KeyY')
  // AltGr and Option write; a digit of the number block makes a character.
  await press('@', 'KeyQ', { ctrlKey: true, modifierAltGraph: true })
  await press('q', 'KeyQ', { shiftKey: true })
  await press('4', 'Numpad4')
  await expect(state(page)).toHaveText('On call')
  await expect(button(page, 'Start recording')).toBeVisible()
  // AZERTY again: Q stands in the place of A.
  await press('q', 'KeyA')
  await expect(boardWords(page)).toContainText('You are leaving the call')
})

/** What the browser keeps for this origin: cleared as a person would, or with little room. */
async function storage(context: BrowserContext, page: Page, how: 'cleared' | 'small' | 'roomy'): Promise<void> {
  const session = await context.newCDPSession(page)
  const origin = BASE_URL
  if (how === 'cleared') await session.send('Storage.clearDataForOrigin', { origin, storageTypes: 'indexeddb' })
  else await session.send('Storage.overrideQuotaForOrigin', how === 'small' ? { origin, quotaSize: 400_000 } : { origin })
}

fresh('a full disk in mid-call: said with its reason, nothing of the call is lost, and kept again once there is room', async ({ page, context }) => {
  await storage(context, page, 'small')
  await takeCall(page)
  await page.getByLabel('Notes').fill('Nothing is lost. '.repeat(30_000))
  const alert = page.getByRole('alert').filter({ hasText: 'What happens now is not kept' })
  // It comes with the notes, and moves what is below it: a click in that moment would meet what was there before.
  await expect(alert).toBeVisible()
  await button(page, 'Hold').click()
  await expect(board(page)).toContainText('hears music')
  await anotherPress(page)
  await button(page, 'Retrieve').click()
  await hangUp(page)
  await page.getByRole('group', { name: 'Outcome' }).getByText('Information given').click()
  await button(page, 'Save outcome').click()
  await expect(page.getByRole('status', { name: 'Saved' })).toContainText('It is not on disk.')
  await storage(context, page, 'roomy')
  await expect(alert).toBeHidden({ timeout: 60_000 })
  await page.goto('/api/schemas/call')
  await page.goto(QUIET)
  await goTo(page, 'Results')
  await button(page, 'Today').click()
  await expect(page.getByRole('row', { name: /Ottoline Fjelding.*Information given/ })).toBeVisible()
})

test('browser data cleared in mid-shift is noticed, and what goes on is written anew', async ({ page, context }) => {
  await takeCall(page)
  await storage(context, page, 'cleared')
  await hangUp(page)
  await page.getByRole('group', { name: 'Outcome' }).getByText('Information given').click()
  await button(page, 'Save outcome').click()
  await expect(page.getByText('Somebody has cleared this browser’s data.')).toBeVisible()
  await ringMe(page, { caller: 'Perrin Arncliffe' })
  await button(page, 'Answer').click()
  await hangUp(page)
  await page.getByRole('group', { name: 'Outcome' }).getByText('Information given').click()
  await button(page, 'Save outcome').click()
  // From the disk alone: the shift goes on, and every call that began after it is told of.
  await page.goto('/api/schemas/call')
  await page.goto(QUIET)
  await expect(state(page)).toHaveText('Ready')
  await goTo(page, 'Results')
  await button(page, 'Today').click()
  await expect(page.getByRole('row', { name: /Perrin Arncliffe.*Information given/ })).toBeVisible()
})

test('a page that is locked shows nobody anything and does nothing; its call goes on, also over a reload, and the PIN opens it', async ({ page }) => {
  await takeCall(page)
  await page.getByLabel('Notes').fill('Two adults and a dog')
  await button(page, 'Eluned Tarnow, your settings').click()
  await button(page, 'Lock this page').click()
  const locked = page.getByRole('dialog', { name: 'Locked' })
  await expect(locked).toContainText('Eluned Tarnow is signed in here, and everything is as it was left, and the call goes on.')
  await expect(locked.getByLabel('PIN of Eluned Tarnow')).toBeFocused()
  // Nothing behind it is seen, reached by a key or by Escape, or told to a reader of the screen.
  await expect(page.getByRole('region', { name: 'Board' })).toHaveCount(0)
  for (const key of ['Alt+q', 'Escape', 'Alt+h', 'Tab', 'Tab', 'Tab']) await page.keyboard.press(key)
  expect(await page.evaluate(() => document.activeElement?.closest('[role="dialog"]') !== null)).toBe(true)
  await page.reload()
  await expect(locked).toBeVisible()
  await button(page, 'Unlock').click()
  await expect(locked).toContainText('The PIN is missing.')
  await locked.getByLabel('PIN of Eluned Tarnow').fill('1111')
  await page.keyboard.press('Enter')
  await expect(locked).toContainText('This is not the PIN you signed in with.')
  await locked.getByLabel('PIN of Eluned Tarnow').fill('2417')
  await page.keyboard.press('Enter')
  await expect(locked).toBeHidden()
  await expect(state(page)).toHaveText('On call')
  await expect(page.getByLabel('Notes')).toHaveValue('Two adults and a dog')
  await expect(boardWords(page)).toContainText('You are talking with Ottoline Fjelding')
})
