// What follows from an outcome, each consequence in its list and in the files; owed calls, limits of wrap-up, corrections.
import { readFile } from 'node:fs/promises'
import ICAL from 'ical.js'
import {
  board,
  boardWords,
  button,
  endShift,
  goReady,
  goTo,
  hangUp,
  nextAnswersAs,
  ownerTab,
  putIntoUse,
  ringMe,
  signInAsOwner,
  signOut,
  startShift,
  state,
  takeCall,
} from './desk'
import { expect, fresh, type Page, test } from './warm'

const outcome = (page: Page, label: string) => page.getByRole('radio', { name: label, exact: true }).check({ force: true })
const tray = (page: Page) => page.getByRole('region', { name: 'Outcome tray' })

async function dial(page: Page, number: string): Promise<void> {
  await page.getByRole('combobox', { name: 'Dial line' }).fill(number)
  await page.keyboard.press('Enter')
}

/** Dials, hangs up before anybody answers, and codes it. */
async function dialAndCode(page: Page, number: string, label: string): Promise<void> {
  await dial(page, number)
  await expect(state(page)).toHaveText('On call')
  await button(page, 'Hang up').click()
  await outcome(page, label)
  await button(page, 'Save outcome').click()
  await expect(state(page)).toHaveText('Ready')
}

async function saved(page: Page, name: string): Promise<string> {
  const download = page.waitForEvent('download')
  await button(page, name).click()
  return readFile(await (await download).path(), 'utf8')
}

test('a callback: asked for its time, in the list and the calendar, moved, handed over, dialled with one press, and done when it is coded', async ({
  page,
}) => {
  await takeCall(page)
  await outcome(page, 'Callback agreed')
  await button(page, 'Save outcome').click()
  await expect(tray(page).getByText('This outcome needs the time of the callback.')).toBeVisible()
  await expect(page.getByLabel('Callback day')).toBeFocused()
  await button(page, 'Tomorrow 09:00').click()
  await page.getByLabel('Notes').fill('About the winter timetable')
  await hangUp(page)
  await button(page, 'Save outcome').click()
  await expect(state(page)).toHaveText('Ready')

  await page.getByRole('link', { name: 'Callbacks' }).click()
  const row = page.getByRole('table', { name: 'Callbacks' }).getByRole('row', { name: /Ottoline Fjelding/ })
  await expect(row).toContainText('About the winter timetable')
  await expect(row).toContainText('yours')
  const calendar = new ICAL.Component(ICAL.parse(await saved(page, 'Save as calendar (.ics)')))
  const event = new ICAL.Event(calendar.getFirstSubcomponent('vevent') ?? undefined)
  expect(event.summary).toBe('Call Ottoline Fjelding')
  const start = event.startDate.toJSDate()
  expect([start.getTime() > Date.now(), start.getTime() < Date.now() + 36 * 3_600_000]).toEqual([true, true])

  await button(page, 'Change Ottoline Fjelding').click()
  await page.getByLabel('Time in London').fill('11:45')
  await button(page, 'Move it').click()
  await expect(row).toContainText('11:45')
  await button(page, 'Change Ottoline Fjelding').click()
  await page.getByLabel('Hand over to').selectOption('anybody')
  await button(page, 'Hand over').click()
  await page.getByRole('button', { name: /^The team’s/ }).click()
  await expect(row).toContainText('anybody’s')

  await button(page, 'Call Ottoline Fjelding').click()
  await expect(page.getByRole('region', { name: 'Record' }).getByRole('heading', { name: 'Ottoline Fjelding' })).toBeVisible()
  await expect(page.getByRole('region', { name: 'Reading pane' })).toContainText('Fennholm Line, good day')
  await expect(page.getByRole('region', { name: 'Reading pane' })).toContainText('opens when they answer')
  await expect(page.getByRole('region', { name: 'Record' })).toContainText('agreed by Eluned Tarnow')
  await expect(page.getByRole('region', { name: 'Record' })).toContainText('About the winter timetable')
  await expect(tray(page).getByRole('radio', { name: 'Nobody answered' })).toBeAttached()
  await button(page, 'Hang up').click()
  await outcome(page, 'Information given')
  await button(page, 'Save outcome').click()
  await page.getByRole('link', { name: 'Callbacks' }).click()
  await page.getByRole('button', { name: /^Everybody’s/ }).click()
  await expect(page.getByText('No callbacks.')).toBeVisible()
})

