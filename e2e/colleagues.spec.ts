import { anotherSeat, board, boardWords, button, goReady, goTo, KESTER, ringMe, SUNNIVA, signInAsOwner, startShift, state } from './desk'
import { expect, type Page, test } from './warm'

/** By the dial line, as somebody who has both hands on the keyboard. */
async function callByName(page: Page, name: string): Promise<void> {
  await page.keyboard.press('Alt+L')
  await page.keyboard.type(name)
  await expect(page.getByText(`Enter calls ${name}`)).toBeVisible()
  await page.keyboard.press('Enter')
}

const asks = (page: Page, name: string) => page.getByRole('alert', { name: `${name} asks` })

test('two colleagues call each other: held, consulted about, joined by a third; nobody owes anything and no figure counts it', async ({ page }) => {
  await startShift(page)
  const kester = await anotherSeat(page, KESTER, true)
  const sunniva = await anotherSeat(page, SUNNIVA, false)
  await goReady(page)
  // By the extension of his desk; nobody else is meant by it.
  await page.getByLabel('Dial line').fill('502')
  await expect(page.getByRole('listbox', { name: 'People' }).getByRole('option')).toHaveText([/Kester Oddersey/])
  if (process.env.PICTURE) await page.screenshot({ path: '/tmp/dial202.png' })
  await page.keyboard.press('Enter')
  await expect(state(page)).toHaveText('On internal call')
  await expect(state(kester)).toHaveText('Ringing')
  await expect(boardWords(kester)).toContainText('Eluned Tarnow is ringing')
  await kester.keyboard.press('Alt+A')
  await expect(boardWords(page)).toHaveText('You are talking with Kester Oddersey.')
  // A caller of a queue goes to neither of them.
  await ringMe(page, { into: 'queue', patience: 'Waits as long as it takes' })
  await expect(page.getByText(/1 waiting, longest/).first()).toBeVisible()
  await expect(state(kester)).toHaveText('On internal call')

  await page.keyboard.press('Alt+H')
  await expect(boardWords(page)).toContainText('Kester Oddersey is on hold')
  await page.keyboard.press('Alt+H')
  await button(page, 'Conference').click()
  await page.getByLabel('Who or what number').fill('Sunniva')
  await button(page, 'Consult').click()
  await button(sunniva, 'Answer').click()
  await button(page, 'Conference').click()
  await expect(boardWords(page)).toHaveText('You are talking with Kester Oddersey and Sunniva Merrowby.')
  await button(page, 'Leave conference').click()
  await button(page, 'Undo').waitFor()
  await expect(boardWords(kester)).toHaveText('You are talking with Sunniva Merrowby.')
  await button(sunniva, 'Hang up').click()
  // Both who are ready are free again, and the caller has been offered to one of them; nothing is owed.
  await expect(async () => expect([await state(page).textContent(), await state(kester).textContent()].toSorted()).toEqual(['Ready', 'Ringing'])).toPass()
  await expect(state(sunniva)).toHaveText('Not ready · Just signed in')
  const owner = await page.context().newPage()
  await signInAsOwner(owner)
  await goTo(owner, 'Results')
  await button(owner, 'Today').click()
  await expect(owner.getByRole('region', { name: 'Figures' }).or(owner.locator('dl')).first()).toContainText('Offered1')
  const row = owner.getByRole('table', { name: /agent/i }).getByRole('row').filter({ hasText: 'Sunniva Merrowby' })
  await expect(row).toContainText(/0:\d\d/)
})

