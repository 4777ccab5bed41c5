// The author's screens: a script written, checked, rehearsed, published and brought in; outcome codes edited and brought in.
import { readFile } from 'node:fs/promises'
import { violations } from './axe'
import { button, ownerTab, putIntoUse, quiet, signInAsOwner, takeCall } from './desk'
import { expect, type Page, test } from './warm'

const WORLD = '?world=quiet&seed=7&days=0'
const editor = (page: Page) => page.getByRole('region', { name: 'Page editor' })
const preview = (page: Page) => page.getByRole('region', { name: 'Preview' })
const map = (page: Page) => page.getByRole('region', { name: 'Map of the script' })
const findings = (page: Page) => page.getByRole('region', { name: 'Findings' })
const scriptState = (page: Page) => page.getByRole('status', { name: 'State of the script' })
const pane = (page: Page) => page.getByRole('region', { name: 'Reading pane' })

async function saved(page: Page, item: string): Promise<string> {
  await button(page, 'More').click()
  const download = page.waitForEvent('download')
  await page.getByRole('menuitem', { name: item }).click()
  return readFile(await (await download).path(), 'utf8')
}

test('a page is written by keyboard, seen as the agent will see it, undone and redone, and kept as a draft', async ({ page }) => {
  await signInAsOwner(page, `/scripts/script_sailings${WORLD}`)
  await expect(scriptState(page)).toHaveText('Version 2, in use')
  await map(page).getByRole('button', { name: 'What brings them' }).focus()
  await page.keyboard.press('Enter')
  await expect(editor(page).getByLabel('Title')).toHaveValue('What brings them')
  await map(page).getByRole('button', { name: 'Greeting' }).focus()
  await page.keyboard.press('Enter')
  await editor(page).getByRole('textbox', { name: 'Paragraph 1' }).focus()
  await page.keyboard.press('ControlOrMeta+a')
  await page.keyboard.type('Good *morning*, [pause] {caller.firstName|stranger}.')
  await expect(preview(page)).toContainText('Good morning, Ottoline.')
  await expect(preview(page).getByRole('img', { name: 'pause' })).toBeVisible()
  await preview(page).getByRole('combobox').selectOption({ label: 'A withheld number' })
  await expect(preview(page)).toContainText('Good morning, stranger.')
  await expect(scriptState(page)).toContainText('Draft of version 3, kept')

  await page.keyboard.press('ControlOrMeta+z')
  await expect(preview(page)).toContainText('Fennholm Line, good day.')
  await expect(scriptState(page)).toHaveText('Version 2, in use')
  await page.keyboard.press('ControlOrMeta+Shift+z')
  await expect(preview(page)).toContainText('Good morning')
  await expect(scriptState(page)).toContainText('kept')
  await page.reload()
  await expect(preview(page)).toContainText('Good morning, Ottoline.')
  await page.goto(quiet('/scripts'))
  await expect(page.getByRole('row', { name: /Change of booking/ })).toContainText('kept')
})

test('what is wrong is found with its place; errors keep it from being published, and a call goes on with the version it began with', async ({ page }) => {
  await takeCall(page)
  await expect(pane(page)).toContainText('Fennholm Line, good day.')
  const author = await ownerTab(page, '/scripts/script_sailings')
  await author.getByRole('textbox', { name: 'Paragraph 1' }).fill('Fennholm Line, a very good day.')
  await map(author).getByRole('button', { name: 'Find the booking' }).click()
  await expect(editor(author).getByLabel('Title')).toHaveValue('Find the booking')
  await button(author, 'Add a page after it').click()
  await editor(author).getByLabel('Title').fill('Nobody comes here')
  await button(author, 'Add a paragraph').click()
  await author.getByRole('textbox', { name: 'Paragraph 1' }).fill('You said {answers.nothing}.')
  await expect(findings(author)).toContainText('No way leads to this page.')
  await expect(findings(author)).toContainText('It speaks of “nothing”, which no page asks and nothing knows.')
  await expect(map(author).getByRole('button', { name: /^Nobody comes here end error/ })).toBeVisible()
  await button(author, 'Publish').click()
  await expect(author.getByRole('dialog').getByRole('alert')).toContainText('One error keeps it back')
  await expect(button(author, 'Publish version 3')).toBeDisabled()
  await author.keyboard.press('Escape')
  await button(author, 'Remove page').click()
  await expect(map(author).getByRole('button', { name: /^Nobody comes here/ })).toBeHidden()
  await button(author, 'Publish').click()
  await button(author, 'Publish version 3').click()
  await expect(scriptState(author)).toHaveText('Version 3, in use')

  await button(author, 'Compare').click()
  const compared = author.getByRole('dialog', { name: 'Compare versions' })
  await expect(compared).toContainText('Fennholm Line, a very good day.')
  await author.keyboard.press('Escape')

  await expect(pane(page)).not.toContainText('a very good day')
  await page.getByRole('radio', { name: 'The person who booked' }).click()
  await button(page, 'Next page').click()
  await button(page, 'Back').click()
  await expect(pane(page)).toContainText('Fennholm Line, good day.')
})

