// What is heard is what is drawn: the mixer is rendered with a known tone for each party, and the levels are measured.
import { expect, type Page, test } from '@playwright/test'
import { build } from 'esbuild'
import { violations } from './axe'
import { anotherPress, board, button, goReady, hangUp, quiet, ringMe, signInAsOwner, startShift, state } from './desk'
import { savedSound } from './voicemail'

/** Put into the page as a laboratory: the mixer and the scene of the product, driven by its own floor. */
const LABORATORY = `
  import { createMixer, sceneOf } from './src/parts/sound'
  import { whoHearsWhom } from './src/core/calls'
  import { isMutedOn } from './src/core/state'
  import { deviceOfAgent, deviceOutside, toCallId } from './src/core/ids'
  import { get, values } from './src/core/table'
  import { aFloor, aReadyFloor, ANN, arrives, BO, FIRST, SMALL } from './src/core/testing'
  export const lab = { createMixer, sceneOf, whoHearsWhom, isMutedOn, deviceOfAgent, deviceOutside, toCallId, get, values, aFloor, aReadyFloor, ANN, BO, FIRST, SMALL, arrives }
`

const TONES = { caller: 500, colleague: 900, me: 1300 } as const
type Levels = Record<'ear' | 'recording', Record<keyof typeof TONES, number>>

/** What is asked of the floor, and whose desk is rendered: the agent’s, or that of a supervisor who comes to the call. */
type Script = 'calls' | 'agent is listened to' | 'supervisor listens'

