import { describe, expect, test } from 'vitest'
import { type AgentId, toAgentId } from '@/core/ids'
import { type LedgerEntry, toLine } from '@/core/ledger'
import { DAY } from '@/core/time'
import { memoryStore } from '@/services/storage'
import { FENNHOLM } from '@/world/scenario'
import { aDay } from '@/world/scenario/testing'
import { LATEST_CALLS } from './calls'
import type { FloorEnd } from './connection'
import { createDesk } from './desk'
import { HISTORY_DOORS } from './doors'
import { createHistory } from './history'

const FROM_MS = Date.parse('2026-11-24T00:00:00Z')
const TODAY = aDay('2026-11-24')
const ASKED = { span: { fromMs: FROM_MS, toMs: FROM_MS + DAY }, nowMs: FROM_MS + DAY, only: null, steps: [] }
const PAGE = { ...ASKED, ...LATEST_CALLS, atMost: 10_000 }

/** A floor with a ledger, and tabs at it. */
function aFloor(run = 'run 1', entries: LedgerEntry[] = [...TODAY]) {
  const reads: number[] = []
  const watching: (() => void)[] = []
  const noted: string[] = []
  const endFor = (account: { id: AgentId; everybody: boolean } | null): FloorEnd & { account: () => Promise<typeof account>; is: typeof account } => {
    const end = {
      is: account,
      run: async () => run,
      floorId: async () => 'test',
      read: async (after: number, through: number | null) => {
        reads.push(after)
        return entries.flatMap((e) => (e.seq > after && e.seq <= (through ?? Infinity) ? [`${toLine(e)}\n`] : [])).join('')
      },
      watch: async (tell: () => void) => void watching.push(tell),
      account: async () => end.is,
      did: async (what: string, about: string) => void noted.push(`${end.is?.id} ${what} ${about}`),
    }
    return end
  }
  const store = (more: readonly LedgerEntry[]) => {
    entries.push(...more)
    for (const each of watching) each()
  }
  return { endFor, reads, watching, store, noted }
}

const aDesk = () => createDesk(Promise.resolve((onMore) => createHistory(memoryStore(), FENNHOLM, async () => new Response(null, { status: 503 }), onMore)))
const attach = (desk: ReturnType<typeof aDesk>) =>
  desk.attach(
    (end: FloorEnd) => end,
    async (tell) => tell,
  )

const [AGENT = toAgentId('agent_none')] = TODAY.flatMap(({ event }) => (event.kind === 'outcomeSaved' ? [event.agentId] : []))

