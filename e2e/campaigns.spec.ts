// Campaigns: an agent who works one, and the supervisor who sees what comes of it. A failure here means people called who should not be, or an agent who does
// not know what the dialer is doing.
import { button, goReady, goTo, reaches, ringMe, signInAsOwner, startCampaign, state, WINTER } from './desk'
import { expect, type Locator, type Page, test } from './warm'

const dialer = (page: Page): Locator => page.getByRole('status', { name: 'The dialer' })
const record = (page: Page): Locator => page.getByRole('region', { name: 'Record', exact: true }).getByRole('heading', { level: 2 })

/** The campaign as its supervisor sees it, in a tab of its own. */
async function supervisor(page: Page, campaign = WINTER): Promise<Page> {
  const tab = await page.context().newPage()
  await signInAsOwner(tab)
  await goTo(tab, 'Campaigns')
  await tab.getByRole('link', { name: campaign }).click()
  await expect(tab.getByRole('heading', { level: 1, name: campaign })).toBeVisible()
  return tab
}

const rowOf = (tab: Page, person: string): Locator => tab.getByRole('table', { name: 'Records' }).getByRole('row').filter({ hasText: person })

async function find(tab: Page, person: string): Promise<void> {
  await tab.getByLabel('Find by name, number or key').fill(person)
  await expect(rowOf(tab, person)).toHaveCount(1)
}

test('five records worked by keyboard alone: what each code does to its record stands in the list', async ({ page }) => {
  await startCampaign(page)
  await reaches(page, 'People, at once')
  const worked: { readonly person: string; readonly key: string; readonly stands: string }[] = []
  await page.keyboard.press('Alt+R')
  await expect(dialer(page)).toContainText(/rings? for you|picked up|person has answered|next person/)
  const codes = [
    { key: '1', says: 'The record is done', stands: 'Done' },
    { key: '5', says: 'The dialer tries again in 3 h', stands: 'To be tried again' },
    { key: '4', says: 'The record is never called again', stands: 'Never to be called' },
    { key: '9', says: 'This number is struck from the record', stands: 'No number in use' },
    { key: '7', says: 'This was try 1 of 12', stands: 'To be tried again' },
  ]
  for (const { key, says, stands } of codes) {
    await expect(state(page)).toHaveText('On call', { timeout: 20_000 })
    // Name, why, and the first words to say are there with the voice.
    const person = (await record(page).textContent()) ?? ''
    expect(person).not.toBe('')
    await expect(page.getByText(`Am I speaking with ${person}?`)).toBeVisible()
    await page.keyboard.press(`Alt+${key}`)
    await expect(page.getByRole('region', { name: 'Outcome tray' })).toContainText(says)
    await page.keyboard.press('Alt+Q')
    await page.keyboard.press('Alt+Enter')
    await expect(record(page).filter({ hasText: person })).toHaveCount(0)
    worked.push({ person, key, stands })
  }
  await page.keyboard.press('Alt+R')
  const tab = await supervisor(page)
  for (const { person, stands } of worked) {
    await find(tab, person)
    // Somebody whose number was wrong may have another one, which is tried next.
    await expect(rowOf(tab, person)).toContainText(stands === 'No number in use' ? /No number in use|To be tried again/ : stands)
  }
  // What was promised to nobody can be put back, and is called again.
  const done = worked[0]?.person ?? ''
  await button(tab, 'Put back…').click()
  const dialog = tab.getByRole('dialog', { name: 'Put back' })
  await dialog.getByLabel('Coded as').selectOption({ label: 'Booking moved' })
  await expect(dialog.getByRole('status')).toHaveText('1 record fits.')
  await button(tab, 'Put back').click()
  await expect(dialog).toBeHidden()
  await find(tab, done)
  await expect(rowOf(tab, done)).not.toContainText('Done')
  await rowOf(tab, done).getByRole('button', { name: done }).click()
  await expect(tab.getByRole('dialog', { name: done }).getByRole('listitem')).toContainText('Booking moved')
})