async function render(page: Page, script: Script): Promise<Record<string, Levels>> {
  const { outputFiles } = await build({
    stdin: { contents: LABORATORY, resolveDir: process.cwd(), loader: 'ts' },
    bundle: true,
    format: 'iife',
    globalName: 'laboratory',
    alias: { '@': './src' },
    write: false,
  })
  await page.goto('/api/schemas/call')
  await page.addScriptTag({ content: outputFiles[0]?.text ?? '' })
  return page.evaluate(
    async ({ tones, script }) => {
      // biome-ignore lint/suspicious/noExplicitAny: the laboratory is a bundle put into the page, unknown to the type checker
      const { lab } = (globalThis as any).laboratory
      const RATE = 16_000
      const STEP_S = 0.5
      // In two of them Bo answers for the floor and comes to Ann's call.
      const over = {
        ...lab.SMALL,
        agents: lab.SMALL.agents.map((a: { id: string; may: string[] }) => (a.id === lab.BO ? { ...a, may: [...a.may, 'listening'] } : a)),
      }
      const floor = script === 'calls' ? lab.aReadyFloor([lab.ANN, lab.BO]) : lab.aFloor(over)
      if (script !== 'calls') {
        floor.give({ kind: 'startShift', agentId: lab.ANN, queueIds: [lab.FIRST], seat: 'desk' })
        floor.give({ kind: 'startShift', agentId: lab.BO, queueIds: [], seat: 'desk' })
        floor.give({ kind: 'goReady', agentId: lab.ANN })
      }
      const mySeat = script === 'supervisor listens' ? lab.BO : lab.ANN
      const call = (n: number) => lab.toCallId(`call_test_${n}`)
      const on = (kind: string, n: number, more = {}) => ({ kind, agentId: lab.ANN, callId: call(n), ...more })
      const consult = on('consult', 1, { target: { kind: 'agent', agentId: lab.BO } })
      const comes = (role: string) => ({ kind: 'takeRole', agentId: lab.BO, callId: call(1), besideId: lab.ANN, role })
      const supervised: [string, object[]][] = [
        ['talking', [lab.arrives(), on('answer', 1)]],
        ['listened to', [comes('listens')]],
        ['whispered to', [comes('whispers')]],
        ['on hold', [on('hold', 1)]],
        ['stepped in', [on('retrieve', 1), comes('talks')]],
        ['only listening again', [comes('listens')]],
        ['taken over', [{ kind: 'takeOver', agentId: lab.BO, callId: call(1), fromAgentId: lab.ANN }]],
      ]
      const ofCalls: [string, object[]][] = [
        ['talking', [lab.arrives(), on('answer', 1)]],
        ['on hold', [on('hold', 1)]],
        ['retrieved and muted', [on('retrieve', 1), { kind: 'setMute', agentId: lab.ANN, muted: true }]],
        ['consulting', [consult, { kind: 'answer', agentId: lab.BO, callId: call(2) }]],
        ['joined, still muted', [on('conference', 2)]],
        ['unmuted', [{ kind: 'setMute', agentId: lab.ANN, muted: false }]],
        ['privately with the colleague', [on('startAside', 1, { deviceId: lab.deviceOfAgent(lab.BO), othersHear: 'music' })]],
        ['back to all', [on('endAside', 1)]],
        ['caller muted for all', [on('muteParty', 1, { deviceId: lab.deviceOutside(call(1), 1), muted: true })]],
        [
          'colleague removed',
          [on('muteParty', 1, { deviceId: lab.deviceOutside(call(1), 1), muted: false }), on('removeParty', 1, { deviceId: lab.deviceOfAgent(lab.BO) })],
        ],
        ['hung up', [on('hangUp', 1)]],
      ]
      const steps = script === 'calls' ? ofCalls : supervised
      const context = new OfflineAudioContext(2, steps.length * STEP_S * RATE, RATE)
      const mixer = lab.createMixer(context)
      const out = context.createChannelMerger(2)
      mixer.ear.connect(out, 0, 0)
      mixer.recording.connect(out, 0, 1)
      out.connect(context.destination)
      const tone = (hertz: number, into: AudioNode) => {
        const source = context.createOscillator()
        const level = context.createGain()
        level.gain.value = 0.2
        source.frequency.value = hertz
        source.connect(level).connect(into)
        source.start()
      }
      tone(tones.caller, mixer.input(lab.deviceOutside(call(1), 1)))
      tone(tones.colleague, mixer.input(lab.deviceOfAgent(mySeat === lab.BO ? lab.ANN : lab.BO)))
      tone(tones.me, mixer.microphone)
      const apply = (commands: object[]) => {
        for (const command of commands) {
          const verdict = floor.give(command)
          if (verdict !== 'ok') throw new Error(`${JSON.stringify(command)}: ${verdict}`)
        }
        const state = floor.state()
        const mine = lab.get(state.agents, mySeat).engagements.map((e: { callId: string }) => lab.get(state.calls, e.callId))
        const views = mine.map((c: object) => ({ call: c, ears: lab.whoHearsWhom(c, lab.isMutedOn(state)) }))
        mixer.apply(lab.sceneOf(views, mySeat))
      }
      for (const [i, [, commands]] of steps.entries()) {
        if (i === 0) apply(commands)
        else
          void context.suspend(i * STEP_S).then(() => {
            apply(commands)
            return context.resume()
          })
      }
      const rendered = await context.startRendering()
      /** Amplitude of one frequency in the middle of a step, where no gain moves. */
      const level = (samples: Float32Array, step: number, hertz: number) => {
        const from = Math.round((step + 0.4) * STEP_S * RATE)
        const length = Math.round(0.5 * STEP_S * RATE)
        let re = 0
        let im = 0
        for (let n = 0; n < length; n++) {
          const angle = (2 * Math.PI * hertz * n) / RATE
          re += (samples[from + n] as number) * Math.cos(angle)
          im += (samples[from + n] as number) * Math.sin(angle)
        }
        return (2 * Math.hypot(re, im)) / length
      }
      const levels = (channel: number, step: number) => {
        const samples = rendered.getChannelData(channel)
        return Object.fromEntries(Object.entries(tones).map(([name, hertz]) => [name, level(samples, step, hertz)]))
      }
      return Object.fromEntries(steps.map(([name], i) => [name, { ear: levels(0, i), recording: levels(1, i) }]))
    },
    { tones: TONES, script },
  ) as Promise<Record<string, Levels>>
}

