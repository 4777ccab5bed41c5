// Chats, mails and texts beside calls. What a person would lose: an answer typed into one chat turning up in another, a customer left alone without
// anybody knowing, a mail that never comes back.
import { readFileSync } from 'node:fs'
import * as z from 'zod'
import { anotherSeat, button, goReady, KESTER, resultsOfAll, ringMe, startShift, state } from './desk'
import { expect, type Locator, type Page, test } from './warm'

type Channel = 'Chat' | 'Mail' | 'Text'

/** Somebody writes, offered at this desk. */
async function writeMe(page: Page, channel: Channel, caller: string, { patience }: { patience?: string } = {}): Promise<void> {
  await button(page, 'Stand-ins').click()
  const panel = page.getByRole('dialog', { name: 'Stand-ins' })
  await panel.getByLabel('Queue').selectOption('Sailings')
  const option = panel.getByLabel('Caller', { exact: true }).locator('option').filter({ hasText: caller }).first()
  await panel.getByLabel('Caller', { exact: true }).selectOption((await option.getAttribute('value')) ?? '')
  if (patience !== undefined) await panel.getByLabel('Patience').selectOption({ label: patience })
  await panel.getByLabel('Or writes a').selectOption({ label: channel })
  await button(page, 'Write to me').click()
  await expect(page.getByRole('alert', { name: `${channel} from ${caller}` })).toBeVisible()
}

const inHand = (page: Page): Locator => page.getByRole('navigation', { name: 'In hand' }).getByRole('button')
const words = (page: Page): Locator => page.getByRole('log', { name: 'What was written' })
const answer = (page: Page): Locator => page.getByLabel('Your answer')

test('two chats and a call at once by keyboard: what is typed stays with its piece, over a reload as well', async ({ page }) => {
  await startShift(page)
  await goReady(page)
  await writeMe(page, 'Chat', 'Ottoline Fjelding')
  await page.keyboard.press('Alt+;')
  await expect(state(page)).toHaveText('Writing')
  await writeMe(page, 'Chat', 'Perrin Arncliffe')
  await page.keyboard.press('Alt+;')
  await expect(page.getByRole('region', { name: 'Chat with Perrin Arncliffe' })).toBeVisible()
  await ringMe(page, { caller: 'Tegan Brackenhythe' })
  await page.keyboard.press('Alt+a')
  await expect(state(page)).toHaveText('On call')
  await expect(inHand(page)).toHaveCount(3)
  await expect(inHand(page).nth(1)).toContainText('waits')

  await page.keyboard.press('Alt+Shift+Digit2')
  await answer(page).fill('For Ottoline, half')
  await page.keyboard.press('Alt+Shift+Digit3')
  await expect(page.getByRole('region', { name: 'Chat with Perrin Arncliffe' })).toBeVisible()
  await expect(answer(page)).toHaveValue('')
  await answer(page).fill('For Perrin')
  await page.keyboard.press('Enter')
  await expect(words(page)).toContainText('For Perrin')
  await expect(answer(page)).toHaveValue('')
  await page.keyboard.press('Alt+Shift+Digit1')
  await expect(page.getByRole('region', { name: 'Reading pane' })).toBeVisible()
  await expect(answer(page)).toBeHidden()
  await page.reload()
  await expect(state(page)).toHaveText('On call')
  await page.keyboard.press('Alt+Shift+Digit2')
  await expect(answer(page)).toHaveValue('For Ottoline, half')
  await answer(page).press('Enter')
  await expect(words(page)).toContainText('For Ottoline, half')
  await expect(words(page)).not.toContainText('For Perrin')

  // It ends, and its outcome is owed like a call's, beside the call that goes on.
  await button(page, 'End chat').click()
  await expect(page.getByText('It has ended; choose its outcome.')).toBeVisible()
  await page.keyboard.press('Alt+4')
  await page.keyboard.press('Alt+Enter')
  await expect(inHand(page)).toHaveCount(2)
  await expect(state(page)).toHaveText('On call')
})

