// What answering for a floor costs: a Floor tab in the floor's worker and in its page, a day that is gone through again, a day that is played a hundred times.
// `BASE_URL` is a server of the production build.
import { serialize } from 'node:v8'
import type { Page } from 'playwright'
import { createChance } from '@/core/chance'
import { toAgentId, toQueueId } from '@/core/ids'
import { createReplay } from '@/core/replay'
import { SetUpSchema } from '@/core/set-up'
import { MINUTE, SECOND } from '@/core/time'
import { makePinSecret, openAccounts } from '@/services/exchange/accounts'
import { createExchange } from '@/services/exchange/exchange'
import { openPeople } from '@/services/exchange/people'
import { replayed } from '@/services/exchange/replayed'
import { NOTHING_RESTORED } from '@/services/exchange/store'
import { memoryStore } from '@/services/storage'
import { type Stage, simulateDay } from '@/world'
import { FENNHOLM, FENNHOLM_LINE, FENNHOLM_STAGE } from '@/world/scenario'
import { keep } from './keep'
import { LINNEA, signIn } from './seat'
import { openBrowser, servedAt } from './served'
import { median, percentile, print } from './statistics'

const url = servedAt()
const PIN = '2417'
const AGENTS = 60
const QUEUES = 12
const MINUTES = 12

/** Sixty agents, each with three of twelve queues, in a storm four times as strong as the demo's. */
function largeCentre() {
  const queues = Array.from({ length: QUEUES }, (_, i) => {
    const like = FENNHOLM.queues[i % FENNHOLM.queues.length] as (typeof FENNHOLM.queues)[number]
    return {
      ...like,
      id: toQueueId(`queue_bench-${i}`),
      name: `Queue ${i + 1}`,
      needs: [],
      overflow: [],
      goesFirst: [],
      storm: { ...like.storm, overflow: [] },
    }
  })
  const agents = Array.from({ length: AGENTS }, (_, i) => ({
    id: toAgentId(`agent_bench-${i}`),
    name: `Agent ${i + 1}`,
    role: 'agent' as const,
    playable: true,
    team: `Team ${i % 5}`,
    queueIds: [0, 1, 2].map((n) => (queues[(i + n * 5) % QUEUES] as (typeof queues)[number]).id),
  }))
  const boss = { id: toAgentId('agent_boss'), name: 'Boss', role: 'supervisor' as const, playable: false, queueIds: [], may: ['supervision', 'setUp'] }
  const setUp = SetUpSchema.parse({
    ...FENNHOLM,
    queues,
    agents: [...agents, boss],
    campaigns: FENNHOLM.campaigns.map((c) => ({ ...c, agentIds: [], ringBackQueueId: null })),
  })
  const like = (id: string) => FENNHOLM.queues[Number(id.slice('queue_bench-'.length)) % FENNHOLM.queues.length]?.id ?? toQueueId('queue_none')
  const { rhythm } = FENNHOLM_STAGE
  const stage: Stage = {
    ...FENNHOLM_STAGE,
    setUp,
    rhythm: {
      ...rhythm,
      arrivalsPerHour: (pace, id, at, hours) => 1.4 * rhythm.arrivalsPerHour(pace, like(id), at, hours),
      mostPerHour: 3 * rhythm.mostPerHour,
    },
  }
  return { ...FENNHOLM_LINE, setUp, stage }
}

