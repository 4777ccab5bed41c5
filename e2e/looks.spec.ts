// The same screens in a dark room, and where somebody has chosen the colours: every word can be read, every mark tells what it told.
import { violations } from './axe'
import { button, goReady, ringMe, signInAsOwner, startShift, state } from './desk'
import { expect, type Page, test } from './warm'

const contrastOf = async (page: Page): Promise<readonly string[]> => (await violations(page, { runOnly: ['color-contrast'] })).flatMap((v) => v.nodes)

test('dark as the computer is, and light or dark as somebody would rather have it: every word has its contrast', async ({ page }) => {
  test.slow()
  await page.emulateMedia({ colorScheme: 'dark' })
  await startShift(page)
  await goReady(page)
  await ringMe(page)
  expect(await contrastOf(page)).toEqual([])
  await button(page, 'Answer').click()
  await expect(state(page)).toHaveText('On call')
  await button(page, 'Transfer').click()
  const ground = () => page.evaluate(() => getComputedStyle(document.body).backgroundColor)
  const dark = await ground()
  expect(await contrastOf(page)).toEqual([])
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: 'Eluned Tarnow, your settings' }).click()
  await page.getByRole('combobox', { name: 'Light or dark' }).selectOption({ label: 'Light' })
  await expect.poll(ground).not.toBe(dark)
  await page.keyboard.press('Escape')
  await page.reload()
  await expect(state(page)).toHaveText('On call')
  await expect.poll(ground).not.toBe(dark)
  await button(page, 'Hang up').click()

  const owner = await page.context().newPage()
  await owner.emulateMedia({ colorScheme: 'dark' })
  await signInAsOwner(owner, '/floor?world=quiet&seed=7&days=0')
  await owner.getByRole('button', { name: 'Linnea Wickerby, your settings' }).click()
  await owner.getByRole('combobox', { name: 'Light or dark' }).selectOption({ label: 'Dark' })
  await owner.keyboard.press('Escape')
  for (const route of ['/floor', '/results', '/set-up', '/outcomes', '/scripts', '/people', '/campaigns', '/callbacks']) {
    await owner.goto(`${route}?world=quiet&seed=7&days=0`)
    await expect(owner.getByRole('heading', { level: 1 }).first()).toBeVisible()
    expect(await contrastOf(owner), route).toEqual([])
  }
})

test('with colours of one’s own the mark of a state is still a mark, and what is pressed still looks so', async ({ page }) => {
  await page.emulateMedia({ forcedColors: 'active' })
  await startShift(page)
  await goReady(page)
  await ringMe(page)
  await button(page, 'Answer').click()
  await expect(state(page)).toHaveText('On call')
  const fill = (selector: string) => page.evaluate((s) => getComputedStyle(document.querySelector(s) as Element).backgroundColor, selector)
  const canvas = await fill('body')
  expect(await fill('section[aria-label="Shift"] span[aria-hidden]')).not.toBe(canvas)
  expect(await fill('nav [aria-current="page"]')).not.toBe(canvas)
})