test('a chat is handed on with what was said; whoever is asked in reads and writes for colleagues only', async ({ page }) => {
  await startShift(page)
  await goReady(page)
  const kester = await anotherSeat(page, KESTER)
  await writeMe(page, 'Chat', 'Ottoline Fjelding')
  await button(page, 'Take').click()
  // A quick text by a few letters, its fields filled in, goes on under the agent's hands.
  await button(page, 'Quick texts…').click()
  await page.getByLabel('A few letters').fill('gd')
  await page.keyboard.press('Enter')
  await expect(answer(page)).toBeFocused()
  await expect(answer(page)).toHaveValue('Good day Ottoline, this is Eluned of Fennholm Line. How can I help?')
  await answer(page).fill('Let me ask a colleague.')
  await answer(page).press('Enter')
  await button(page, 'Hand on or ask in…').click()
  await button(page, 'Ask Kester Oddersey in').click()
  await inHand(kester).filter({ hasText: 'read along' }).click()
  await expect(kester.getByText('has asked you in')).toBeVisible()
  await kester.getByLabel('To colleagues only').fill('Offer the early boat')
  await kester.getByLabel('To colleagues only').press('Enter')
  await expect(words(page).getByRole('listitem').filter({ hasText: 'Offer the early boat' })).toContainText('for colleagues only')
  await button(page, 'Hand on or ask in…').click()
  await button(page, 'Hand on to Kester Oddersey').click()
  await button(kester, 'Take').click()
  await expect(words(kester)).toContainText('Let me ask a colleague.')
  await expect(words(kester)).toContainText('Offer the early boat')
  // The one who handed it on owes their part.
  await expect(state(page)).toHaveText('Wrap-up')
})

test('a text that cannot be delivered says why; a mail is parked and comes back when it is wanted', async ({ page }) => {
  await startShift(page)
  await goReady(page)
  await writeMe(page, 'Mail', 'Perrin Arncliffe')
  await button(page, 'Take').click()
  await page.getByLabel('Your reply').fill('One line\nand <b>another</b>')
  await page.getByLabel('Your reply').press('Control+Enter')
  await expect(words(page)).toContainText('<b>another</b>')
  await button(page, 'Park until…').click()
  await page.getByLabel('Day and time').fill('2020-01-01T10:00')
  await button(page, 'Park until then').click()
  await expect(page.getByText('That time is past. Choose a later one.').first()).toBeVisible()
  await button(page, 'In an hour').click()
  await expect(state(page)).toHaveText('Ready')
  await expect(inHand(page).first()).toContainText('parked')
  await inHand(page).first().click()
  await button(page, 'Take it up now').click()
  await button(page, 'Take').click()
  await expect(state(page)).toHaveText('Writing')

  // What is in hand does not keep anybody from writing first.
  await button(page, 'Write…').click()
  const letter = page.getByRole('dialog', { name: 'Write to somebody' })
  await letter.getByLabel('To the number').fill('nobody')
  await letter.getByLabel('What you write').fill('Your boat leaves at ten.')
  await button(page, 'Send text').click()
  await expect(letter.getByRole('alert')).toBeVisible()
  await letter.getByLabel('To the number').fill('01632 960119')
  await button(page, 'Send text').click()
  await inHand(page).filter({ hasText: 'Text' }).click()
  await expect(words(page).getByRole('alert')).toContainText('Not delivered: The number takes no texts.')
})

test('a customer in whose chat nobody says anything leaves, and whoever had it codes it', async ({ page }) => {
  await startShift(page)
  await goReady(page)
  await writeMe(page, 'Chat', 'Ottoline Fjelding', { patience: 'Gives up after 5 seconds' })
  await button(page, 'Take').click()
  await expect(page.getByText('It has ended; choose its outcome.')).toBeVisible()
  await expect(state(page)).toHaveText('Wrap-up')
  await expect(answer(page)).toBeHidden()
})