/** Computing of the floor's worker for a second of a storm, with so many Floor tabs open: ms, and how much happened. */
async function workerMsPerSecond(tabs: number): Promise<{ readonly ms: number; readonly events: number }> {
  const scenario = largeCentre()
  const secret = await makePinSecret(PIN, 10)
  const store = memoryStore()
  let nowMs = Date.UTC(2026, 10, 24, 11)
  let due: { readonly atMs: number; readonly wake: () => void } | null = null
  const exchange = createExchange({
    clocks: { wall: () => nowMs, elapsed: () => nowMs },
    wakeAt: (inMs, wake) => {
      due = { atMs: nowMs + inMs, wake }
    },
    later: () => {},
    scenario,
    isShared: true,
    builtAtMs: 0,
    forgetSounds: async () => {},
    isOtherServed: async () => false,
    replacement: { problem: async () => null, go: async () => {} },
    store,
    restored: NOTHING_RESTORED,
    accounts: await openAccounts({
      store,
      now: () => nowMs,
      initial: new Map(scenario.setUp.agents.map(({ id }) => [id, secret])),
      found: new Map(),
      isNew: true,
    }),
    people: await openPeople(memoryStore()),
    storageRefused: null,
    floorId: 'bench',
    seed: 7,
    end: () => {},
    drafts: { store: memoryStore(), loaded: new Map() },
    fetchLeft: async () => null,
  })
  const open = async (isFloor: boolean) => {
    const replies: (() => void)[] = []
    // What is sent to a tab is written down by the worker and read by the tab.
    const port = exchange.attach({ postMessage: (message) => (message.kind === 'reply' ? replies.shift()?.() : void serialize(message)) })
    const ask = (request: object) =>
      new Promise<void>((resolve) => {
        replies.push(resolve)
        port.receive({ ...request, requestId: 'r' })
      })
    await ask({ kind: 'hello', key: null, world: { pace: 'storm', seed: 7 } })
    if (isFloor) await ask({ kind: 'signIn', agentId: toAgentId('agent_boss'), pin: PIN })
  }
  await open(false)
  for (let n = 0; n < tabs; n++) await open(true)
  let spent = 0
  const untilMs = nowMs + MINUTES * MINUTE
  const warmMs = nowMs + 2 * MINUTE
  let from = 0
  while (nowMs < untilMs) {
    const next = due as { readonly atMs: number; readonly wake: () => void } | null
    nowMs = Math.max(nowMs + 1, Math.min(next?.atMs ?? untilMs, untilMs))
    if (next === null) break
    due = null
    if (nowMs > warmMs && from === 0) from = exchange.state().seq
    const begunAt = performance.now()
    next.wake()
    if (nowMs > warmMs) spent += performance.now() - begunAt
    // What is kept is kept between two wakes.
    await Promise.resolve()
  }
  const seconds = (untilMs - warmMs) / SECOND
  return { ms: spent / seconds, events: (exchange.state().seq - from) / seconds }
}

async function floorTab(): Promise<void> {
  const [none, one] = [[], []] as [number[], number[]]
  let events = 0
  for (let n = 0; n < 3; n++) {
    none.push((await workerMsPerSecond(0)).ms)
    const with1 = await workerMsPerSecond(1)
    one.push(with1.ms)
    events = with1.events
  }
  const costs = median(one) - median(none)
  print(
    `the floor's worker for a Floor tab: ${AGENTS} agents, ${QUEUES} queues, storm, ${events.toFixed(0)} events a second (without: ${median(none).toFixed(2)} ms)`,
    `${costs.toFixed(2)} ms a second`,
    'under 2 ms',
  )
  keep('supervisor.workerMsPerSecond', costs, 'ms', 2)
}

function scrubbing(): void {
  const entries = simulateDay(FENNHOLM_STAGE, { seed: 7, pace: 'storm', day: '2026-11-24' })
  const replay = createReplay(entries)
  const chance = createChance(1)
  const from = entries[0]?.atMs ?? 0
  const lasts = (entries.at(-1)?.atMs ?? 0) - from
  const whole = performance.now()
  replay.after(entries.length)
  const first = performance.now() - whole
  const spent = Array.from({ length: 300 }, () => {
    const begunAt = performance.now()
    structuredClone(replayed(replay.after(replay.upTo(from + chance.next() * lasts)), FENNHOLM_LINE, null))
    return performance.now() - begunAt
  })
  print(
    `an instant of a storm day of ${entries.length} events gone to and shown (whole day folded once: ${first.toFixed(0)} ms)`,
    `median ${median(spent).toFixed(1)} ms, 95 % ${percentile(spent, 0.95).toFixed(1)} ms`,
    'under 100 ms',
  )
  keep('supervisor.scrubMs', percentile(spent, 0.95), 'ms', 100)
}

/** As somebody asks it: from the press to the last of a hundred days, each played as it is and changed. */
async function whatIf(tab: Page): Promise<void> {
  await tab.goto(`${url}/results?world=quiet&seed=7`)
  await tab.getByText('Past days are being simulated').waitFor({ state: 'hidden' })
  await tab.getByRole('region', { name: 'Calls' }).getByRole('row').nth(5).waitFor()
  await tab.goto(`${url}/floor/what-if?world=quiet&seed=7`)
  await tab.getByLabel('Agents', { exact: true }).selectOption('number')
  await tab.getByLabel('So many').fill('14')
  await tab.getByLabel('Agents, ±').fill('-2')
  const begunAt = performance.now()
  await tab.getByRole('button', { name: 'Play the day' }).click()
  await tab.getByRole('button', { name: 'Save as CSV' }).waitFor({ timeout: 120_000 })
  const took = (performance.now() - begunAt) / 1_000
  print('what if: 100 days of 14 seats, as they are and changed', `${took.toFixed(1)} s`, 'under 30 s')
  keep('supervisor.whatIf100', took, 's', 30)
}