test.describe('the mix, by measured levels', () => {
  // A script from elsewhere is put into the page; the page's own policy rightly forbids it.
  test.use({ bypassCSP: true })

  const measured = async (page: Page, script: Script) => {
    const levels = await render(page, script)
    const there = (step: string, where: 'ear' | 'recording') =>
      (Object.keys(TONES) as (keyof typeof TONES)[]).filter((name) => (levels[step]?.[where][name] ?? 0) > 0.1)
    /** Less than a thousandth of what a heard voice has. */
    const gone = (step: string, where: 'ear' | 'recording') =>
      (Object.keys(TONES) as (keyof typeof TONES)[]).filter((name) => (levels[step]?.[where][name] ?? 1) < 0.004)
    return (step: string, ear: string[], recording: string[]) => {
      expect(there(step, 'ear'), `ear, ${step}`).toEqual(ear)
      expect(there(step, 'recording'), `recording, ${step}`).toEqual(recording)
      expect(gone(step, 'ear').length + ear.length, `nothing in between, ear, ${step}`).toBe(3)
      expect(gone(step, 'recording').length + recording.length, `nothing in between, recording, ${step}`).toBe(3)
    }
  }

  test('obeys who hears whom in every state, and the recording holds what was heard', async ({ page }) => {
    const expectHeard = await measured(page, 'calls')
    expectHeard('talking', ['caller'], ['caller', 'me'])
    expectHeard('on hold', [], [])
    expectHeard('retrieved and muted', ['caller'], ['caller'])
    expectHeard('consulting', ['colleague'], ['colleague'])
    expectHeard('joined, still muted', ['caller', 'colleague'], ['caller', 'colleague'])
    expectHeard('unmuted', ['caller', 'colleague'], ['caller', 'colleague', 'me'])
    expectHeard('privately with the colleague', ['colleague'], ['colleague', 'me'])
    expectHeard('back to all', ['caller', 'colleague'], ['caller', 'colleague', 'me'])
    expectHeard('caller muted for all', ['colleague'], ['colleague', 'me'])
    expectHeard('colleague removed', ['caller'], ['caller', 'me'])
    expectHeard('hung up', [], [])
  })

  test('at the agent’s desk a supervisor is heard when they whisper or have stepped in, and a whisper is not recorded', async ({ page }) => {
    const expectHeard = await measured(page, 'agent is listened to')
    expectHeard('talking', ['caller'], ['caller', 'me'])
    expectHeard('listened to', ['caller'], ['caller', 'me'])
    expectHeard('whispered to', ['caller', 'colleague'], ['caller', 'me'])
    expectHeard('on hold', [], [])
    expectHeard('stepped in', ['caller', 'colleague'], ['caller', 'colleague', 'me'])
    expectHeard('only listening again', ['caller'], ['caller', 'me'])
    expectHeard('taken over', [], [])
  })

  test('at the supervisor’s desk both are heard, nobody on hold is, and their own voice goes out when somebody hears it', async ({ page }) => {
    const expectHeard = await measured(page, 'supervisor listens')
    expectHeard('talking', [], [])
    expectHeard('listened to', ['caller', 'colleague'], ['caller', 'colleague'])
    expectHeard('whispered to', ['caller', 'colleague'], ['caller', 'colleague', 'me'])
    expectHeard('on hold', [], [])
    expectHeard('stepped in', ['caller', 'colleague'], ['caller', 'colleague', 'me'])
    expectHeard('only listening again', ['caller', 'colleague'], ['caller', 'colleague'])
    expectHeard('taken over', ['caller'], ['caller', 'me'])
  })
})