test('a rehearsal walks the script with a made-up caller to the outcome it speaks for', async ({ page }) => {
  await signInAsOwner(page, `/scripts/script_sailings${WORLD}`)
  await button(page, 'Rehearse').click()
  await page.getByLabel('Who calls').selectOption({ label: 'Somebody we do not know' })
  await expect(pane(page)).toContainText('Am I speaking with the person who made the booking?')
  await pane(page).getByRole('radio').first().focus()
  await page.keyboard.press('4')
  await button(page, 'Next page').click()
  await expect(pane(page).getByRole('heading', { name: 'Not there' })).toBeVisible()
  await expect(page.getByRole('complementary', { name: 'Rehearsal' })).toContainText('The end. It speaks for Callback agreed.')
  await button(page, 'Edit this page').click()
  await expect(editor(page).getByLabel('Title')).toHaveValue('Not there')
})

test('a script goes out as a file and comes in again as it was; a broken one says line by line why it does not, and brings in nothing', async ({ page }) => {
  await signInAsOwner(page, `/scripts/script_assistance${WORLD}`)
  const json = await saved(page, 'Export JSON')
  expect(await saved(page, 'Save as Markdown, to print')).toContain('# Help at boarding')
  await page.goto(quiet('/scripts'))
  const file = (text: string) => page.getByLabel('Script file').setInputFiles({ name: 'script.json', mimeType: 'application/json', buffer: Buffer.from(text) })
  await file(json.replace('"kind": "yesNo"', '"kind": "maybe"').replace(/"to": "[^"]*"/, '"to": "nowhere"'))
  const problems = page.getByRole('alert').getByRole('listitem')
  await expect(problems.first()).toContainText('Nothing of script.json was taken.')
  const line = json.split('\n').findIndex((text) => text.includes('"kind": "yesNo"')) + 1
  await expect(problems.filter({ hasText: `Line ${line}:` })).toContainText('questions')
  await file('{ "id": ')
  await expect(problems.nth(1)).toContainText('Line 1:')
  await expect(page.getByRole('table', { name: 'Scripts' }).getByRole('row')).toHaveCount(7)

  await file(json.replace('"Help at boarding"', '"Help at boarding, again"'))
  await expect(page.getByLabel('Name of the script')).toHaveValue('Help at boarding, again')
  await page.getByLabel('Name of the script').fill('Help at boarding')
  await expect(scriptState(page)).toHaveText('Version 2, in use')
  expect(await saved(page, 'Export JSON')).toBe(json)

  await page.goto(quiet('/scripts'))
  await button(page, 'Copy Freight space').click()
  await expect(page.getByLabel('Name of the script')).toHaveValue('Freight space (copy)')
  await expect(scriptState(page)).toContainText('Draft')
})

test('an outcome code is added, checked, put into use and chosen at the desk; a retired one is chosen no more', async ({ page }) => {
  await takeCall(page)
  const tab = await ownerTab(page, '/outcomes')
  await button(tab, 'Add a code').click()
  await button(tab, 'Keep changes').click()
  await expect(tab.getByText('The code needs a label.')).toBeVisible()
  await tab.getByLabel('Label').fill('Sent a brochure')
  await tab.getByLabel('Key').fill('1')
  await tab.getByLabel('When it is the right one').fill('They want to read it first.')
  await tab.getByLabel('Then', { exact: true }).selectOption({ label: 'a task for the customer records' })
  await tab.getByLabel('Title').fill('Brochure for {caller.name|them}')
  await button(tab, 'Keep changes').click()
  await expect(tab.getByRole('region', { name: 'Checks' })).toContainText('The key 1 stands for Booking changed and Sent a brochure.')
  await expect(button(tab, 'Put into use')).toBeDisabled()
  await button(tab, 'Edit New booking').click()
  await tab.getByLabel('Retired: chosen no more').check()
  await button(tab, 'Keep changes').click()
  await button(tab, 'Edit Sent a brochure').click()
  await tab.getByLabel('Key').fill('2')
  await button(tab, 'Keep changes').click()
  await putIntoUse(tab)

  await expect(page.getByRole('radio', { name: 'New booking' })).toBeHidden()
  await page.keyboard.press('Alt+2')
  await expect(page.getByRole('radio', { name: 'Sent a brochure' })).toBeChecked()
  await expect(page.getByLabel('Task title')).toHaveValue('Brochure for Ottoline Fjelding')

  const file = (text: string) => tab.getByLabel('Outcome set file').setInputFiles({ name: 'set.json', mimeType: 'application/json', buffer: Buffer.from(text) })
  await file('{\n "id": "outcomes_new",\n "name": "New",\n "codes": [ { "code": "A B" } ]\n}')
  const problems = tab.getByRole('alert').getByRole('listitem')
  await expect(problems.first()).toContainText('Nothing of set.json was taken.')
  await expect(problems.nth(1)).toContainText('Line 4:')
})

test('a script of 120 pages with several ends and ways back: gone through by arrows, letters and name, and seen as a whole', async ({ page }) => {
  await signInAsOwner(page, '/scripts?world=quiet&seed=7&days=0')
  const way = (n: number) => ({ when: null, to: `page${n}` })
  const pages = Array.from({ length: 120 }, (_, n) => ({
    id: `page${n}`,
    title: n === 77 ? 'Refund by post' : `Page ${n}`,
    say: [`Words of page ${n}.`],
    questions: [],
    direction: null,
    suggests: [],
    ways: n % 24 === 23 ? [] : [...(n % 11 === 10 ? [way(n - 8)] : []), ...(n % 24 === 0 && n < 96 ? [way(n + 24)] : []), way(n + 1)],
  }))
  const text = JSON.stringify({ id: 'script_long', version: 1, name: 'A long one', startPage: 'page0', pages })
  await page.getByLabel('Script file').setInputFiles({ name: 'long.json', mimeType: 'application/json', buffer: Buffer.from(text) })
  const map = page.getByRole('region', { name: 'Map of the script' })
  await expect(map).toContainText('120 pages, 5 ends')
  const title = page.getByLabel('Title', { exact: true })
  const at = (name: string) => map.getByRole('button', { name: new RegExp(`^${name}\\b`) }).first()
  await at('Page 0').focus()
  await page.keyboard.press('ArrowRight')
  await page.keyboard.press('Enter')
  await expect(title).toHaveValue('Page 1')
  await at('Page 1').focus()
  await page.keyboard.type('ref')
  await expect(at('Refund by post')).toBeFocused()
  await page.keyboard.press('Enter')
  await expect(title).toHaveValue('Refund by post')
  await page.keyboard.press('Home')
  await expect(at('Page 0')).toBeFocused()
  // By its name, and whatever is edited is in view.
  await map.getByRole('combobox', { name: 'Page' }).selectOption({ label: 'Page 110' })
  await expect(title).toHaveValue('Page 110')
  await expect(at('Page 110')).toBeInViewport()
  await expect(at('Page 0')).not.toBeInViewport()
  await button(page, 'Whole map').click()
  for (const name of ['Page 0', 'Refund by post', 'Page 110', 'Page 119']) await expect(at(name)).toBeInViewport({ ratio: 0.9 })
  expect(await violations(page)).toEqual([])
})