/** The demo's centre grown to sixty agents and twelve queues, as the file its owner would bring in; calls come to the demo's own queues. */
function grownSetUp(): string {
  const first = FENNHOLM.queues[0] as (typeof FENNHOLM.queues)[number]
  const queues = Array.from({ length: QUEUES - FENNHOLM.queues.length }, (_, i) => ({
    ...first,
    id: toQueueId(`queue_bench-${i}`),
    name: `Queue ${i + 1}`,
    number: '',
    overflow: [],
    goesFirst: [],
    storm: { ...first.storm, overflow: [] },
  }))
  const like = FENNHOLM.agents.filter((agent) => agent.playable)
  const more = Array.from({ length: AGENTS - like.length }, (_, i) => {
    const one = like[i % like.length] as (typeof like)[number]
    const queueIds = [...one.queueIds, ...queues.map(({ id }) => id)]
    return { ...one, id: toAgentId(`agent_bench-${i}`), name: `Agent ${i + 1}`, number: '', queueIds }
  })
  return JSON.stringify({ ...FENNHOLM, agents: [...FENNHOLM.agents, ...more], queues: [...FENNHOLM.queues, ...queues] })
}

const PRESSES = 20

/** An agent's menu by keyboard, and an act of it: from the key to the frame in which the agent's state reads so. */
async function pressesOnFloor(tab: Page): Promise<void> {
  const name = 'Agent 1'
  const [menu, act] = [[], []] as [number[], number[]]
  for (let i = 0; i < PRESSES; i++) {
    await tab.getByRole('button', { name, exact: true }).focus()
    const wanted = i % 2 === 0 ? 'Set not ready: Break' : 'Set not ready: Training'
    menu.push(await pressToPicture(tab, 'Enter', `document.querySelector('[role=menu]')`))
    await tab.getByRole('menuitem', { name: wanted }).focus()
    const said = `${name} is set not ready: ${wanted.slice('Set not ready: '.length)}.`
    act.push(await pressToPicture(tab, 'Enter', `document.querySelector('[aria-label="On shift"]')?.textContent.includes(${JSON.stringify(said)})`))
  }
  for (const [name, values] of [
    ['an agent’s menu', menu],
    ['an act, until it is said to be done', act],
  ] as const)
    print(
      `press to picture on the Floor of ${AGENTS}, ${name} (${values.length} presses)`,
      `${median(values).toFixed(0)} ms, 95 % ${percentile(values, 0.95).toFixed(0)} ms`,
      '95 % under 50 ms',
    )
  keep('supervisor.pressP95Ms', percentile(act, 0.95), 'ms', 50)
}

async function pressToPicture(tab: Page, keys: string, here: string): Promise<number> {
  await tab.evaluate(`watchFor(() => ${here})`)
  await tab.keyboard.press(keys)
  return tab.evaluate<number>('pressShown')
}

/** How much of a core the page of the Floor takes while a storm goes on, and how soon a press on it is seen. */
async function page(): Promise<void> {
  const browser = await openBrowser()
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } })
  const tab = await context.newPage()
  await tab.addInitScript({ path: 'bench/press-watch.js' })
  await signIn(tab, `${url}/set-up?world=quiet&seed=7&days=0`, LINNEA)
  await tab.getByLabel('Set-up file').setInputFiles({ name: 'set-up.json', mimeType: 'application/json', buffer: Buffer.from(grownSetUp()) })
  await tab.getByRole('button', { name: 'Put into use' }).click()
  await tab.getByText('The set-up is in use on the floor.').waitFor()
  await tab.goto(`${url}/floor?world=storm&seed=7&days=0`)
  await tab.getByText(/^[56]\d on shift, /).waitFor()
  const session = await context.newCDPSession(tab)
  await session.send('Performance.enable', { timeDomain: 'threadTicks' })
  const busy = async () => (await session.send('Performance.getMetrics')).metrics.find((m) => m.name === 'TaskDuration')?.value ?? 0
  // What is measured is half a minute of a storm: there is nothing to wait for in it.
  const before = await busy()
  await tab.waitForTimeout(30_000)
  const share = (await busy()) - before
  print(`the page of the Floor, ${AGENTS} agents, ${QUEUES} queues, in a storm`, `${((share / 30) * 100).toFixed(1)} % of a core`, 'under 10 %')
  keep('supervisor.pageShare', share / 30, 'share', 0.1)
  await pressesOnFloor(tab)
  await whatIf(tab)
  await browser.close()
}

await floorTab()
scrubbing()
await page()
