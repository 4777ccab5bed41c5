// What is said of past days: agents' time stretch by stretch, any figure by any two, what tomorrow is expected to bring. One set of past days for all of it:
// they take a while to simulate.
import { readFile } from 'node:fs/promises'
import { addDays, format } from 'date-fns'
import { button, goReady, hangUp, pastDaysThere, ringMe, signInAsOwner, startShift, state, WITH_PAST } from './desk'
import { expect, type Page, test } from './warm'

const saved = async (page: Page, file: string): Promise<string> => {
  await button(page, 'Save as a file').click()
  const loading = page.waitForEvent('download')
  await page.getByRole('menuitem', { name: file }).click()
  return readFile(await (await loading).path(), 'utf8')
}
const statesOf = async (page: Page) =>
  (await saved(page, 'agent-states.ndjson'))
    .trimEnd()
    .split('\n')
    .map((line) => JSON.parse(line) as { agent: string; state: string; fromMs: number; toMs: number })
const toMs = (clock: string) => clock.split(':').reduce((sum, part) => sum * 60 + Number(part), 0) * 1000

test('past days: sessions, breakdowns and tomorrow are what the files add up to, down to calls and events', async ({ page }) => {
  test.slow()
  await signInAsOwner(page, `/results${WITH_PAST.slice(1)}`)
  await pastDaysThere(page)

  await test.step('sessions: the table is what the file of states adds up to, a stretch leads to its calls and events', async () => {
    await button(page, 'Yesterday').click()
    const states = await statesOf(page)
    await page.getByRole('navigation', { name: 'Results of' }).getByRole('link', { name: 'Sessions' }).click()
    const row = page.getByRole('table', { name: 'Time of agents' }).getByRole('row').filter({ hasText: 'Marit Lundeby' })
    await expect(row).toContainText(/\d\d:\d\d to \d\d:\d\d/)
    const cells = await row.getByRole('cell').allTextContents()
    const own = states.filter((s) => s.agent === 'Marit Lundeby')
    const sum = (...of: string[]) => own.filter((s) => of.includes(s.state)).reduce((total, s) => total + s.toMs - s.fromMs, 0)
    // To the second: the screen shows whole ones.
    expect(own.length).toBeGreaterThan(20)
    const onShiftMs = own.reduce((total, s) => total + s.toMs - s.fromMs, 0)
    expect(Math.abs(toMs(cells[1] ?? '') - onShiftMs)).toBeLessThan(1_000)
    for (const [at, of] of [
      [2, ['onCall', 'dialling']],
      [3, ['writing']],
      [4, ['wrapUp']],
      [7, ['notReady']],
    ] as const)
      expect(Math.abs(toMs(cells[at] ?? '') - sum(...of))).toBeLessThan(1_000)

    await page.getByRole('button', { name: /^Marit Lundeby: / }).click()
    const stretches = page.getByRole('table', { name: 'Stretches' })
    await expect(stretches.getByRole('row').filter({ hasText: 'On call' }).first().getByRole('link')).not.toHaveCount(0)
    await expect(stretches.locator('tbody')).toHaveCount(own.length)
    await stretches.getByRole('row').filter({ hasText: 'Not ready' }).first().getByRole('button', { name: 'Events' }).click()
    await expect(stretches.getByRole('listitem').filter({ hasText: 'Marit Lundeby started a shift for' })).toBeVisible()

    const csv = await saved(page, 'sessions.csv')
    expect(csv.split('\r\n')[0]).toMatch(/^agentId,agent,dayFromMs,sessions,onShiftMs,onCallMs/)
    expect(csv).toContain(`Marit Lundeby`)
    const calendar = await saved(page, 'sessions.ics')
    expect(calendar).toContain('SUMMARY:Marit Lundeby on shift')
    expect(calendar).not.toContain('BEGIN:VALARM')
  })

  await test.step('breakdowns: as the file of calls has it, down to the calls, kept under a name', async () => {
    await page.getByRole('navigation', { name: 'Results of' }).getByRole('link', { name: 'Calls' }).click()
    await expect(page).toHaveURL(/results\?/)
    await button(page, 'Last 7 days').click()
    await button(page, 'Save as a file').click()
    const loading = page.waitForEvent('download')
    await page.getByRole('menuitem', { name: 'calls.ndjson' }).click()
    const calls = (await readFile(await (await loading).path(), 'utf8'))
      .trimEnd()
      .split('\n')
      .map(
        (line) =>
          JSON.parse(line) as {
            queue: string | null
            direction: string
            offeredAtMs: number
            path: string | null
            answers: Record<string, unknown>
            outcome: string | null
          },
      )
    const offered = calls.filter((c) => c.direction === 'inbound' && c.queue !== null)
    await page.getByRole('navigation', { name: 'Results of' }).getByRole('link', { name: 'Breakdown' }).click()
    await expect(page).toHaveURL(/breakdown/)

    await page.getByLabel('Columns').selectOption({ label: 'Weekday' })
    const table = page.getByRole('table', { name: 'Offered by queue and weekday' })
    const of = (queue: string) => offered.filter((c) => c.queue === queue)
    for (const queue of ['Sailings', 'Freight', 'Disruption', 'Assistance'])
      await expect(table.getByRole('button', { name: `Offered ${of(queue).length}, ${queue}: show the calls` })).toBeVisible()
    const mondays = of('Freight').filter((c) => new Date(c.offeredAtMs).getDay() === 1)
    const cell = table.getByRole('button', { name: `Offered ${mondays.length}, Freight, Monday: show the calls` })
    await cell.click()
    const shown = page.getByRole('table', { name: 'Calls of the figure' })
    await expect(shown.getByRole('row')).toHaveCount(Math.min(100, mondays.length) + 1)
    await expect(shown.getByRole('row').nth(1)).toContainText('Mon')

    await page.getByLabel('Rows').selectOption({ label: 'What they chose' })
    await page.getByLabel('Columns').selectOption({ label: 'None' })
    const paths = new Map<string, number>()
    for (const c of offered) paths.set(c.path ?? 'Nothing chosen', (paths.get(c.path ?? 'Nothing chosen') ?? 0) + 1)
    expect(paths.size).toBeGreaterThan(2)
    const byPath = page.getByRole('table', { name: 'Offered by what they chose' })
    for (const [path, count] of paths) await expect(byPath.getByRole('button', { name: `Offered ${count}, ${path}: show the calls` })).toBeVisible()

    // Where the script loses people: outcomes by an answer.
    await page.getByLabel('Rows').selectOption({ label: 'Who is on the line' })
    await page.getByLabel('Columns').selectOption({ label: 'Outcome' })
    await page.getByLabel('Figure').selectOption({ label: 'Coded' })
    const coded = calls.filter((c) => c.direction !== 'internal' && c.outcome !== null)
    await expect(page.getByRole('button', { name: `Coded ${coded.length}: show the calls` })).toBeVisible()

    await button(page, 'Keep…').click()
    await page.getByLabel('Name').fill('Where we lose them')
    await button(page, 'Keep').click()
    await page.getByLabel('Rows').selectOption({ label: 'Agent' })
    await page.getByLabel('Columns').selectOption({ label: 'Team' })
    await expect(page.getByRole('table', { name: 'Coded by agent and team' })).toBeVisible()
    await button(page, 'Kept (1)').click()
    await page.getByRole('menuitem', { name: 'Where we lose them', exact: true }).click()
    await expect(page.getByRole('table', { name: 'Coded by who is on the line and outcome' })).toBeVisible()

    // Yesterday beside the day before.
    await page.getByLabel('Rows').selectOption({ label: 'Queue' })
    await page.getByLabel('Columns').selectOption({ label: 'None' })
    await page.getByLabel('Figure').selectOption({ label: 'Offered' })
    await button(page, 'Yesterday').click()
    await page.getByLabel('Compare with the days before').check()
    const day = (back: number) => {
      const from = new Date()
      from.setHours(0, 0, 0, 0)
      const start = from.getTime() - back * 86_400_000
      return offered.filter((c) => c.queue === 'Sailings' && c.offeredAtMs >= start && c.offeredAtMs < start + 86_400_000).length
    }
    await expect(page.getByRole('table', { name: 'Offered by queue' }).getByRole('row').filter({ hasText: 'Sailings' }).first()).toContainText(
      `${day(1)}(was ${day(2)})`,
    )
    const saving = page.waitForEvent('download')
    await button(page, 'Save as CSV').click()
    expect(await readFile(await (await saving).path(), 'utf8')).toMatch(/^queue,queue in words,offered,answered,/)
  })

  await test.step('the day so far against the days before; tomorrow with how far off it is, and whom it takes', async () => {
    await page.getByRole('link', { name: 'Floor' }).click()
    await expect(page.getByText(/^0 calls, \d+ expected by now$|no past days/)).toBeVisible()
    const agent = await page.context().newPage()
    await startShift(agent)
    await goReady(agent)
    await ringMe(agent)
    await expect(page.getByText(/^1 call, \d+ expected by now$/)).toBeVisible()
    await expect(page.getByRole('img', { name: /^All queues by quarter of an hour\..* 1 calls, [\d.]+ expected, 1 on shift/ })).toBeVisible()
    await page.getByLabel('Queue', { exact: true }).selectOption({ label: 'Freight' })
    await expect(page.getByText(/^0 calls, \d+ expected by now$/)).toBeVisible()

    await page.getByRole('link', { name: 'Tomorrow' }).click()
    const table = page.getByRole('table', { name: 'Expected, by queue' })
    const sailings = table.getByRole('row').filter({ hasText: 'Sailings' })
    await expect(sailings).toContainText(/\d days, \d of this weekday/)
    await expect(sailings).toContainText(/\d+ % \(\d+ %\)/)
    const calls = async () => Number(await sailings.getByRole('cell').first().textContent())
    const agents = async () => Number(await sailings.getByRole('cell').last().textContent())
    const usual = { calls: await calls(), agents: await agents() }
    expect(usual.calls).toBeGreaterThan(50)
    await page.getByLabel('Calls, % of usual').fill('200')
    await expect.poll(calls).toBeGreaterThan(1.9 * usual.calls)
    expect(await agents()).toBeGreaterThan(usual.agents)
    await page.getByLabel('Calls, % of usual').fill('many')
    await expect(page.getByText('A number from 1 to 1000.')).toBeVisible()
    await page.getByLabel('Calls, % of usual').fill('100')
    await expect.poll(calls).toBe(usual.calls)

    const saving = page.waitForEvent('download')
    await button(page, 'Save as CSV').click()
    const lines = (await readFile(await (await saving).path(), 'utf8')).trimEnd().split('\r\n')
    expect(lines).toHaveLength(97)
    const heads = (lines[0] ?? '').split(',')
    const column = (name: string) => lines.slice(1).map((line) => Number(line.split(',')[heads.indexOf(name)]))
    const sum = column('Sailings calls').reduce((a, b) => a + b, 0)
    expect(Math.abs(sum - usual.calls)).toBeLessThan(1)
    expect(Math.max(...column('Sailings agents'))).toBe(usual.agents)
    // Nobody shared takes more people than everybody shared.
    for (const [q, together] of column('agents together').entries()) expect(together).toBeLessThanOrEqual(column('agents apart')[q] ?? 0)
  })

  await test.step('shifts are laid, kept over a reload, and set against the day as it came', async () => {
    const shifts = page.getByRole('region', { name: 'Shifts', exact: true })
    const lay = async () => {
      await shifts.getByRole('button', { name: 'Lay shifts' }).click()
      await expect(shifts.getByText('Not kept yet.')).toBeVisible({ timeout: 60_000 })
    }
    await shifts.getByLabel('Agents there are').fill('0')
    await expect(shifts.getByText('A number from 1 to 500.')).toBeVisible()
    await expect(shifts.getByRole('button', { name: 'Lay shifts' })).toBeDisabled()
    // Too few: somebody is missing, and no more than these are planned.
    await shifts.getByLabel('Agents there are').fill('2')
    await lay()
    await expect(shifts).toContainText(/2 shifts, [\d.]+ h; [\d.]+ h missing, .*No plan of these shifts is better/)
    await shifts.getByLabel('Agents there are').fill('60')
    // As good as it comes in the time it takes: on a computer that does much else at once it is laid again.
    await expect(async () => {
      await lay()
      await expect(shifts).toContainText(/nobody is missing/, { timeout: 10_000 })
    }).toPass({ timeout: 150_000 })
    await shifts.getByRole('button', { name: 'Keep this plan' }).click()
    const plan = shifts.getByRole('paragraph').filter({ hasText: 'Kept plan.' })
    const kept = await plan.textContent()
    const loading = page.waitForEvent('download')
    await shifts.getByRole('button', { name: 'Save shifts as CSV' }).click()
    const rows = (await readFile(await (await loading).path(), 'utf8')).trimEnd().split('\r\n').slice(1)
    expect(kept).toContain(` ${rows.length} shifts, `)
    // What the picture says of each quarter, counted again from the file.
    const said = (await shifts.getByRole('img').getAttribute('aria-label')) ?? ''
    const quarters = [...said.matchAll(/(\d\d:\d\d): (\d+) at work, (\d+) needed/g)]
    expect(quarters.length).toBeGreaterThan(20)
    for (const [, at = '', atWork, needed] of quarters) {
      const there = rows
        .map((row) => row.split(','))
        .filter(
          ([from = '', to = '', , ...breaks]) =>
            from <= at && at < to && !breaks.some((b, i) => i % 2 === 0 && b !== '' && b <= at && at < (breaks[i + 1] ?? '')),
        )
      expect(there, at).toHaveLength(Number(atWork))
      expect(there.length, at).toBeGreaterThanOrEqual(Number(needed))
    }
    await page.reload()
    await expect(plan).toHaveText(kept ?? '')

    await page.getByLabel('Day', { exact: true }).fill(format(addDays(Date.now(), -1), 'yyyy-MM-dd'))
    await expect(shifts.getByText(/No plan is kept for this day/)).toBeVisible()
    await lay()
    await expect(shifts).toContainText(/On shift as it came: \d[\d.]* h, apart from the plan by [\d.]+ h in all\./)
    // Given out, and kept: who came late is told from it.
    await shifts.getByRole('button', { name: 'Give out the rest' }).click()
    await expect(shifts).toContainText('Every shift has somebody.')
    await shifts.getByRole('combobox', { name: /^Shift 1, / }).selectOption({ label: 'Marit Lundeby' })
    await shifts.getByRole('combobox', { name: /^Shift 2, / }).selectOption({ label: 'Marit Lundeby' })
    await expect(shifts.getByText(/Marit Lundeby has shifts that overlap/)).toBeVisible()
    await shifts.getByRole('combobox', { name: /^Shift 2, / }).selectOption({ label: 'nobody yet' })
    await shifts.getByRole('button', { name: 'Keep this plan' }).click()
    const planned = (await shifts.getByRole('combobox', { name: /^Shift 1, / }).getAttribute('aria-label')) ?? ''
    await page.getByRole('navigation', { name: 'Places' }).getByRole('link', { name: 'Results' }).click()
    await button(page, 'Yesterday').click()
    await page.getByRole('navigation', { name: 'Results of' }).getByRole('link', { name: 'Sessions' }).click()
    const row = page.getByRole('table', { name: 'Time of agents' }).getByRole('row').filter({ hasText: 'Marit Lundeby' })
    await expect(row).toContainText(planned.replace(/^Shift 1, /, ''))
    const [sessions = '', given = '', late = ''] = (await row.getByRole('cell').allTextContents()).slice(0, 3)
    const minutes = (clock: string) => toMs(`${clock}:00`) / 60_000
    const began = minutes(sessions.slice(0, 5))
    // Whoever was given more than one is late for each that begins before they come.
    const expected = [...given.matchAll(/(\d\d:\d\d) to/g)].reduce((sum, [, begins = '']) => sum + Math.max(0, began - minutes(begins)), 0)
    expect(Math.abs(toMs(late.length < 6 ? `0:${late}` : late) / 60_000 - expected)).toBeLessThan(2)
  })
})

