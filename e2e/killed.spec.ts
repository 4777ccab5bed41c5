// The browser killed while somebody works: what was said to be done is there afterwards, what was under way is there whole or not at all.
// One kill is part of every run; `KILLS=40 npm test -- --browser killed` spreads as many over the length of the work.
import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { type BrowserContext, chromium } from '@playwright/test'
import { button, goTo, LINNEA, putIntoUse, signIn } from './desk'
import { LAUNCH, SETTINGS } from './settings'
import { placesOf } from './stored'
import { expect, type Locator, type Page, fresh as test } from './warm'

const KILLS = Number(process.env.KILLS ?? 1)
const ROWS = 300
/** About what a round of work takes. */
const WORK_MS = 5_500

/** What its owner was told is done, in the words of the test. */
interface Done {
  people: string[]
  lists: number[]
  forgotten: string[]
  /** Days recordings are kept, 0 for ever: the last that was put into use, and what was about to be. */
  days: number
  nextDays: number
  pin: string
  nextPin: string
}

const open = async (folder: string): Promise<BrowserContext> => {
  const context = await chromium.launchPersistentContext(folder, { ...LAUNCH, ...SETTINGS })
  context.setDefaultTimeout(30_000)
  return context
}

/** Every process of it at once, as when the computer is switched off. */
function kill(folder: string): void {
  const found = readdirSync('/proc').filter((pid) => /^\d+$/.test(pid) && startedAs(pid).includes(`user-data-dir=${folder}`))
  expect(found.length).toBeGreaterThan(0)
  for (const pid of found) endNow(Number(pid))
}

/** Processes end by themselves between being listed and being looked at. */
function startedAs(pid: string): string {
  try {
    return readFileSync(`/proc/${pid}/cmdline`, 'utf8')
  } catch {
    return ''
  }
}

/** Some of them end with the first. */
function endNow(pid: number): void {
  try {
    process.kill(pid, 'SIGKILL')
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code !== 'ESRCH') throw error
  }
}

async function addSomebody(page: Page, name: string, done: Done): Promise<void> {
  await goTo(page, 'People')
  await button(page, 'Add somebody').click()
  const dialog = page.getByRole('dialog', { name: 'Add somebody' })
  await dialog.getByLabel('Name').fill(name)
  await dialog.getByLabel('Number 1', { exact: true }).fill('01632 960940')
  await dialog.getByRole('button', { name: 'Keep' }).click()
  await expect(page.getByText(`${name} is in the list.`)).toBeVisible()
  done.people.push(name)
}

/** The dialog of an import, with its file chosen. */
async function chosenFile(page: Page, name: string, text: string): Promise<Locator> {
  await goTo(page, 'Campaigns')
  await page.getByRole('link', { name: 'Winter timetable' }).click()
  await button(page, 'Import a list…').click()
  const dialog = page.getByRole('dialog', { name: 'Import a list' })
  await dialog.getByLabel('List file').setInputFiles({ name, mimeType: 'text/csv', buffer: Buffer.from(text) })
  return dialog
}

async function importList(page: Page, round: number, done: Done): Promise<void> {
  const rows = Array.from({ length: ROWS }, (_, i) => `K${i},Somebody ${letters(round)} ${letters(i)},01632 ${960_000 + i},none`)
  const dialog = await chosenFile(page, `round${round}.csv`, `Key,Name,Phone,Note\n${rows.join('\n')}\n`)
  await dialog.getByLabel('Into').selectOption({ label: 'a new list' })
  await dialog.getByRole('button', { name: 'Import', exact: true }).click()
  await expect(dialog.getByRole('status')).toHaveText(`${ROWS} taken, 0 changed, 0 left out.`)
  done.lists.push(round)
  await dialog.getByRole('button', { name: 'Done' }).click()
}

async function forget(page: Page, name: string, done: Done): Promise<void> {
  await goTo(page, 'Set-up')
  await button(page, 'Forget a person…').click()
  const dialog = page.getByRole('dialog', { name: 'Forget a person' })
  await dialog.getByLabel('Their numbers, mail addresses and names').fill(name)
  await page.keyboard.press('Enter')
  await button(page, 'Forget them for good').click()
  await expect(dialog).toContainText('They are forgotten.')
  done.forgotten.push(name)
  await button(page, 'Close').click()
}

