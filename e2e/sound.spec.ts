// The sound path: each way to speak and each way it can fail, with Chromium's fake devices and with device windows.
import { mkdtemp, writeFile } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { type Browser, chromium, expect, type Page, test } from '@playwright/test'
import { board, button, goReady, goTo, KESTER, openDevice, ringMe, signIn, startShift, state } from './desk'
import { message, messages, savedSound, toVoicemail } from './voicemail'

const FAKE_DEVICE = '--use-fake-device-for-media-stream'

test.use({ launchOptions: { executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu', FAKE_DEVICE] } })

async function choose(page: Page, name = 'Eluned Tarnow', pin = '2417'): Promise<void> {
  await signIn(page, name, pin)
}
const soundStep = (page: Page) => page.getByRole('region', { name: 'Sound' })
const start = async (page: Page) => {
  await button(page, 'Start shift').click()
  await expect(state(page)).toHaveText('Not ready · Just signed in')
}

test('this computer: a level that moves, three seconds played back, and the answer of the agent', async ({ page, context }) => {
  await context.grantPermissions(['microphone'])
  await choose(page)
  await button(page, 'Check sound').click()
  const meter = page.getByRole('meter', { name: 'Microphone level' })
  await expect.poll(async () => Number(await meter.getAttribute('value'))).toBeGreaterThan(20)
  await expect(page.getByText('Did you hear yourself?')).toBeVisible({ timeout: 15_000 })
  await expect(page.getByLabel('Microphone', { exact: true }).locator('option').nth(1)).toHaveText(/Fake/)
  await button(page, 'No').click()
  await expect(soundStep(page).getByRole('alert')).toContainText('You did not hear yourself.')
  await button(page, 'Check sound').click()
  await button(page, 'Yes').click({ timeout: 15_000 })
  await expect(soundStep(page)).toContainText('You are heard, and you hear.')
  await start(page)
  await expect(button(page, 'Sound')).toBeVisible()
})

test('a colleague hears the greeting its owner has recorded, and leaves a message in their own voice', async ({ page, context }) => {
  await context.grantPermissions(['microphone'])
  const kester = await page.context().newPage()
  await signIn(kester, KESTER.name, KESTER.pin)
  await toVoicemail(kester)
  await button(kester, 'Greeting…').click()
  const dialog = kester.getByRole('dialog', { name: 'Greeting' })
  await dialog.getByRole('radio', { name: /Your voice/ }).click()
  await expect(dialog.getByRole('button', { name: 'Try it out' })).toBeDisabled()
  await dialog.getByLabel('Its words, for who cannot hear it').fill('Kester here. Please speak.')
  await button(kester, 'Record').click()
  await expect(dialog).toContainText('Recording 0:02')
  await button(kester, 'Stop').click()
  await expect(dialog).toContainText(/Recorded, 0:0[1-4] long/)
  await dialog.getByRole('button', { name: 'Try it out' }).click()
  await expect(dialog).toContainText('Listen…')
  await dialog.getByRole('button', { name: 'Use it' }).click()
  await expect(dialog).toBeHidden()

  await page.bringToFront()
  await startShift(page)
  await goTo(page, 'People')
  await page.getByRole('option').filter({ hasText: 'Kester Oddersey' }).click()
  await button(page, 'More for Kester Oddersey').click()
  await page.getByRole('menuitem', { name: 'Leave a message' }).click()
  await goTo(page, 'Desk')
  await expect(board(page)).toContainText('“Kester here. Please speak.”')
  // A short greeting, its tone, and some words.
  await expect(board(page)).toContainText(/internal call 0:0[89]/)
  await button(page, 'Hang up').click()
  await expect(state(page)).toHaveText('Not ready · Just signed in')
  await kester.bringToFront()
  await expect(messages(kester)).toHaveCount(1, { timeout: 20_000 })
  await messages(kester).click()
  await expect(message(kester)).toContainText('Eluned Tarnow')
  const saved = await savedSound(kester)
  expect(saved.seconds).toBeGreaterThan(2)
  expect(saved.peak).toBeGreaterThan(500)
})

/** A browser whose fake microphone plays this file. */
async function hearing(samples: (n: number) => number): Promise<Browser> {
  const RATE = 48_000
  const data = Buffer.alloc(RATE * 4 * 2)
  for (let n = 0; n < RATE * 4; n++) data.writeInt16LE(Math.round(32_767 * Math.max(-1, Math.min(1, samples(n)))), n * 2)
  const header = Buffer.alloc(44)
  header.write('RIFF', 0)
  header.writeUInt32LE(36 + data.length, 4)
  header.write('WAVEfmt ', 8)
  header.writeUInt32LE(16, 16)
  header.writeUInt16LE(1, 20)
  header.writeUInt16LE(1, 22)
  header.writeUInt32LE(RATE, 24)
  header.writeUInt32LE(RATE * 2, 28)
  header.writeUInt16LE(2, 32)
  header.writeUInt16LE(16, 34)
  header.write('data', 36)
  header.writeUInt32LE(data.length, 40)
  const file = join(await mkdtemp(join(tmpdir(), 'microphone-')), 'heard.wav')
  await writeFile(file, Buffer.concat([header, data]))
  return chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', FAKE_DEVICE, '--use-fake-ui-for-media-stream', `--use-file-for-fake-audio-capture=${file}`],
  })
}

for (const { says, samples, cure } of [
  { says: 'a microphone that is switched off', samples: () => 0, cure: /level stayed at zero\. Switch the microphone on/ },
  { says: 'one that is far too loud', samples: (n: number) => 30 * Math.sin(n / 20), cure: /so loud that it crackles\. Turn the microphone down/ },
])
  test(`${says} is noticed`, async ({ baseURL }) => {
    const browser = await hearing(samples)
    // Processing would make a quiet hum of silence and tame what is too loud: what is tested is what comes in.
    const page = await browser.newPage({ baseURL: baseURL as string })
    await page.addInitScript(() => {
      const open = navigator.mediaDevices.getUserMedia.bind(navigator.mediaDevices)
      navigator.mediaDevices.getUserMedia = () => open({ audio: { echoCancellation: false, noiseSuppression: false, autoGainControl: false } })
    })
    await choose(page)
    await button(page, 'Check sound').click()
    await expect(soundStep(page).getByRole('alert')).toContainText(cure, { timeout: 15_000 })
    await browser.close()
  })

/** What the browser answers when a device cannot be had: no fake device can be missing or held by another program. */
const refuseMicrophone = (name: string) => {
  navigator.mediaDevices.getUserMedia = () => Promise.reject(new DOMException('refused', name))
}

for (const { says, refuse, cure } of [
  { says: 'blocked by the browser', refuse: null, cure: /does not let this page use the microphone\. Open the site settings/ },
  { says: 'not there', refuse: 'NotFoundError', cure: /No microphone was found\. Plug in the headset/ },
  { says: 'held by another program', refuse: 'NotReadableError', cure: /Another program holds the microphone\. Close the program/ },
])
  test(`a microphone that is ${says} is named with its cure, and the shift can begin without sound`, async ({ page }) => {
    if (refuse !== null) await page.addInitScript(refuseMicrophone, refuse)
    await choose(page)
    await button(page, 'Check sound').click()
    await expect(soundStep(page).getByRole('alert')).toContainText(cure)
    await button(page, 'Start without sound').click()
    await expect(page.getByRole('region', { name: 'No sound' })).toContainText('You work without sound')
    await expect(button(page, 'Sound: none')).toBeVisible()
    // For the whole shift, also with a call.
    await goReady(page)
    await ringMe(page)
    await button(page, 'Answer').click()
    await expect(state(page)).toHaveText('On call')
    await expect(page.getByRole('region', { name: 'No sound' })).toBeVisible()
  })

test('the desk handset: unreachable until it is there, rung and lifted, and then it answers calls', async ({ page }) => {
  await choose(page)
  await page.getByRole('radio', { name: 'Desk handset' }).click()
  await button(page, 'Check sound').click()
  await expect(soundStep(page).getByRole('alert')).toContainText('The desk handset cannot be reached: it is not plugged in.')
  await button(page, 'Start shift').click()
  await expect(page.getByRole('alert').filter({ hasText: 'Desk handset is not connected yet.' })).toBeVisible()
  const handset = await openDevice(page, 'Open the desk handset')
  await expect(page.getByText('The desk handset is there.')).toBeVisible()
  await button(page, 'Check sound').click()
  await expect(handset.getByRole('status', { name: 'Handset' })).toHaveText('It rings: your desk checks the sound')
  await button(handset, 'Lift').click()
  await expect(soundStep(page)).toContainText('You lifted the desk handset.')
  await button(handset, 'Put down').click()
  await start(page)
  await goReady(page)
  await ringMe(page)
  await expect(handset.getByRole('status', { name: 'Handset' })).toHaveText('Ottoline Fjelding rings')
  await button(handset, 'Lift').click()
  await expect(state(page)).toHaveText('On call')
  await expect(handset.getByRole('status', { name: 'Handset' })).toHaveText('Talking with Ottoline Fjelding')

  // Pulled out in the middle of it: music for the caller, the shift and the call go on, and another path is taken.
  await handset.close()
  await expect(page.getByRole('alert', { name: 'Sound lost' })).toContainText('The desk handset cannot be reached any more.')
  await expect(board(page)).toContainText('hears music')
  await expect(state(page)).toHaveText('On call')
  await button(page, 'Sound: lost').click()
  await page.getByRole('radio', { name: 'This computer' }).click()
  await button(page, 'Use this computer').click()
  await expect(page.getByRole('alert', { name: 'Sound lost' })).toBeHidden()
  await expect(board(page)).not.toContainText('hears music')
})

test('my own phone: the number and the code, a wrong one, then the right one by tones; hanging up is said', async ({ page }) => {
  await choose(page)
  await page.getByRole('radio', { name: 'My own phone' }).click()
  await button(page, 'Check sound').click()
  const code = ((await page.getByRole('status', { name: 'Code' }).textContent()) ?? '').replace(/\D/g, '')
  expect(code).toHaveLength(6)
  const phone = await openDevice(page, 'Open my phone')
  const says = phone.getByRole('status', { name: 'Phone' })
  const key = async (digits: string) => {
    for (const digit of digits) await button(phone, digit).click()
  }
  await phone.getByLabel('Number').fill('01632 960111')
  await button(phone, 'Dial').click()
  await expect(says).toHaveText('This number is not in use.')
  await button(phone, 'Hang up phone').click()
  await phone.getByLabel('Number').fill('01632 960950')
  await button(phone, 'Dial').click()
  await expect(says).toHaveText('Sound line. Please key in your code.')
  await key(code === '111111' ? '222222' : '111111')
  await expect(says).toContainText('This code is wrong.')
  await expect(soundStep(page).getByRole('alert')).toContainText('A wrong code was keyed in.')
  await key(code)
  await expect(says).toContainText('Your desk speaks through this phone now.')
  await expect(soundStep(page)).toContainText('Your phone is on the line.')
  await start(page)
  await button(phone, 'Hang up phone').click()
  await expect(page.getByRole('alert', { name: 'Sound lost' })).toContainText('Your phone has hung up.')
})

test('a code that has expired is no longer shown, and a new one is offered', async ({ page, context }) => {
  await context.clock.install()
  await choose(page)
  await page.getByRole('radio', { name: 'My own phone' }).click()
  await button(page, 'Check sound').click()
  await expect(page.getByRole('status', { name: 'Code' })).toBeVisible()
  await context.clock.fastForward(121_000)
  await expect(soundStep(page).getByRole('alert')).toHaveText('The code has expired. Get a new code.')
  await expect(button(page, 'Get a new code')).toBeEnabled()
})

test('a microphone that is unplugged in a call: music, a word, and it is tried again by itself', async ({ page, context }) => {
  await context.grantPermissions(['microphone'])
  await page.addInitScript(() => {
    const world = globalThis as unknown as { plugged: boolean; track: MediaStreamTrack }
    world.plugged = true
    const open = navigator.mediaDevices.getUserMedia.bind(navigator.mediaDevices)
    navigator.mediaDevices.getUserMedia = async (wanted) => {
      if (!world.plugged) throw new DOMException('gone', 'NotFoundError')
      const stream = await open(wanted)
      world.track = stream.getAudioTracks()[0] as MediaStreamTrack
      return stream
    }
  })
  await choose(page)
  await start(page)
  await goReady(page)
  await ringMe(page)
  await button(page, 'Answer').click()
  await expect(page.getByRole('meter', { name: 'Microphone level' })).toBeAttached()
  await page.evaluate(() => {
    const world = globalThis as unknown as { plugged: boolean; track: MediaStreamTrack }
    world.plugged = false
    world.track.dispatchEvent(new Event('ended'))
  })
  await expect(page.getByRole('alert', { name: 'Sound lost' })).toContainText('The microphone was unplugged or taken away.')
  await expect(board(page)).toContainText('hears music')
  await expect(state(page)).toHaveText('On call')
  await page.evaluate(() => {
    ;(globalThis as unknown as { plugged: boolean }).plugged = true
    navigator.mediaDevices.dispatchEvent(new Event('devicechange'))
  })
  await expect(page.getByRole('alert', { name: 'Sound lost' })).toBeHidden()
  await expect(board(page)).not.toContainText('hears music')
})