describe('tabs at the history', () => {
  test('sessions add up to the agents’ states of the file, and an agent sees their own', async () => {
    const [desk, floor] = [aDesk(), aFloor()]
    const [agents, supervisors] = [attach(desk), attach(desk)]
    await agents.introduce(floor.endFor({ id: AGENT, everybody: false }))
    await supervisors.introduce(floor.endFor({ id: toAgentId('agent_supervisor'), everybody: true }))
    const asked = { span: ASKED.span, nowMs: ASKED.nowMs, only: null, days: [FROM_MS] }
    const rows = await supervisors.sessions(asked)
    const file = await (await supervisors.exportFile('agent-states.ndjson', ASKED.span, ASKED.nowMs, () => {})).text()
    const states = file
      .trimEnd()
      .split('\n')
      .map((line) => JSON.parse(line) as { agentId: string; state: string; fromMs: number; toMs: number })
    expect(rows.length).toBeGreaterThan(5)
    for (const { id, sums, days } of rows) {
      const own = states.filter((s) => s.agentId === id)
      expect(days[0]?.spells.map((s) => [s.state, s.fromMs, s.toMs])).toEqual(own.map((s) => [s.state, s.fromMs, s.toMs]))
      expect(sums.onShiftMs).toBe(own.reduce((sum, s) => sum + s.toMs - s.fromMs, 0))
      const calls = await supervisors.callsOfAgent({ span: ASKED.span, nowMs: ASKED.nowMs, only: id })
      // Every stretch on a call is about some call of theirs.
      for (const s of own.filter((o) => o.state === 'onCall'))
        expect(
          calls.filter((c) => c.fromMs < s.toMs && c.toMs > s.fromMs),
          JSON.stringify([id, s, calls.slice(0, 3)]),
        ).not.toEqual([])
    }
    expect((await agents.sessions(asked)).map((r) => r.id)).toEqual([AGENT])
    const other = rows.find((r) => r.id !== AGENT)?.id ?? AGENT
    const stretch = { span: ASKED.span, nowMs: ASKED.nowMs, only: other }
    expect((await agents.callsOfAgent(stretch)).map((c) => c.callId)).toEqual((await agents.callsOfAgent({ ...stretch, only: AGENT })).map((c) => c.callId))
    const events = await agents.eventsOfAgent(stretch)
    expect(events.length).toBeGreaterThan(10)
    expect(events.every((e) => JSON.stringify(e.event).includes(AGENT))).toBe(true)
  })

  test('an agent is told of what they had themselves, whatever they ask for', async () => {
    const [desk, floor] = [aDesk(), aFloor()]
    const [agents, supervisors] = [attach(desk), attach(desk)]
    await agents.introduce(floor.endFor({ id: AGENT, everybody: false }))
    await supervisors.introduce(floor.endFor({ id: toAgentId('agent_supervisor'), everybody: true }))
    const everybodys = (await supervisors.calls(PAGE)).rows
    const theirs = everybodys.filter(
      (r) => r.outcomeById === AGENT || r.agents.some((l) => l.agentId === AGENT && l.role !== 'consulted' && l.role !== 'joined'),
    )
    expect(theirs.length).toBeGreaterThan(5)
    expect(new Set((await agents.calls(PAGE)).rows.map((r) => r.callId))).toEqual(new Set(theirs.map((r) => r.callId)))
    expect((await agents.report({ ...ASKED, only: toAgentId('agent_another') })).all).toEqual((await supervisors.report({ ...ASKED, only: AGENT })).all)
    const [mine] = theirs
    const notMine = everybodys.find((r) => r.result === 'handled' && r.outcomeById !== AGENT && r.agents.every((l) => l.agentId !== AGENT))
    expect((await agents.call(mine?.callId ?? ''))?.record).toEqual(mine)
    expect(await agents.call(notMine?.callId ?? '')).toBeNull()
    expect((await supervisors.call(notMine?.callId ?? ''))?.record).toEqual(notMine)
    await expect(agents.exportFile('calls.csv', ASKED.span, ASKED.nowMs, () => {})).rejects.toThrow('answer for the floor')
    // What is under way is in no file yet.
    const over = everybodys.filter((r) => r.result !== 'underWay').length
    expect(floor.noted).toEqual([])
    expect((await (await supervisors.exportFile('calls.csv', ASKED.span, ASKED.nowMs, () => {})).text()).split('\n').length).toBeGreaterThan(over)
    expect(floor.noted).toEqual(['agent_supervisor exported calls.csv'])
  })

  test('a question waits until it is known whose it is, and is not answered to nobody', async () => {
    const [desk, floor] = [aDesk(), aFloor()]
    const tab = attach(desk)
    const early = tab.calls(PAGE)
    const end = floor.endFor({ id: AGENT, everybody: true })
    await tab.introduce(end)
    expect((await early).all).toBeGreaterThan(500)
    end.is = null
    for (const ask of [
      () => tab.calls(PAGE),
      () => tab.report(ASKED),
      () => tab.call('call_x'),
      () => tab.previousContacts({ customer: null, number: '+441632960112' }, ''),
    ])
      await expect(ask()).rejects.toThrow('nobody is signed in')
  })

  test('tabs that are opened together have past days fetched once', async () => {
    let fetched = 0
    const desk = createDesk(
      Promise.resolve((onMore) =>
        createHistory(
          memoryStore(),
          FENNHOLM,
          async () => {
            fetched++
            return new Response(null, { status: 503 })
          },
          onMore,
        ),
      ),
    )
    const openings = await Promise.all([attach(desk), attach(desk), attach(desk)].map((tab) => tab.open({ seed: 7, days: 5 }, () => {})))
    expect(openings.map((o) => o.ok)).toEqual([false, false, false])
    expect(fetched).toBe(1)
    // What could not be had is asked for by the next one that comes.
    await attach(desk).open({ seed: 7, days: 5 }, () => {})
    expect(fetched).toBe(2)
  })

  test('the ledger is read once for all tabs, and followed anew when the floor was opened again', async () => {
    const desk = aDesk()
    const entries = TODAY.slice(0, 4_000)
    const floor = aFloor('run 1', entries)
    const told: string[] = []
    const tabs = ['one', 'two', 'three'].map((name) => ({ name, tab: attach(desk) }))
    for (const { name, tab } of tabs) {
      await tab.subscribe(() => void told.push(name))
      await tab.introduce(floor.endFor({ id: AGENT, everybody: true }))
    }
    const [{ tab } = { tab: attach(desk) }] = tabs
    const before = await tab.calls(PAGE)
    expect(floor.reads.filter((after) => after === 0)).toHaveLength(1)
    expect(floor.watching).toHaveLength(1)
    told.length = 0
    tabs[2]?.tab.close()
    floor.store(TODAY.slice(4_000))
    expect((await tab.calls(PAGE)).all).toBeGreaterThan(before.all)
    expect(new Set(told)).toEqual(new Set(['one', 'two']))

    const reopened = aFloor('run 2', [...TODAY])
    await tab.introduce(reopened.endFor({ id: AGENT, everybody: true }))
    await tab.calls(PAGE)
    expect(reopened.watching).toHaveLength(1)
    expect(Math.min(...reopened.reads)).toBe(TODAY.at(-1)?.seq)
  })
})

describe('each question has a row of who may ask it', () => {
  const closed = (Object.keys(HISTORY_DOORS) as (keyof typeof HISTORY_DOORS)[]).filter((name) => HISTORY_DOORS[name].right !== 'anybody')
  const ask = (tab: object, name: string, ...asked: unknown[]) => (tab as Record<string, (...asked: unknown[]) => Promise<unknown>>)[name]?.(...asked)

  test.each(closed)('%s: not a stranger, and of everybody only who answers for the floor', async (name) => {
    // Nobody is told anything: of a floor on which nothing has happened no less than of one that was busy.
    const floor = aFloor('run 1', [])
    const stranger = attach(aDesk())
    await stranger.introduce(floor.endFor(null))
    await expect(ask(stranger, name)).rejects.toThrow('nobody is signed in')
    if (HISTORY_DOORS[name].right !== 'floor') return
    const agent = attach(aDesk())
    await agent.introduce(floor.endFor({ id: AGENT, everybody: false }))
    await expect(ask(agent, name)).rejects.toThrow('for those who answer for the floor')
  })

  test.each(Object.keys(HISTORY_DOORS))('%s: nobody with what is none of its questions', async (name) => {
    const tab = attach(aDesk())
    await tab.introduce(aFloor('run 1', []).endFor({ id: AGENT, everybody: true }))
    for (const odd of [7, 'a'.repeat(500)]) await expect(ask(tab, name, odd, odd)).rejects.toThrow('what it does not take')
  })
})