test('a colleague who declines: a question first, answered by one key; “now” calls back', async ({ page }) => {
  await startShift(page)
  const kester = await anotherSeat(page, KESTER, true)
  await goReady(page)
  await button(page, 'Call Kester Oddersey').click()
  await button(kester, 'Decline').click()
  await expect(board(page)).toContainText('refused', { timeout: 8_000 })
  await board(page).getByRole('button', { name: 'Ask first: Kester Oddersey' }).click()
  const question = page.getByLabel('Question to Kester Oddersey')
  await question.fill('  ')
  await button(page, 'Send').click()
  await expect(page.getByRole('alert').filter({ hasText: 'Nothing is asked.' })).toBeVisible()
  await question.fill('Which boat takes the horse box?')
  await question.press('Enter')
  await expect(page.getByRole('region', { name: 'You asked Kester Oddersey' })).toContainText('No answer yet')
  await expect(asks(kester, 'Eluned Tarnow')).toContainText('Which boat takes the horse box?')
  await kester.keyboard.press('Alt+F')
  await expect(page.getByRole('region', { name: 'Answer of Kester Oddersey' })).toContainText('can talk in five minutes')
  await button(page, 'Put it away').click()
  await button(page, 'Hang up').click()
  await expect(state(page)).toHaveText('Ready')

  await button(page, 'Ask first: Kester Oddersey').click()
  await button(page, 'Send').click()
  await asks(kester, 'Eluned Tarnow').waitFor()
  await kester.keyboard.press('Alt+J')
  await expect(state(page)).toHaveText('Ringing')
  await button(page, 'Answer').click()
  await expect(boardWords(page)).toHaveText('You are talking with Kester Oddersey.')
  await expect(asks(kester, 'Eluned Tarnow')).toBeHidden()
})

test('busy with a caller: to be put through when both are free, which rings at both, or a message instead', async ({ page }) => {
  await startShift(page)
  const kester = await anotherSeat(page, KESTER, true)
  await ringMe(kester)
  await button(kester, 'Answer').click()
  await callByName(page, 'Kester Oddersey')
  await expect(board(page)).toContainText('busy')
  await button(page, 'Call when free').click()
  await expect(page.getByRole('region', { name: 'Call Kester Oddersey when free' })).toContainText('It rings at both of you')
  await expect(page.getByRole('button', { name: 'Call when free' })).toHaveAttribute('aria-disabled', 'true')
  await button(page, 'Leave a message').click()
  await expect(board(page)).toContainText('This is the voicemail of Kester Oddersey')
  await button(page, 'Hang up').click()

  await button(kester, 'Hang up').click()
  await kester.keyboard.press('Alt+1')
  await kester.keyboard.press('Alt+Enter')
  await expect(state(page)).toHaveText('Ringing')
  await expect(state(kester)).toHaveText('Ringing')
  await button(page, 'Answer').click()
  await button(kester, 'Answer').click()
  await expect(boardWords(page)).toHaveText('You are talking with Kester Oddersey.')
})

test('colleagues played by the stand-ins call, answer and speak', async ({ page }) => {
  await startShift(page, undefined, undefined, '/?world=ordinary&seed=7&days=0')
  await button(page, 'Stand-ins').click()
  await button(page, 'A colleague calls me').click()
  await expect(state(page)).toHaveText('Ringing')
  await button(page, 'Answer').click()
  await expect(state(page)).toHaveText('On internal call')
  await button(page, 'Hang up').click()
  await expect(state(page)).toHaveText('Not ready · Just signed in', { timeout: 8_000 })
  // In the ordinary world a call may have come to them in that moment, and some let it ring: another one is called.
  const answered = /“(Yes, what have you got|Go on, I am listening|Is it about the late boat|I have a minute)/
  const inVain = /does not answer|is busy|has declined/
  for (let tries = 0; tries < 4; tries++) {
    const free = page.getByRole('region', { name: 'People' }).getByRole('listitem').filter({ hasText: 'Ready' }).nth(tries)
    await free.getByRole('button', { name: /^Call / }).click()
    await expect(board(page)).toContainText(new RegExp(`${answered.source}|${inVain.source}`), { timeout: 30_000 })
    if (answered.test((await board(page).textContent()) ?? '')) break
    await button(page, 'Hang up').click()
    await expect(state(page)).toHaveText('Not ready · Just signed in', { timeout: 8_000 })
  }
  await expect(board(page)).toContainText(answered)
})
