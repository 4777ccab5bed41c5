// A centre of many and of long names: nothing lies over anything, nothing that is pressed is too small, and what is cut can be read whole. WCAG 2.2, 2.5.8.
import { readFileSync } from 'node:fs'
import { board, button, goReady, ringMe, sendTo, signInAsOwner, startShift, state } from './desk'
import { expect, type Page, test } from './warm'

const LONG = 'of the northern and the southern islands together with the mainland'

/** The set-up as it leaves, with many more queues and accounts in it. */
function withMany(text: string): string {
  const setUp = JSON.parse(text) as {
    queues: { id: string; name: string; number: string }[]
    agents: { id: string; name: string; number: string; role: string }[]
  }
  const [queue, agent] = [setUp.queues[0], setUp.agents[0]]
  const queues = Array.from({ length: 26 }, (_, i) => ({ ...queue, id: `queue_many-${i}`, name: `Queue ${i} ${LONG}`.slice(0, 60), number: '' }))
  const agents = Array.from({ length: 190 }, (_, i) => ({
    ...agent,
    id: `agent_many-${i}`,
    name: `Agent ${i} ${LONG}`.slice(0, 60),
    number: '',
    extension: '',
  }))
  const served = setUp.agents.map((a, i) =>
    i === 0 ? { ...a, queueIds: [...(a as unknown as { queueIds: string[] }).queueIds, ...queues.map((q) => q.id)] } : a,
  )
  return JSON.stringify({ ...setUp, queues: [...setUp.queues, ...queues], agents: [...served, ...agents] })
}

/** What a person would stumble over on the page as it stands. */
const faults = (page: Page) =>
  page.evaluate(() => {
    const found: string[] = []
    const name = (e: Element) => `${e.tagName.toLowerCase()} “${(e.getAttribute('aria-label') ?? e.textContent ?? '').trim().slice(0, 50)}”`
    const isInline = (e: Element) => getComputedStyle(e).display === 'inline'
    for (const e of document.querySelectorAll('button, a[href], input, select, textarea, [role="menuitem"]')) {
      const box = e.getBoundingClientRect()
      if (!e.checkVisibility({ opacityProperty: true, visibilityProperty: true }) || box.width < 2 || box.height < 2) continue
      // A box in a label is as large as its label; a link in a sentence is as high as the line.
      const target = e.closest('label')?.getBoundingClientRect() ?? box
      if (!isInline(e) && (target.width < 24 || target.height < 24) && !(e instanceof HTMLInputElement && e.type === 'checkbox'))
        found.push(`${name(e)} is ${Math.round(target.width)}x${Math.round(target.height)}`)
      const [x, y] = [box.x + box.width / 2, box.y + box.height / 2]
      if (x < 0 || y < 0 || x >= innerWidth || y >= innerHeight) continue
      const over = document.elementFromPoint(x, y)
      const isOurs =
        over === null || e.contains(over) || over.contains(e) || e.closest('label')?.contains(over) === true || over.closest('[role="listbox"]') !== null
      // What is scrolled away behind a head that stays is not covered: it is scrolled to.
      const scroller = e.closest('[class*="overflow-"]')
      const seen = scroller?.getBoundingClientRect()
      if (!isOurs && (seen === undefined || (y > seen.top && y < seen.bottom && x > seen.left && x < seen.right)))
        found.push(`${name(e)} lies under ${name(over as Element)}`)
    }
    for (const e of document.querySelectorAll('*')) {
      const style = getComputedStyle(e)
      if (
        style.textOverflow !== 'ellipsis' ||
        (e instanceof HTMLInputElement && e.type === 'file') ||
        e.scrollWidth <= e.clientWidth + 1 ||
        !e.checkVisibility()
      )
        continue
      if (e.closest('[title]') === null && e.querySelector('[title]') === null) found.push(`cut and nowhere whole: ${name(e)}`)
    }
    if (document.documentElement.scrollWidth > innerWidth) found.push('scrolls sideways')
    return found
  })

test('thirty queues, two hundred accounts, twelve on a line and names of sixty characters: set-up, the start of a shift, the desk, the Floor', async ({
  page,
}) => {
  test.slow()
  await signInAsOwner(page, '/set-up?world=quiet&seed=7&days=0')
  const [download] = await Promise.all([page.waitForEvent('download'), button(page, 'Export JSON').click()])
  const text = withMany(readFileSync(await download.path(), 'utf8'))
  const [chooser] = await Promise.all([page.waitForEvent('filechooser'), button(page, 'Import JSON').click()])
  await chooser.setFiles({ name: 'many.json', mimeType: 'application/json', buffer: Buffer.from(text) })
  await button(page, 'Put into use').click()
  await expect(page.getByText('The set-up is in use on the floor.')).toBeVisible()
  const wrong: string[] = []
  const look = async (tab: Page, what: string) => {
    for (const [width, height] of [
      [1280, 800],
      [1024, 768],
    ] as const) {
      await tab.setViewportSize({ width, height })
      for (const found of await faults(tab)) wrong.push(`${what} at ${width}: ${found}`)
    }
  }
  await look(page, 'set-up')
  // By a few letters of it, or of what is served.
  await page.getByLabel('Find a queue or an account').fill('agent 117 island')
  await expect(page.getByRole('table').nth(1).getByRole('row')).toHaveCount(2)
  await expect(page.getByRole('region', { name: 'Accounts' })).toContainText(/1 of 2\d\d/)
  await look(page, 'set-up, one sought')
  for (const route of ['/floor', '/results', '/people', '/outcomes']) {
    await page.goto(`${route}?world=quiet&seed=7&days=0`)
    await expect(page.getByRole('heading', { level: 1 }).first()).toBeVisible()
    await look(page, route)
  }
  const desk = await page.context().newPage()
  await startShift(desk)
  await goReady(desk)
  await look(desk, 'the waiting desk')
  await ringMe(desk)
  await button(desk, 'Answer').click()
  await expect(state(desk)).toHaveText('On call')
  await look(desk, 'a call')
  await button(desk, 'Transfer').click()
  await desk.getByLabel('Who or what number').fill('queue')
  await expect(desk.getByRole('listbox', { name: 'Where to' }).getByRole('option').nth(3)).toBeVisible()
  await expect(desk.getByRole('region', { name: 'Transfer' })).toContainText(/4\d more: type a letter of the name\./)
  await look(desk, 'a transfer')
  await desk.keyboard.press('Escape')
  for (let n = 0; n < 10; n++) {
    await sendTo(desk, 'Conference', `+44 1632 9605${String(n).padStart(2, '0')}`, 'Add now')
    await expect(desk.getByText('This cord is not plugged in yet.')).toBeHidden()
  }
  // Of those who are rung up some answer, and some do not.
  await expect(board(desk)).toContainText(/(all|[3-9] of 9) on the line/, { timeout: 30_000 })
  await look(desk, 'twelve on a line')
  await desk.getByRole('button', { name: /and 8 more/ }).click()
  await expect(desk.getByRole('button', { name: /^Mute / }).nth(3)).toBeVisible()
  await look(desk, 'twelve on a line, all shown')
  await page.goto('/floor?world=quiet&seed=7&days=0')
  await expect(page.getByRole('table', { name: 'Agents' })).toBeVisible()
  await look(page, 'the Floor with somebody on a call')
  expect([...new Set(wrong)]).toEqual([])
})