test('a call of a queue that records is recorded by itself, survives a reload, is played and saved from its page, and is sealed by whoever wants it', async ({
  context,
  page,
}) => {
  test.slow()
  await startShift(page)
  await goReady(page)
  await ringMe(page, { queue: 'Freight', caller: 'Perrin Arncliffe' })
  await button(page, 'Answer').click()
  await expect(board(page)).toContainText('recording')
  // Two turns of the caller are spoken; the second one after a reload in the middle.
  await expect(page.getByRole('log', { name: 'What the caller says' }).getByRole('paragraph').or(page.getByRole('log').locator('p'))).not.toHaveCount(0)
  await expect(board(page)).toContainText(/with you 0:0[4-9]/)
  await page.reload()
  await expect(button(page, 'Stop recording')).toBeVisible()
  await button(page, 'Hold').click()
  await expect(board(page).getByText('hears music')).toBeVisible()
  await anotherPress(page)
  await button(page, 'Retrieve').click()
  // On a slow machine the recorder begins well after the page.
  await expect.poll(async () => (await page.evaluate(soundsKept)).runs).toBeGreaterThan(1)
  await button(page, 'Stop recording').click()
  await expect(button(page, 'Start recording')).toBeVisible()
  await hangUp(page)
  await expect(state(page)).toHaveText('Wrap-up')
  await page.getByRole('link', { name: 'Results' }).click()
  await button(page, 'Today').click()
  await page.getByRole('row', { name: /Perrin Arncliffe/ }).click()
  const recording = page.getByRole('region', { name: 'Recording' })
  await expect(recording.getByRole('img', { name: 'The sound of the recording over time' })).toBeVisible({ timeout: 20_000 })
  await expect(recording.locator('[data-span="hold"]')).toHaveCount(1)
  const saved = await savedSound(page)
  expect(saved.seconds).toBeGreaterThan(3)
  // The caller was heard: their voice is in it.
  expect(saved.peak).toBeGreaterThan(1_000)

  const kept = () => page.evaluate(soundsKept)
  const pieces = await kept()
  // Sealed where it lies, it is heard for as long as somebody has given the passphrase.
  const owner = await context.newPage()
  await signInAsOwner(owner, quiet('/set-up'))
  await button(owner, 'Seal recordings and messages…').click()
  const dialog = owner.getByRole('dialog', { name: 'Seal recordings and messages' })
  await dialog.getByLabel('Passphrase').fill('the 18:45 leaves at seven')
  await button(owner, 'Seal them').click()
  await expect(dialog).toContainText('The two are not the same.')
  await dialog.getByLabel('Once more').fill('the 18:45 leaves at seven')
  expect(await violations(owner)).toEqual([])
  if (process.env.PICTURE) await owner.screenshot({ path: '/tmp/seal-dialog.png' })
  // Somebody else makes up another passphrase at the same moment: only one of them seals anything.
  const other = await context.newPage()
  await signInAsOwner(other, quiet('/set-up'))
  await button(other, 'Seal recordings and messages…').click()
  const theirs = other.getByRole('dialog', { name: 'Seal recordings and messages' })
  for (const field of ['Passphrase', 'Once more']) await theirs.getByLabel(field).fill('the 18:45 leaves on time')
  await button(owner, 'Seal them').click()
  await button(other, 'Seal them').click()
  await expect(theirs).toContainText('Sounds are sealed here with another passphrase.')
  await other.close()
  const sounds = owner.getByRole('region', { name: 'Sounds' })
  await expect(sounds).toContainText('They can be heard until this browser is closed.')
  expect(await kept()).toMatchObject({ sealed: pieces.sealed + pieces.open, open: 0 })
  await page.reload()
  await expect(recording.getByRole('img', { name: 'The sound of the recording over time' })).toBeVisible()
  expect((await savedSound(page)).peak).toBe(saved.peak)
  await button(owner, 'Close them now').click()
  await expect(sounds).toContainText('Nobody can hear them')
  if (process.env.PICTURE) await owner.screenshot({ path: '/tmp/sealed.png' })
  await page.reload()
  await expect(recording).toContainText('Its sound cannot be read: it is sealed')
  await button(owner, 'Open them…').click()
  await owner.getByLabel('Passphrase').fill('the 18:45 leaves on time')
  await button(owner, 'Open them').click()
  await expect(owner.getByRole('dialog')).toContainText('The passphrase does not open them.')
  await owner.getByLabel('Passphrase').fill('the 18:45 leaves at seven')
  await button(owner, 'Open them').click()
  await expect(sounds).toContainText('They can be heard')
  await button(owner, 'Seal them no longer…').click()
  await owner.getByLabel('Passphrase').fill('the 18:45 leaves at seven')
  await button(owner, 'Open all of them for good').click()
  await expect(sounds).toContainText('are no longer sealed')
  expect(await kept()).toEqual(pieces)
  await page.reload()
  await expect(recording.getByRole('img', { name: 'The sound of the recording over time' })).toBeVisible()
})

/** What lies in the browser's database of sounds: runs of recordings, and pieces of them that are sealed and that are not. */
async function soundsKept(): Promise<{ runs: number; sealed: number; open: number }> {
  const asked = <T>(request: IDBRequest<T>) =>
    new Promise<T>((resolve, reject) => {
      request.onsuccess = () => resolve(request.result)
      request.onerror = () => reject(request.error)
    })
  const database = await asked(indexedDB.open('loyal-switchboard-recordings'))
  const store = database.transaction('pieces').objectStore('pieces')
  const keys = await asked(store.getAllKeys())
  const pieces = (await asked(store.getAll())).filter((piece): piece is Blob => piece instanceof Blob)
  database.close()
  const sealed = pieces.filter((piece) => piece.type.startsWith('sealed ')).length
  const runs = new Set(keys.map((key) => String(key).split('/')).flatMap(([id, run]) => (run === undefined ? [] : [`${id}/${run}`])))
  return { runs: runs.size, sealed, open: pieces.length - sealed }
}
