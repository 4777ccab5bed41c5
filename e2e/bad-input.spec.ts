import { get } from 'node:http'
import { button, endShift, goReady, hangUp, QUIET, startShift, state, takeCall, WITH_PAST } from './desk'
import { BASE_URL } from './settings'
import { expect, test } from './warm'

test('sign-in and the start of shift name what is wrong, put the focus there, and lose nothing', async ({ page }) => {
  await page.goto(QUIET)
  await button(page, 'Sign in').click()
  await expect(page.getByText('No name is chosen. Choose yours.')).toBeVisible()
  await expect(page.getByLabel('Name', { exact: true })).toBeFocused()

  await page.getByLabel('Name', { exact: true }).selectOption({ label: 'Kester Oddersey' })
  for (const says of ['After 2 more wrong PINs there is a wait.', 'After one more wrong PIN there is a wait.', 'Wait 5 s, then type it again.']) {
    await page.getByLabel('PIN').fill('0000')
    await button(page, 'Sign in').click()
    await expect(page.getByText(says)).toBeVisible()
    await expect(page.getByLabel('PIN')).toBeFocused()
    await expect(page.getByLabel('Name', { exact: true })).toHaveValue('agent_kester-oddersey')
  }
  // The right one is no way around the wait, and once that is over it opens.
  await expect(async () => {
    if (await page.getByLabel('PIN').isVisible()) {
      await page.getByLabel('PIN').fill('3108')
      await button(page, 'Sign in').click()
    }
    await expect(page.getByRole('heading', { name: 'Start your shift' })).toBeVisible({ timeout: 1_500 })
  }).toPass({ timeout: 30_000 })

  await page.getByRole('checkbox', { name: 'Disruption' }).uncheck()
  await expect(page.getByText('Not on your account. Linnea Wickerby can add it in Set-up.')).toBeVisible()
  for (const queue of ['Sailings', 'Assistance']) await page.getByRole('checkbox', { name: queue }).uncheck()
  await button(page, 'Start shift').click()
  await expect(page.getByText('No queue is ticked and no campaign chosen, so no call could reach you.')).toBeVisible()
  await expect(page.getByRole('checkbox', { name: 'Sailings' })).toBeFocused()
})

test('the dial line says why it does not dial; a wrong answer and a missing one are named at their place; saving without an outcome is refused; what was typed stays', async ({
  page,
}) => {
  await takeCall(page)
  const line = page.getByRole('combobox', { name: 'Dial line' })
  for (const [typed, says] of [
    ['harbour master', '“harbour master” matches nobody we know, and is not a number.'],
    ['+999 12345', '“+999 12345” is not a number of any country.'],
    ['0163', '“0163” is too short for a number of GB.'],
  ] as const) {
    await line.fill(typed)
    await line.press('Enter')
    await expect(page.getByText(says)).toBeVisible()
    await expect(line).toBeFocused()
    await expect(line).toHaveValue(typed)
  }
  await line.fill('')
  await button(page, 'Next page').click()
  await expect(page.getByText('The way on depends on “Who is on the line”, which has no answer yet.')).toBeVisible()
  await expect(page.getByRole('radio', { name: 'The person who booked' })).toBeFocused()
  await page.keyboard.press('Space')
  await page.keyboard.press('Alt+n')
  await page.getByRole('radio', { name: 'Change a booking' }).click()
  await page.keyboard.press('Alt+n')
  const reference = page.getByLabel('Booking reference')
  await reference.fill('seven')
  await page.keyboard.press('Alt+n')
  await expect(page.getByText('“Booking reference” needs something like FL-204816.')).toBeVisible()
  await expect(reference).toBeFocused()
  await expect(reference).toHaveValue('seven')
  await expect(page.getByRole('heading', { name: 'Find the booking' })).toBeVisible()
  await reference.fill('FL-204816')
  await page.keyboard.press('Alt+n')
  await expect(page.getByRole('heading', { name: 'The new sailing' })).toBeVisible()

  await page.getByLabel('Notes').fill('Nothing yet')
  await hangUp(page)
  await expect(state(page)).toHaveText('Wrap-up')
  await button(page, 'Save outcome').click()
  await expect(page.getByText('No outcome is chosen.')).toBeVisible()
  await expect(page.getByRole('radio', { name: 'Booking changed' })).toBeFocused()
  await expect(page.getByLabel('Notes')).toHaveValue('Nothing yet')
  await expect(state(page)).toHaveText('Wrap-up')
  await endShift(page)
  await expect(page.getByText('The call with Ottoline Fjelding still owes an outcome.')).toBeVisible()
})