async function keepFor(page: Page, done: Done): Promise<void> {
  await goTo(page, 'Set-up')
  await button(page, 'Edit reasons, skills and times').click()
  done.nextDays = done.days + 30
  await page.getByLabel('Recordings of calls').fill(String(done.nextDays))
  await button(page, 'Keep changes').click()
  await putIntoUse(page)
  done.days = done.nextDays
}

async function changePin(page: Page, done: Done): Promise<void> {
  done.nextPin = String(Number(done.pin) + 1)
  await button(page, `${LINNEA.name}, your settings`).click()
  await button(page, 'New PIN').click()
  await page.getByLabel('Present PIN').fill(done.pin)
  await page.getByLabel('New PIN').fill(done.nextPin)
  await button(page, 'Change PIN').click()
  await expect(page.getByText('Your new PIN holds from now on.')).toBeVisible()
  done.pin = done.nextPin
  await page.keyboard.press('Escape')
}

const letters = (n: number): string => String.fromCharCode(97 + Math.floor(n / 26), 97 + (n % 26))

/** Whoever may have changed the PIN in the moment of the kill has the one or the other. */
async function comeBack(page: Page, done: Done): Promise<void> {
  await signIn(page, LINNEA.name, done.pin).catch(async (refused: unknown) => {
    if (done.nextPin === done.pin) throw refused
    await signIn(page, LINNEA.name, done.nextPin)
    done.pin = done.nextPin
  })
  done.nextPin = done.pin
}

async function allIsThere(page: Page, done: Done): Promise<void> {
  await expect(page.getByText(/Save the damaged part|are lost/)).toHaveCount(0)
  await goTo(page, 'People')
  for (const name of done.people.slice(-3)) {
    await page.getByLabel('Find somebody').fill(name)
    await expect(page.getByRole('main').getByText(name, { exact: true }).first()).toBeVisible()
  }
  await goTo(page, 'Set-up')
  await button(page, 'Edit reasons, skills and times').click()
  const days = Number(await page.getByLabel('Recordings of calls').inputValue())
  expect([done.days, done.nextDays]).toContain(days)
  done.days = days
  done.nextDays = days
  await page.keyboard.press('Escape')
  for (const name of done.forgotten.slice(-3)) expect(await placesOf(page, name), name).toEqual([])

  // A list is there whole or not at all, less whoever was forgotten of it.
  const dialog = await chosenFile(page, 'some.csv', 'Name,Phone\nA B,01632 960001\n')
  const choices = dialog.getByLabel('Into').getByRole('option', { name: /^round/ })
  for (const of of done.lists) await expect(choices.filter({ hasText: `round${of} ` })).toHaveCount(1)
  const lists = await choices.allTextContents()
  for (const list of lists) expect(list).toMatch(/^round\d+ \((300|299)\)$/)
  await page.keyboard.press('Escape')
}

test(`killed ${KILLS} times at work: what was said to be done is there, and nothing by halves`, async () => {
  test.setTimeout(120_000 * KILLS)
  const folder = mkdtempSync(join(tmpdir(), 'loyal-switchboard-killed-'))
  const done: Done = { people: [], lists: [], forgotten: [], days: 0, nextDays: 0, pin: LINNEA.pin, nextPin: LINNEA.pin }
  try {
    for (let round = 0; round < KILLS; round++) {
      const context = await open(folder)
      const page = context.pages()[0] ?? (await context.newPage())
      await comeBack(page, done)
      const fromMs = performance.now()
      let isKilled = false
      const killNow = () => {
        isKilled = true
        kill(folder)
      }
      const killing = KILLS === 1 ? undefined : setTimeout(killNow, (round / KILLS) * WORK_MS)
      const work = async () => {
        await addSomebody(page, `Wilfreda ${letters(round)}`, done)
        await importList(page, round, done)
        await keepFor(page, done)
        await changePin(page, done)
        await forget(page, `Somebody ${letters(round)} ac`, done)
        await addSomebody(page, `Osterley ${letters(round)}`, done)
      }
      await work().catch((broken: unknown) => {
        if (!isKilled) throw broken
      })
      clearTimeout(killing)
      if (!isKilled) killNow()
      if (process.env.KILLS) console.log(`killed after ${Math.round(performance.now() - fromMs)} ms: ${JSON.stringify(done)}`)
      await context.close().catch(() => {})

      const again = await open(folder)
      const looked = again.pages()[0] ?? (await again.newPage())
      await comeBack(looked, done)
      await allIsThere(looked, done)
      await again.close()
    }
  } finally {
    rmSync(folder, { recursive: true, force: true })
  }
})
