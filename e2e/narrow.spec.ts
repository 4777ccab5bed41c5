// Windows as people have them: 1280x800 at 200 %, a telephone's width, and letters of 20 px. Nothing is scrolled two ways, and a call that is on can be
// answered, held, handed on, ended, read and coded. WCAG 2.2, 1.4.4 and 1.4.10.
import { button, goReady, ringMe, signInAsOwner, startShift, state } from './desk'
import { expect, type Page, test } from './warm'

const SIZES = [
  { name: '640x400', width: 640, height: 400 },
  { name: '360x740', width: 360, height: 740 },
] as const

/** What is wider than the window, by its words. */
const tooWide = (page: Page) =>
  page.evaluate(() => {
    // Tables and drawings of two dimensions may be scrolled by themselves.
    const inside = [...document.querySelectorAll('main *')].filter(
      (e) =>
        /auto|scroll/.test(getComputedStyle(e).overflowX) &&
        e.scrollWidth > e.clientWidth + 1 &&
        !e.matches('[role=table]') &&
        e.querySelector('table, svg[role=img]') === null,
    )
    if (inside.length > 0) return inside.map((e) => `${e.tagName} scrolls inside: “${e.textContent?.slice(0, 40)}”`)
    const page = document.querySelector('[data-focus-home]') ?? document.documentElement
    if (document.documentElement.scrollWidth <= window.innerWidth && page.scrollWidth <= page.clientWidth) return []
    return [...document.querySelectorAll('body *')]
      .filter((e) => e.getBoundingClientRect().right > window.innerWidth + 1 && e.parentElement?.closest('[class*=overflow-x], table') === null)
      .slice(0, 5)
      .map((e) => `${e.tagName} ${e.className.toString().slice(0, 60)} “${e.textContent?.slice(0, 40)}”`)
  })

for (const { name, ...size } of SIZES)
  test(`a call at ${name}: everything of it can be reached`, async ({ page }) => {
    await startShift(page)
    await goReady(page)
    await ringMe(page)
    await page.setViewportSize(size)
    expect(await tooWide(page)).toEqual([])
    const reach = async (label: string, press: boolean) => {
      const control = button(page, label)
      await control.scrollIntoViewIfNeeded()
      await expect(control).toBeInViewport({ ratio: 1 })
      // Nothing lies over it.
      await control.click({ trial: !press, timeout: 5_000 })
    }
    await reach('Answer', true)
    await expect(state(page)).toHaveText('On call')
    expect(await tooWide(page)).toEqual([])
    for (const label of ['Hold', 'Transfer', 'Next page']) await reach(label, false)
    await page.getByText('The person who booked').click()
    await reach('Transfer', true)
    await expect(page.getByLabel('Who or what number')).toBeVisible()
    expect(await tooWide(page)).toEqual([])
    await page.keyboard.press('Escape')
    await reach('Hang up', true)
    await page.getByText('Information given').click()
    await reach('Save outcome', true)
    await expect(state(page)).toHaveText('Ready')
  })

const ROUTES = [
  ...['/', '/people', '/log', '/voicemail', '/conferences', '/callbacks', '/do-not-call', '/campaigns', '/floor', '/floor/tomorrow', '/floor/what-if'],
  ...['/floor/replay', '/results', '/results/campaigns', '/results/sessions', '/results/breakdown', '/results/reviews', '/set-up', '/outcomes', '/sheets'],
  '/scripts',
]

test('every page at every size, and with letters of 20 px, is scrolled one way', async ({ page }) => {
  test.slow()
  await signInAsOwner(page, '/?world=quiet&seed=7&days=0')
  const wide: string[] = []
  for (const route of ROUTES) {
    await page.goto(`${route}?world=quiet&seed=7&days=0`)
    await expect(page.getByRole('heading', { level: 1 }).first()).toBeAttached()
    for (const { name, ...size } of SIZES) {
      await page.setViewportSize(size)
      for (const found of await tooWide(page)) wide.push(`${route} at ${name}: ${found}`)
    }
    await page.setViewportSize({ width: 1280, height: 800 })
    const larger = await page.addStyleTag({ content: 'html { font-size: 20px }' })
    for (const found of await tooWide(page)) wide.push(`${route} with letters of 20 px: ${found}`)
    expect(await page.evaluate(() => getComputedStyle(document.body).fontSize)).toBe('17.5px')
    await larger.evaluate((style) => (style as Element).remove())
  }
  expect(wide).toEqual([])
})