test('the desk can be installed: its manifest names icons that are there, and takes telephone links', async ({ request }) => {
  const manifest = await (await request.get('/manifest.webmanifest')).json()
  expect(manifest).toMatchObject({ start_url: '/', display: 'standalone', protocol_handlers: [{ protocol: 'tel', url: '/?dial=%s' }] })
  for (const { src, sizes } of manifest.icons) {
    const icon = await request.get(src)
    expect(icon.headers()['content-type']).toBe('image/png')
    // A PNG says its width at the seventeenth byte.
    expect(`${(await icon.body()).readUInt32BE(16)}x${(await icon.body()).readUInt32BE(20)}`).toBe(sizes)
  }
})

test('the interface is refused the history and schemas it may not have, with the reason', async ({ request }) => {
  const tooMany = await request.get('/api/demo-history?seed=7&days=400&pace=ordinary')
  expect(tooMany.status()).toBe(400)
  expect(await tooMany.json()).toEqual({ refused: ['days must be at most 31'] })
  const noSuch = await request.get('/api/schemas/nothing')
  expect(noSuch.status()).toBe(404)
  const call = await request.get('/api/schemas/call')
  expect(Object.keys((await call.json()).properties)).toContain('answeredAtMs')
  expect(call.headers()['content-security-policy']).toContain("default-src 'none'")
  // Patterns are the standard's; a format nobody else knows would be ignored, or refused.
  expect(await (await request.get('/api/schemas/set-up')).text()).not.toContain('starts_with')
  const torn = await request.get('/api/schemas/%E0%A4%A')
  expect(torn.status()).toBe(400)
  expect((await torn.json()).refused[0]).toContain('the address is not readable')
  const traced = await new Promise((resolve) => get(`${BASE_URL}/api/schemas/call`, { method: 'TRACE' }, ({ statusCode }) => resolve(statusCode)))
  expect(traced).toBe(405)
})

test('nothing is asked of any other host, and the content policy is strict', async ({ page, baseURL }) => {
  const strangers: string[] = []
  page.on('request', (r) => {
    if (!r.url().startsWith(baseURL ?? '') && !r.url().startsWith('blob:') && !r.url().startsWith('data:')) strangers.push(r.url())
  })
  const violations: string[] = []
  page.on('console', (m) => {
    if (/Content Security Policy|Refused to/.test(m.text())) violations.push(m.text())
  })
  const response = await page.goto(WITH_PAST)
  const policy = response?.headers()['content-security-policy'] ?? ''
  expect(policy).toContain("default-src 'self'")
  expect(policy).toMatch(/script-src 'self' 'nonce-[^']+' 'strict-dynamic'/)
  expect(policy).not.toContain('unsafe-eval')
  await startShift(page, undefined, undefined, WITH_PAST)
  await goReady(page)
  await button(page, 'Stand-ins').click()
  await expect(page.getByRole('dialog', { name: 'Stand-ins' })).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(page.getByRole('dialog', { name: 'Stand-ins' })).toBeHidden()
  // The server that simulates the past days answers for the page as well.
  await expect(page.getByText('Past days are being simulated')).toBeHidden({ timeout: 30_000 })
  await page.getByRole('link', { name: 'Results' }).click()
  await expect(page.getByRole('heading', { name: 'Your results' })).toBeVisible()
  expect(strangers).toEqual([])
  expect(violations).toEqual([])
})