test('not ready while it rings, a campaign that is paused, a reload in the middle: nobody is lost and nobody is called twice', async ({ page }) => {
  // Telephones ring for as long as the law says they must: most of this is waiting for them.
  test.setTimeout(240_000)
  await startCampaign(page)
  await reaches(page, 'People, at once')
  await goReady(page)
  await expect(dialer(page)).toContainText('rings for you')
  // Who rings already is still put through, and that is said before.
  await button(page, 'Go not ready').click()
  await expect(page.getByText('Somebody is on the way to you and comes first.')).toBeVisible()
  await page.getByRole('menuitem', { name: /Break/ }).click()
  await expect(page.getByText('break after who is on the way')).toBeVisible()
  await expect(state(page)).toHaveText('On call', { timeout: 20_000 })
  const first = (await record(page).textContent()) ?? ''
  await page.keyboard.press('Alt+1')
  await page.keyboard.press('Alt+Q')
  await page.keyboard.press('Alt+Enter')
  await expect(state(page)).toHaveText('Not ready · Break')
  await expect(dialer(page)).toContainText('Nobody is called for you while you are not ready')

  const tab = await supervisor(page)
  await button(tab, `Pause campaign ${WINTER}`).click()
  await goReady(page)
  await expect(dialer(page)).toContainText('The campaign is paused')
  await reaches(page, 'Nobody')
  await button(tab, `Start campaign ${WINTER}`).click()
  await expect(dialer(page)).toContainText('rings for you')
  await find(tab, first)
  await expect(rowOf(tab, first)).toContainText('Done')
  await tab.close()

  // The floor goes with its last tab, while somebody's telephone rings.
  await page.reload()
  await expect(state(page)).toHaveText('Ready')
  // How people answer was a wish of the floor that is gone: whoever picks up now would keep who rings back waiting.
  await reaches(page, 'Nobody')
  await expect(dialer(page)).toContainText('rings for you', { timeout: 40_000 })
  const again = await supervisor(page)
  await again.getByLabel('Where they stand').selectOption('To be tried again')
  // Each of them was tried once: what was under way when the page went is one of them. Read in one go: the list goes on changing.
  const cells = again.getByRole('table', { name: 'Records' }).getByRole('cell')
  const counts = async () => (await cells.allTextContents()).flatMap((cell, at, all) => (cell === 'To be tried again' ? [all[at + 1]] : []))
  await expect.poll(counts, { timeout: 60_000 }).toContain('1')
  expect(new Set(await counts())).toEqual(new Set(['1']))

  // Who was rung in vain rings back, through a queue: their record and the campaign's script are there all the same.
  await page.bringToFront()
  await button(page, 'Stand-ins').click()
  await button(page, `Somebody rings ${WINTER} back`).click()
  await expect(page.getByText(`Somebody ${WINTER} could not reach rings back.`)).toBeVisible()
  await page.keyboard.press('Escape')
  await button(page, 'Answer').click({ timeout: 40_000 })
  await expect(state(page)).toHaveText('On call')
  const back = (await record(page).textContent()) ?? ''
  await expect(page.getByRole('region', { name: 'Record', exact: true })).toContainText(/Rang backafter 1 try/)
  await expect(page.getByText(`Am I speaking with ${back}?`)).toBeVisible()
  await page.keyboard.press('Alt+1')
  await expect(page.getByRole('region', { name: 'Outcome tray' })).toContainText('The record is done')
  await page.keyboard.press('Alt+Q')
  await page.keyboard.press('Alt+Enter')
  await again.getByLabel('Where they stand').selectOption('')
  await find(again, back)
  await expect(rowOf(again, back)).toContainText('Done')
})

