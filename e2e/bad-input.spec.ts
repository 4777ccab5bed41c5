import { get } from 'node:http'
import { button, endShift, goReady, hangUp, LINNEA, QUIET, signInAsOwner, startShift, state, takeCall, WITH_PAST } from './desk'
import { BASE_URL } from './settings'
import { expect, type Page, test } from './warm'

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
    ['0163', '“0163” is too short for a UK number.'],
  ] as const) {
    await line.fill(typed)
    await line.press('Enter')
    await expect(page.getByText(says)).toBeVisible()
    await expect(line).toBeFocused()
    await expect(line).toHaveValue(typed)
  }
  await line.fill('')
  await button(page, 'Next page').click()
  await expect(page.getByText('Answer “Who is on the line” first.')).toBeVisible()
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
  await expect(page.getByText('The call with Ottoline Fjelding still needs an outcome.')).toBeVisible()
})

/** The field the keyboard is in says it is wrong, and the sentence belongs to it. */
const isWrong = (page: Page, name: string, sentence: RegExp) =>
  expect
    .poll(
      () =>
        page.evaluate(() => {
          const at = document.activeElement
          const about = (at?.getAttribute('aria-describedby') ?? '').split(' ').map((id) => document.getElementById(id)?.textContent ?? '')
          return { invalid: at?.getAttribute('aria-invalid'), about: about.join(' ') }
        }),
      { message: name },
    )
    .toEqual({ invalid: 'true', about: expect.stringMatching(sentence) })

test('whatever form refuses what was typed: the sentence belongs to the field, the field says it is wrong, and the keyboard is in it', async ({ page }) => {
  test.slow()
  const owner = page
  await signInAsOwner(owner, '/set-up?world=quiet&seed=7&days=0')
  const wrong = (name: string, sentence: RegExp) => isWrong(owner, name, sentence)
  const submit = (name: string) => owner.getByRole('button', { name, exact: true }).click()

  await owner.getByRole('button', { name: 'Edit Sailings' }).click()
  await owner.getByLabel('Name', { exact: true }).fill('')
  await submit('Keep changes')
  await wrong('a queue without a name', /needs a name/)
  await submit('Throw changes away')
  await owner.getByRole('button', { name: 'Edit reasons, skills and times' }).click()
  await owner.getByLabel('Chats at once, row 1').fill('99')
  await submit('Keep changes')
  await wrong('more than an agent may carry', /20 is the most/)
  await submit('Throw changes away')
  await owner.getByRole('button', { name: 'Edit Eluned Tarnow' }).click()
  await owner.getByLabel('New PIN').fill('12')
  await submit('Keep changes')
  await wrong('a PIN of two digits', /four to eight digits/)
  // A PIN is given by whoever shows their own; what waits to be given stays until then.
  await owner.getByLabel('New PIN').fill('4711')
  await submit('Keep changes')
  await submit('Put into use')
  await wrong('a PIN given without one’s own', /Your own PIN is missing/)
  await owner.getByLabel('Your own PIN').fill('1111')
  await submit('Put into use')
  await wrong('a PIN given at somebody else’s page', /not the PIN you signed in with/)
  await expect(owner.getByText('The set-up is in use on the floor; new PINs are not.')).toBeVisible()
  await owner.getByLabel('Your own PIN').fill(LINNEA.pin)
  if (process.env.PICTURE) await owner.screenshot({ path: '/tmp/pin-set-up.png' })
  await submit('Put into use')
  await expect(owner.getByText('The set-up is in use on the floor.')).toBeVisible()
  await expect(owner.getByRole('heading', { name: 'As it is in use' })).toBeVisible()

  await owner.goto('/do-not-call?world=quiet&seed=7&days=0')
  await submit('Add to the list')
  await wrong('nobody on the do-not-call list', /Nobody is named/)
  await owner.getByLabel('Number or person').fill('0163')
  await submit('Add to the list')
  await wrong('half a number on it', /too short for a UK number/)

  await owner.goto('/people?world=quiet&seed=7&days=0')
  await owner.getByRole('button', { name: /^Add/ }).first().click()
  await submit('Keep')
  await wrong('a person without a name', /There is no name/)
  await owner.keyboard.press('Escape')

  await owner.goto('/conferences?world=quiet&seed=7&days=0')
  await owner
    .getByRole('button', { name: /Arrange/ })
    .first()
    .click()
  await owner.getByLabel('Day', { exact: true }).fill('')
  await owner.getByRole('dialog').locator('button[type=submit]').click()
  await wrong('a conference on no day', /day or the time is missing/)
  await owner.keyboard.press('Escape')

  await owner.goto('/results?world=quiet&seed=7&days=0')
  await owner.getByLabel('From', { exact: true }).fill('2027-01-01')
  await wrong('a span that ends before it begins', /./)
  await owner.getByRole('button', { name: 'Linnea Wickerby, your settings' }).click()
  await submit('New PIN')
  await owner.getByLabel('Present PIN').fill(LINNEA.pin)
  await owner.getByLabel('New PIN').fill('1')
  await submit('Change PIN')
  await wrong('one’s own PIN of one digit', /digits/)
  await owner.getByLabel('New PIN').fill('1291')
  await owner.getByLabel('Present PIN').fill('1111')
  await submit('Change PIN')
  await wrong('a new PIN by somebody else at the page', /not the PIN you signed in with/)
  if (process.env.PICTURE) await owner.screenshot({ path: '/tmp/pin-own.png' })
})