test('messages with colleagues: a group, one to one and during a call; read is said, and unread survives a reload', async ({ page }) => {
  await startShift(page)
  await goReady(page)
  const kester = await anotherSeat(page, KESTER)
  await ringMe(page)
  await button(page, 'Answer').click()
  await expect(state(page)).toHaveText('On call')
  await button(kester, 'Messages').click()
  await kester.getByRole('list', { name: 'Write to' }).getByRole('button', { name: 'Everybody on Sailings' }).click()
  await kester.getByLabel('Message to Everybody on Sailings').fill('The 18:45 is late')
  await kester.getByLabel('Message to Everybody on Sailings').press('Enter')
  const pane = page.getByRole('complementary', { name: 'Messages' })
  await expect(page.getByRole('alert', { name: 'Message from Kester Oddersey' })).toContainText('to Everybody on Sailings: “The 18:45 is late”')
  await page.reload()
  await expect(page.getByRole('button', { name: 'Messages, 1 unread' })).toBeVisible()
  await page.getByRole('alert', { name: 'Message from Kester Oddersey' }).getByRole('button', { name: 'Answer' }).click()
  await expect(button(page, 'Messages')).toBeVisible()
  await expect(kester.getByRole('log', { name: 'What was written' })).toContainText('read by 1 of 1')

  // To one of them, with the call still on the board beside it.
  await button(pane.page(), 'All messages').click()
  await pane.getByLabel('Find a colleague or words').fill('kester')
  await pane
    .getByRole('list', { name: 'Write to' })
    .getByRole('button', { name: /Kester Oddersey/ })
    .click()
  await pane.getByLabel('Message to Kester Oddersey').fill('Until when?')
  await pane.getByLabel('Message to Kester Oddersey').press('Enter')
  await expect(pane.getByRole('log')).toContainText('delivered')
  await expect(button(page, 'Hang up')).toBeVisible()
  await button(kester, 'All messages').click()
  await kester.getByLabel('Find a colleague or words').fill('until WHEN')
  await kester.getByRole('list', { name: 'Found' }).getByRole('button').click()
  await expect(pane.getByRole('log')).toContainText('read')
  await pane.getByLabel('Message to Kester Oddersey').press('Escape')
  await expect(pane).toBeHidden()
})

test('figures of a channel are recomputed from the files, and a piece is shown down to its words', async ({ page }) => {
  await startShift(page)
  await goReady(page)
  await writeMe(page, 'Chat', 'Ottoline Fjelding')
  await button(page, 'Take').click()
  await answer(page).fill('Dogs are welcome.')
  await answer(page).press('Enter')
  // Whatever it is about, they go on.
  await expect(words(page).getByRole('listitem')).toHaveCount(3)
  await button(page, 'End chat').click()
  await page.keyboard.press('Alt+4')
  await page.keyboard.press('Alt+Enter')
  await expect(state(page)).toHaveText('Ready')

  const tab = await resultsOfAll(page)
  const section = tab.getByRole('region', { name: 'Chats, mails and texts' })
  const figures = section.getByRole('table', { name: 'Figures by channel' }).getByRole('row', { name: /^Chats/ })
  const saved = async (name: string) => {
    const download = tab.waitForEvent('download')
    await button(tab, 'Save as a file').click()
    await tab.getByRole('menuitem', { name }).click()
    return readFileSync(await (await download).path(), 'utf8')
      .trimEnd()
      .split('\n')
      .map((line) => JSON.parse(line))
  }
  const work = WrittenFile.parse(await saved('work.ndjson'))
  const said = (await saved('messages.ndjson')) as { workId: string; byAgentId: string | null; atMs: number; text: string }[]
  expect(work).toHaveLength(1)
  const [one] = work
  // The first answer and the first words, from the file of words alone.
  const first = said.find((l) => l.byAgentId === null)?.atMs ?? Number.NaN
  const answered = said.find((l) => l.byAgentId !== null)?.atMs ?? Number.NaN
  expect([one?.offeredAtMs, one?.firstResponseAtMs]).toEqual([first, answered])
  const seconds = Math.floor((answered - first) / 1000)
  const shown = `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`
  await expect(figures.getByRole('cell').nth(4)).toHaveText(shown)
  await expect(figures.getByRole('cell').first()).toHaveText('1')
  await expect(figures.getByRole('cell').nth(6)).toHaveText('100.0 %')
  await button(section.page(), 'Words').click()
  await expect(section.getByRole('list', { name: 'What was said with Ottoline Fjelding' }).getByRole('listitem')).toHaveCount(said.length)
  await expect(section.getByRole('list', { name: 'What was said with Ottoline Fjelding' })).toContainText('Dogs are welcome.')
})

const WrittenFile = z.array(z.object({ workId: z.string(), offeredAtMs: z.number(), firstResponseAtMs: z.number().nullable(), outcome: z.string() }))