fresh('a callback that comes due says so on the desk, is put off, comes again, and is made with one press', async ({ page, context }) => {
  await context.clock.install()
  await takeCall(page)
  await outcome(page, 'Callback agreed')
  await button(page, 'In 1 hour').click()
  await hangUp(page)
  await button(page, 'Save outcome').click()
  await expect(state(page)).toHaveText('Ready')
  const due = page.getByRole('region', { name: 'Callback due' })
  await expect(due).toBeHidden()
  await context.clock.fastForward(61 * 60_000)
  await expect(due).toContainText('Ottoline Fjelding')
  await expect(button(page, '1 callback due')).toBeVisible()
  await button(page, 'In 10 minutes').click()
  await expect(due).toBeHidden()
  await context.clock.fastForward(11 * 60_000)
  await expect(due).toBeVisible()
  await button(page, 'Call now').click()
  await expect(state(page)).toHaveText('On call')
  await expect(due).toBeHidden()
})

test('in a country of several time zones the agent says in whose time, and both times are shown', async ({ page }) => {
  await startShift(page)
  await goReady(page)
  await dial(page, '+61 491 570 006')
  await expect(state(page)).toHaveText('On call')
  await outcome(page, 'Callback agreed')
  await expect(button(page, 'Tomorrow 09:00')).toBeDisabled()
  await page.getByLabel('Callback day').fill('2027-01-15')
  await page.getByLabel('Callback time').fill('09:30')
  await button(page, 'Save outcome').click()
  await expect(tray(page).getByRole('alert')).toContainText('in whose time zone')
  await page.getByLabel('In the time of').selectOption({ label: 'Sydney' })
  await expect(tray(page)).toContainText('Friday 15 January, 09:30 there, Thu 22:30 here')
  await button(page, 'Save outcome').click()
  await page.getByRole('link', { name: 'Callbacks' }).click()
  await expect(page.getByRole('row', { name: /\+61 491 570 006/ })).toContainText('14 Jan 22:30Fri 09:30 in Sydney')
})

test('a try again, a task that needs notes, a number that is struck: each in its place', async ({ page }) => {
  await startShift(page)
  await goReady(page)
  await nextAnswersAs(page, 'Busy')
  await dial(page, '01632 960112')
  await expect(board(page).getByText('is busy')).toBeVisible()
  await button(page, 'Hang up').click()
  await outcome(page, 'Busy')
  await expect(tray(page).getByText('Will be tried again in 30 min: try 1 of 5.')).toBeVisible()
  await button(page, 'Save outcome').click()

  await ringMe(page)
  await button(page, 'Answer').click()
  await outcome(page, 'Passed on')
  await hangUp(page)
  await expect(page.getByLabel('Task title')).toHaveValue(/^Call of Ottoline Fjelding on \+44/)
  await button(page, 'Save outcome').click()
  await expect(tray(page).getByText('“Passed on” needs a note.')).toBeVisible()
  await expect(page.getByLabel('Notes')).toBeFocused()
  await page.keyboard.type('The port must say whether a horse box fits')
  await button(page, 'Save outcome').click()
  await expect(state(page)).toHaveText('Ready')

  await ringMe(page, { caller: 'Tegan Brackenhythe' })
  await button(page, 'Answer').click()
  await outcome(page, 'Wrong number')
  await expect(tray(page).getByText(/will be struck from the record of Tegan Brackenhythe/)).toBeVisible()
  await hangUp(page)
  await button(page, 'Save outcome').click()
  await expect(state(page)).toHaveText('Ready')
  await ringMe(page, { caller: 'Tegan Brackenhythe' })
  await expect(page.getByText('Nobody we know has this number')).toBeVisible()
  await button(page, 'Answer').click()
  await hangUp(page)
  await outcome(page, 'Caller hung up')
  await button(page, 'Save outcome').click()

  await page.getByRole('link', { name: 'Callbacks' }).click()
  await page.getByRole('button', { name: /^The team’s/ }).click()
  await expect(page.getByRole('row', { name: /try 1 of 5/ })).toContainText('+44 1632 960112')
  const tasks = page.getByRole('region', { name: 'Follow-up tasks' })
  await expect(tasks.getByRole('row', { name: /Call of Ottoline Fjelding/ })).toContainText('whoever looks after it')
  await tasks.getByRole('button', { name: /^Done: Call of Ottoline/ }).click()
  await expect(tasks).toContainText('No task is open.')
})