test('preview: the record first, skipped with a reason, called; a call of a queue goes first; and a wrong edit says why', async ({ page }) => {
  const tab = await page.context().newPage()
  await signInAsOwner(tab)
  await goTo(tab, 'Campaigns')
  await tab.getByRole('link', { name: WINTER }).click()
  await button(tab, 'Edit campaign').click()
  const editor = tab.getByRole('dialog', { name: `Campaign ${WINTER}` })
  await editor.getByLabel('Rings at most (seconds)').fill('9')
  await editor.getByLabel('From', { exact: true }).fill('21:00')
  await editor.getByLabel('To', { exact: true }).fill('08:00')
  await button(tab, 'Save campaign').click()
  await expect(editor.getByText('Between 15 and 120 seconds.')).toBeVisible()
  await editor.getByLabel('Rings at most (seconds)').fill('20')
  await button(tab, 'Save campaign').click()
  await expect(editor.getByText('Its hours never open: nobody could be called.')).toBeVisible()
  await editor.getByLabel('From', { exact: true }).fill('00:00')
  await editor.getByLabel('To', { exact: true }).fill('24:00')
  await editor.getByLabel('Manner').selectOption({ label: 'Preview: you see each record before it is called' })
  await button(tab, 'Save campaign').click()
  await expect(editor).toBeHidden()
  await expect(tab.getByText('Preview: you see each record before it is called')).toBeVisible()

  await startCampaign(page)
  await reaches(page, 'People, at once')
  await goReady(page)
  const shown = page.getByRole('region', { name: 'Record to call' })
  await expect(shown.getByText('not tried yet')).toBeVisible()
  const skipped = (await shown.getByRole('heading').textContent()) ?? ''
  await shown.getByLabel('Reason to skip').fill(' ')
  await button(page, 'Skip').click()
  await expect(shown.getByText('No reason is given.')).toBeVisible()
  await shown.getByLabel('Reason to skip').fill('At sea until Monday')
  await button(page, 'Skip').click()
  await expect(shown.getByRole('heading')).not.toHaveText(skipped)
  const next = (await shown.getByRole('heading').textContent()) ?? ''

  await ringMe(page)
  await expect(shown).toBeHidden()
  await button(page, 'Answer').click()
  await expect(page.getByRole('radio', { name: 'Information given' })).toBeVisible()
  await page.keyboard.press('Alt+4')
  await expect(page.getByRole('radio', { name: 'Information given' })).toBeChecked()
  await page.keyboard.press('Alt+Q')
  await page.keyboard.press('Alt+Enter')
  await expect(shown).toBeVisible()

  const called = (await shown.getByRole('heading').textContent()) ?? ''
  await button(page, 'Call').click()
  await expect(page.getByText(`Am I speaking with ${called}?`)).toBeVisible({ timeout: 15_000 })
  await expect(page.getByRole('radio', { name: 'Fare back' })).toBeVisible()
  await page.keyboard.press('Alt+2')
  await page.keyboard.press('Alt+Q')
  await page.keyboard.press('Alt+Enter')
  await expect(shown).toBeVisible()
  await find(tab, called)
  await expect(rowOf(tab, called)).toContainText('Done')
  await find(tab, skipped)
  await expect(rowOf(tab, skipped)).toContainText('skipped: At sea until Monday')
  expect(next).not.toBe('')
})

test('a callback kept: promised in a campaign it comes to who promised it, ahead of the list, and ends the record', async ({ page }) => {
  test.slow()
  await startCampaign(page)
  await reaches(page, 'People, at once')
  await goReady(page)
  await expect(state(page)).toHaveText('On call', { timeout: 20_000 })
  const person = (await record(page).textContent()) ?? ''
  await reaches(page, 'Nobody')
  await page.keyboard.press('Alt+6')
  // The next full minute that the floor will still take for one to come, as the clock stands at their place.
  const timeZone = (await page.getByText('Paris time').isVisible()) ? 'Europe/Paris' : 'Europe/London'
  const due = new Date(Math.ceil((Date.now() + 10_000) / 60_000) * 60_000)
  await page.getByLabel('Callback day').fill(due.toLocaleDateString('sv-SE', { timeZone }))
  await page.getByLabel('Callback time').fill(due.toLocaleTimeString('sv-SE', { timeZone, hour: '2-digit', minute: '2-digit' }))
  await page.getByLabel('Notes').fill('Wants the morning boat.')
  await page.keyboard.press('Alt+Q')
  await page.keyboard.press('Alt+Enter')
  await expect(dialer(page)).toContainText('rings for you')
  const shown = page.getByRole('region', { name: 'Record to call' })
  await expect(shown.getByRole('heading', { level: 2 })).toHaveText(person, { timeout: 110_000 })
  await expect(shown).toContainText('Wants the morning boat.')
  await reaches(page, 'People, at once')
  await button(page, 'Call').click()
  await expect(page.getByText(`Am I speaking with ${person}?`)).toBeVisible({ timeout: 15_000 })
  await page.keyboard.press('Alt+1')
  await page.keyboard.press('Alt+Q')
  await page.keyboard.press('Alt+Enter')
  const tab = await supervisor(page)
  await find(tab, person)
  await expect(rowOf(tab, person)).toContainText('Done')
  await goTo(tab, 'Callbacks')
  await expect(tab.getByText(person)).toHaveCount(0)
})