test('a day that is over is gone through again, and one to come is played by the rules', async ({ page }) => {
  test.slow()
  await signInAsOwner(page, `/results${WITH_PAST.slice(1)}`)
  await pastDaysThere(page)
  await button(page, 'Yesterday').click()
  const states = await statesOf(page)
  await test.step('replay: at any instant of a day the Floor is what the file of states says, it goes on by itself, and nothing can be done on it', async () => {
    await page.getByRole('navigation', { name: 'Places' }).getByRole('link', { name: 'Floor' }).click()
    await page.getByRole('link', { name: 'Replay' }).click()
    const slider = page.getByRole('slider', { name: 'Time of the day' })
    await expect(slider).toBeVisible({ timeout: 60_000 })
    const from = Number(await slider.getAttribute('min'))
    const words: Record<string, string> = {
      onCall: 'On call',
      writing: 'Writing',
      wrapUp: 'Wrap-up',
      ready: 'Ready',
      notReady: 'Not ready',
      ringing: 'Ringing',
    }
    const rows = page.getByRole('region', { name: 'On shift' }).getByRole('row')
    for (const minutes of [200, 95, 410, 60]) {
      await slider.fill(String(from + minutes * 60_000))
      const atMs = Number(await slider.inputValue())
      const then = states.filter((s) => s.fromMs <= atMs && atMs < s.toMs && s.toMs > s.fromMs)
      await expect(page.getByText(new RegExp(`^${then.length} on shift`))).toBeVisible()
      for (const { agent, state } of then) if (words[state] !== undefined) await expect(rows.filter({ hasText: agent })).toContainText(words[state])
      expect(then.length).toBeGreaterThan(5)
    }
    const shown = page.getByRole('timer', { name: 'Time shown' })
    const before = await shown.textContent()
    await page.getByLabel('Seconds a second').selectOption('300')
    await button(page, 'Play').click()
    await expect(shown).not.toHaveText(before ?? '')
    await button(page, 'Stop').click()
    await page.getByLabel('Board of').selectOption({ label: 'Marit Lundeby' })
    await expect(page.getByText(/^Not on shift at this time\.$/).or(page.locator('[inert]').getByText(/./).first())).toBeVisible()
    await expect(page.getByRole('button', { name: /^Acts on|Choose / })).toHaveCount(0)
    await page.getByLabel('Day', { exact: true }).fill('2020-01-01')
    await expect(page.getByText('Nothing happened on Wed 1 Jan. Choose another day.')).toBeVisible()
  })

  await test.step('a day is played by the rules: what it needs, and what if; called off, finished, and the same again', async () => {
    await page.getByRole('navigation', { name: 'Places' }).getByRole('link', { name: 'Floor' }).click()
    await page.getByRole('link', { name: 'Tomorrow' }).click()
    await button(page, 'Play it by the rules').click()
    await expect(page.getByText(/^By the rules themselves \d+ h of agents are needed: by Erlang A \d+ h together, \d+ h apart\./)).toBeVisible({
      timeout: 90_000,
    })
    await expect(
      page.getByText(/^Why: with the agents Erlang A asks for together, \d+ % are answered in time\. If everybody took every queue: \d+ %/),
    ).toBeVisible({
      timeout: 60_000,
    })
    await page.getByRole('link', { name: 'What if' }).click()
    const play = button(page, 'Play the day')
    await expect(play).toBeEnabled()
    await page.getByLabel('Agents, ±').fill('two')
    await play.click()
    await expect(page.getByText('A whole number from -200 to 200.')).toBeVisible()
    await page.getByLabel('Agents, ±').fill('-1')
    await page.getByLabel('Days played').fill('300')
    await play.click()
    await expect(page.getByRole('progressbar')).toBeVisible()
    await button(page, 'Call off').click()
    await expect(page.getByText(/^Called off\./)).toBeVisible()
    const read = async () => {
      await play.click()
      await expect(play).toBeVisible({ timeout: 60_000 })
      return (await page.getByRole('table', { name: 'The day' }).textContent()) ?? ''
    }
    await page.getByLabel('Days played').fill('6')
    const first = await read()
    expect(first).toMatch(/Answered in time\d\d\.\d %.*−\d+\.\d points/)
    await expect(page.getByText(/^\d\d\.\d % are answered in time instead of \d\d\.\d %: [\d.]+ points fewer\.$/)).toBeVisible()
    expect(await read()).toBe(first)
    // A day that came, with its own callers and agents: nothing is changed, so nothing differs.
    await button(page, 'Change nothing').click()
    await page.getByLabel('Days played').fill('3')
    await page.getByLabel('Day', { exact: true }).fill(format(addDays(Date.now(), -1), 'yyyy-MM-dd'))
    await page.getByLabel('Calls', { exact: true }).selectOption({ label: 'as they came that day' })
    await page.getByLabel('Agents', { exact: true }).selectOption({ label: 'as they were on shift' })
    await expect(play).toBeEnabled()
    const same = await read()
    expect(same).not.toMatch(/points|\+\d/)
    await expect(page.getByText(/as good as the .* without the change\.$/)).toBeVisible()
    // A campaign beside it: people are reached, and agents are busier.
    await page.getByLabel('Days played').fill('2')
    await page.getByLabel('Campaign beside').selectOption({ label: 'Winter timetable' })
    await page.getByLabel('Called to').fill('08:00')
    await play.click()
    await expect(page.getByText('Give a time to begin, and a later one to end.')).toBeVisible()
    await page.getByLabel('Called to').fill('11:00')
    await expect(play).toBeEnabled()
    expect(await read()).toMatch(/Agents occupied.*\+\d+\.\d points.*Campaign: talked with0\.0 0 to 0\d+\.\d/)
  })
})

test('an agent sees the day of their own, as it goes on', async ({ page }) => {
  await startShift(page)
  await goReady(page)
  await ringMe(page)
  await button(page, 'Answer').click()
  await hangUp(page)
  await expect(state(page)).toHaveText('Wrap-up')
  await page.getByRole('link', { name: 'Results' }).click()
  await page.getByRole('navigation', { name: 'Results of' }).getByRole('link', { name: 'Sessions' }).click()
  await expect(page).toHaveURL(/sessions/)
  await button(page, 'Today').click()
  const stretches = page.getByRole('region', { name: 'Day of Eluned Tarnow' }).getByRole('table', { name: 'Stretches' })
  await expect(stretches.getByRole('row').filter({ hasText: 'On call' }).getByRole('link', { name: 'Ottoline Fjelding' })).toBeVisible()
  await expect(page.getByRole('table', { name: 'Time of agents' }).getByRole('row')).toHaveCount(2)
})