test('forms that stand in windows of their own and on the Floor: the same, and what was begun there is there again', async ({ page }) => {
  test.slow()
  const quietly = '?world=quiet&seed=7&days=0'
  const press = (name: string) => button(page, name).click()
  await signInAsOwner(page, `/campaigns/campaign_winter-timetable${quietly}`)
  await press('Edit campaign')
  await page.getByLabel('Name', { exact: true }).fill('')
  await press('Save campaign')
  await isWrong(page, 'a campaign without a name', /name/)
  await page.keyboard.press('Escape')
  await expect(page.getByText('You have changed something here.')).toBeVisible()
  await press('Throw changes away')

  await page.goto(`/voicemail${quietly}`)
  await press('Greeting…')
  await page.getByRole('radio', { name: 'Words' }).click()
  await page.getByRole('textbox', { name: 'Words' }).fill('')
  await press('Use it')
  await isWrong(page, 'a greeting without words', /There are no words/)
  await page.getByRole('textbox', { name: 'Words' }).fill('Back at two.')
  await page.keyboard.press('Escape')
  await press('Greeting…')
  await page.getByRole('radio', { name: 'Words' }).click()
  await expect(page.getByRole('textbox', { name: 'Words' })).toHaveValue('Back at two.')

  const agent = await page.context().newPage()
  await takeCall(agent)
  await button(agent, 'Transfer').click()
  await agent.getByLabel('Who or what number').fill('nobody at all')
  await agent.keyboard.press('Enter')
  await isWrong(agent, 'a transfer to nobody', /matches nobody here/)
  await page.goto(`/floor${quietly}`)
  const word = async () => {
    await page.getByRole('button', { name: 'Eluned Tarnow', exact: true }).click()
    await page.getByRole('menuitem', { name: 'Message…' }).click()
  }
  await word()
  await press('Send')
  await isWrong(page, 'a message that says nothing', /is empty/)
  await page.getByLabel('Message', { exact: true }).fill('Come to the front desk')
  await page.keyboard.press('Escape')
  await word()
  await expect(page.getByLabel('Message', { exact: true })).toHaveValue('Come to the front desk')
  await page.goto(`/do-not-call${quietly}`)
  await page.getByLabel('Number or person').fill('01632 960140')
  await press('Add to the list')
  await isWrong(page, 'no reason on the do-not-call list', /No reason/)
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