test('never call again: refused when dialled by hand, let through once by a supervisor, taken out with a reason', async ({ page }) => {
  await startShift(page)
  await goReady(page)
  await dialAndCode(page, '01632 960140', 'Never call this number')
  await dial(page, '01632 960140')
  await expect(page.getByText('+44 1632 960140 is on the do-not-call list since', { exact: false })).toBeVisible()
  await expect(state(page)).toHaveText('Ready')
  await button(page, 'Ask a supervisor').click()
  await page.getByLabel('PIN').fill('1290')
  await button(page, 'Call once').click()
  await expect(page.getByRole('dialog').getByText('No reason is given.')).toBeVisible()
  await expect(page.getByLabel('Reason')).toBeFocused()
  await page.getByLabel('PIN').fill('1290')
  await page.getByLabel('Reason').fill('They asked to be called about a lost bag')
  await button(page, 'Call once').click()
  await expect(state(page)).toHaveText('On call')
  await button(page, 'Hang up').click()
  await outcome(page, 'Reached')
  await button(page, 'Save outcome').click()
  await expect(state(page)).toHaveText('Ready')

  await goTo(page, 'Callbacks')
  await page.getByRole('link', { name: 'Do-not-call list' }).click()
  await expect(page.getByRole('heading', { name: 'Do-not-call list' })).toBeVisible()
  // An agent may add and read; the list as a file, and taking somebody out, are for supervisors.
  await expect(button(page, 'Export CSV')).toBeDisabled()
  await endShift(page)
  await signOut(page, 'Eluned Tarnow')
  await signInAsOwner(page, '/do-not-call')
  const entries = page.getByRole('region', { name: 'Entries' })
  await expect(entries.getByRole('row', { name: /\+44 1632 960140/ })).toContainText('Coded “Never call this number”')

  // A file with a line that does not fit brings in nothing; one that fits comes in whole and goes out again.
  const file = (text: string) => page.getByLabel('Do-not-call file').setInputFiles({ name: 'list.csv', mimeType: 'text/csv', buffer: Buffer.from(text) })
  await file('number,reason\n01632 960150,Asked us\n01632,Asked us\n')
  await expect(page.getByRole('alert', { name: 'What is wrong' })).toContainText('Line 3: “01632” is not a whole telephone number.')
  await expect(page.getByText('1 on it')).toBeVisible()
  await file('number,person,reason\n01632 960150,,Asked us\n,Perrin Arncliffe,By letter\n')
  await expect(page.getByText('3 on it')).toBeVisible()
  const csv = await saved(page, 'Export CSV')
  expect(csv.split('\r\n').filter((line) => /^(\+441632960150|,Perrin Arncliffe),/.test(line))).toHaveLength(2)

  await page.getByRole('searchbox', { name: 'Search' }).fill('perrin')
  await expect(entries.getByRole('row')).toHaveCount(2)
  await button(page, 'Take out Perrin Arncliffe').click()
  await button(page, 'Take Perrin Arncliffe out').click()
  await expect(entries.getByText('No reason is given.')).toBeVisible()
  await expect(page.getByLabel('Reason for taking out')).toBeFocused()
  await page.getByLabel('Reason for taking out').fill('Withdrew it')
  await button(page, 'Take Perrin Arncliffe out').click()
  await expect(page.getByText('Nothing on the list has “perrin” in it.')).toBeVisible()
})

test('left for later the outcome is owed: a badge, one press from coding, and nobody goes home with it', async ({ page }) => {
  await takeCall(page)
  await page.getByLabel('Notes').fill('Half a note')
  await hangUp(page)
  await button(page, 'Go ready, code later').click()
  await expect(state(page)).toHaveText('Ready')
  await endShift(page)
  await expect(page.getByText('The call with Ottoline Fjelding still needs an outcome.')).toBeVisible()
  await button(page, '1 owed outcome').click()
  await page.getByRole('menuitem', { name: /Ottoline Fjelding/ }).click()
  await expect(page.getByText('You are coding an earlier call.')).toBeVisible()
  await page.getByLabel('Notes').focus()
  await page.keyboard.press('End')
  await page.keyboard.type(' and the')

  // A call rings meanwhile: it is on the board, and the typing goes on where it was.
  await expect(page.getByLabel('Notes')).toHaveValue('Half a note and the')
  await ringMe(page, { caller: 'Tegan Brackenhythe' })
  await expect(boardWords(page)).toContainText('Tegan Brackenhythe')
  await page.getByLabel('Notes').focus()
  await page.keyboard.press('End')
  await page.keyboard.type(' other half')
  await expect(page.getByLabel('Notes')).toHaveValue('Half a note and the other half')
  await outcome(page, 'Information given')
  await button(page, 'Save outcome').click()
  await expect(button(page, '1 owed outcome')).toBeHidden()
  await expect(page.getByRole('region', { name: 'Record' })).toContainText('Tegan Brackenhythe')
})

test('a wrap-up is extended once by its key; at its limit the call is owed, and what is being typed goes on being typed', async ({ page }) => {
  const setUp = await ownerTab(page, '/set-up')
  await button(setUp, 'Edit Sailings').click()
  await setUp.getByLabel('Recommended (seconds)').fill('1')
  await setUp.getByLabel('Limit (seconds)').fill('4')
  await setUp.getByLabel('Extension (seconds)').fill('2')
  await button(setUp, 'Keep changes').click()
  await putIntoUse(setUp)

  await takeCall(page)
  await hangUp(page)
  await page.getByLabel('Notes').focus()
  await page.keyboard.type('A long')
  await expect(tray(page).getByText(/over by/)).toContainText('limit in')
  await page.keyboard.press('Alt+i')
  await expect(tray(page).getByText('· extended')).toBeVisible()
  await expect(page.getByLabel('Notes')).toBeFocused()
  await page.keyboard.type(' story')
  await expect(state(page)).toHaveText('Not ready · Outcome owed', { timeout: 15_000 })
  await expect(tray(page).getByText('The wrap-up was over its limit.')).toBeVisible()
  await expect(page.getByLabel('Notes')).toBeFocused()
  await page.keyboard.type(', to its end')
  await expect(page.getByLabel('Notes')).toHaveValue('A long story, to its end')
  await page.keyboard.press('Alt+4')
  await page.keyboard.press('Alt+Enter')
  await expect(state(page)).toHaveText('Ready')
})

test('an outcome saved by mistake is taken back: the wrap-up goes on with what was written', async ({ page }) => {
  await takeCall(page)
  await page.getByLabel('Notes').fill('Wants the morning boat')
  await outcome(page, 'Wrong number')
  await hangUp(page)
  await button(page, 'Save outcome').click()
  await expect(state(page)).toHaveText('Ready')
  await button(page, 'Undo').click()
  await expect(state(page)).toHaveText('Wrap-up')
  await expect(page.getByLabel('Notes')).toHaveValue('Wants the morning boat')
  await outcome(page, 'Information given')
  await button(page, 'Save outcome').click()
  await expect(button(page, 'Undo')).toBeVisible()
  await expect(button(page, 'Undo')).toBeHidden()
  await expect(page.getByRole('region', { name: 'Your day' }).getByRole('listitem').first()).toContainText('Information given')
})

test('corrections: by the agent on the shift, later by a supervisor; every earlier code stays on the call', async ({ page }) => {
  await takeCall(page)
  await outcome(page, 'Booking changed')
  await hangUp(page)
  await button(page, 'Save outcome').click()
  await button(page, 'Correct Ottoline Fjelding').click()
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('New outcome').selectOption({ label: 'Information given' })
  await dialog.getByLabel('Reason').fill('Pressed the wrong key')
  await button(page, 'Save correction').click()
  await expect(page.getByRole('region', { name: 'Your day' }).getByRole('listitem').first()).toContainText('Information given')

  // The agent sees the call and corrects it no more from here; a supervisor does, at any time.
  await goTo(page, 'Results')
  await expect(page.getByText('1 outcome was corrected after it had been saved.')).toBeVisible()
  await page.getByRole('row', { name: /Ottoline Fjelding/ }).click()
  await expect(page.getByRole('region', { name: 'Outcome' })).toContainText('Corrected from Booking changed by Eluned Tarnow')
  await expect(page.getByRole('button', { name: /^Correct the outcome/ })).toBeHidden()
  const owner = await ownerTab(page, '/results')
  await owner.getByRole('row', { name: /Ottoline Fjelding/ }).click()
  const section = owner.getByRole('region', { name: 'Outcome' })
  await section.getByRole('button', { name: /^Correct the outcome/ }).click()
  await owner.getByRole('dialog').getByLabel('New outcome').selectOption({ label: 'New booking' })
  await button(owner, 'Save correction').click()
  await expect(owner.getByRole('dialog').getByRole('alert')).toContainText('No reason is given.')
  await owner.getByRole('dialog').getByLabel('Reason').fill('Listened to it')
  await button(owner, 'Save correction').click()
  await expect(section).toContainText('Corrected from Information given by Linnea Wickerby')
  await expect(section).toContainText('Saved by Linnea Wickerby')
  await owner.getByRole('link', { name: 'All results' }).click()
  await expect(owner.getByText('2 outcomes were corrected after they had been saved.')).toBeVisible()
})
