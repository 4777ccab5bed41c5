// Four days of the demo in a row, as a visitor finds them: what somebody who runs a centre would look at first.
import { describe, expect, test } from 'vitest'
import { WRITTEN_CHANNELS, type Written } from '@/core/channels'
import { deviceOutside, toCallId } from '@/core/ids'
import { type CarriedOver, createLedgerFolder, type LedgerEntry } from '@/core/ledger'
import { isOffered } from '@/core/reports'
import { HOUR, MINUTE } from '@/core/time'
import { dayAfter, daySteps, startOfDayMs } from '@/world'
import { FREIGHT } from './queue-ids'
import { FENNHOLM } from './set-up'
import { FENNHOLM_STAGE } from './stage'
import { paceOfDay } from './weather'

const SEED = 12
const ZONE = FENNHOLM.timeZone

interface Made {
  readonly day: string
  readonly entries: readonly LedgerEntry[]
  readonly left: CarriedOver
}

function run(from: string, count: number): readonly Made[] {
  const days: Made[] = []
  for (let i = 0; i < count; i++) {
    const day = dayAfter(from, i)
    const entries: LedgerEntry[] = []
    const steps = daySteps(FENNHOLM_STAGE, { seed: SEED, pace: paceOfDay(SEED, day), day, before: days.at(-1)?.left ?? null }, (more) => entries.push(...more))
    let step = steps.next()
    while (step.done !== true) step = steps.next()
    days.push({ day, entries, left: step.value })
  }
  return days
}

// Friday to Monday.
const DAYS = run('2026-11-20', 4)
const FOLDERS = DAYS.map(({ entries }) => {
  const folder = createLedgerFolder()
  for (const entry of entries) folder.add(entry)
  return folder
})
const [FRIDAY, SATURDAY, SUNDAY, MONDAY] = DAYS.map((made, i) => ({ ...made, records: FOLDERS[i]?.records().filter(isOffered) ?? [] }))
const WEEKDAYS = [FRIDAY, MONDAY].filter((d) => d !== undefined)
const ALL = [FRIDAY, SATURDAY, SUNDAY, MONDAY].filter((d) => d !== undefined)
const EVENTS = DAYS.flatMap((d) => d.entries.map((e) => e.event))
const CALLS = ALL.flatMap((d) => d.records)
const pathOf = new Map(EVENTS.flatMap((e) => (e.kind === 'callQueued' ? [[e.callId as string, e.path] as const] : [])))
const HANDLED = CALLS.filter((r) => r.result === 'handled')
const share = <T>(of: readonly T[], has: (item: T) => boolean) => of.filter(has).length / of.length
const count = (kind: LedgerEntry['event']['kind']) => EVENTS.filter((e) => e.kind === kind).length

describe('a well-run centre', () => {
  test('on ordinary weekdays four in five are answered in time, and few give up', () => {
    for (const { day, records } of WEEKDAYS) {
      const inTime = share(records, (r) => {
        const aim = FENNHOLM.queues.find((q) => q.id === r.queueId)?.serviceLevelMs ?? 0
        return r.answeredAtMs !== null && r.answeredAtMs - r.offeredAtMs <= aim
      })
      expect(inTime, day).toBeGreaterThan(0.78)
      expect(
        share(records, (r) => r.result === 'abandoned'),
        day,
      ).toBeLessThan(0.08)
    }
  })

  test('at the weekend fewer call, in shorter hours of the centre’s own time', () => {
    expect(SATURDAY?.records.length).toBeLessThan(0.65 * (FRIDAY?.records.length ?? 0))
    expect(SUNDAY?.records.length).toBeLessThan(0.6 * (SATURDAY?.records.length ?? 0))
    const opens = [8, 9, 10, 8]
    for (const [i, { day, records }] of ALL.entries())
      for (const { offeredAtMs } of records) expect(offeredAtMs).toBeGreaterThanOrEqual(startOfDayMs(day, ZONE) + (opens[i] ?? 0) * HOUR)
  })

  test('what happens in a centre happens: calls are put through, asked about, dialled, missed, and left uncoded', () => {
    expect(count('consultationOriginated')).toBeGreaterThan(20)
    expect(EVENTS.filter((e) => e.kind === 'callTransferred' && e.how === 'attended').length).toBeGreaterThan(2)
    expect(EVENTS.filter((e) => e.kind === 'callTransferred' && e.how === 'blind').length).toBeGreaterThan(5)
    expect(EVENTS.filter((e) => e.kind === 'callOriginated' && e.queueId === null).length).toBeGreaterThan(10)
    expect(EVENTS.filter((e) => e.kind === 'agentNotReady' && e.reason === 'Missed ring').length).toBeGreaterThan(5)
    const uncoded = HANDLED.filter((r) => r.outcome === null).length
    expect(uncoded).toBeGreaterThan(0)
    expect(uncoded).toBeLessThan(12)
  })
})

describe('what is written', () => {
  const weekdays = [FOLDERS[0], FOLDERS[3]].flatMap((f) => f?.written() ?? [])
  const of = (channel: Written) => weekdays.filter((r) => r.channel === channel)

  test('comes by every channel beside the calls, and is answered: chats within minutes, mails within the hours somebody is there', () => {
    const calls = WEEKDAYS.flatMap((d) => d.records).length
    expect(of('chat').length).toBeGreaterThan(0.1 * calls)
    expect(weekdays.length).toBeLessThan(0.5 * calls)
    for (const channel of WRITTEN_CHANNELS) {
      const pieces = of(channel)
      expect(pieces.length, channel).toBeGreaterThan(40)
      expect(
        share(pieces, (r) => r.firstResponseAtMs !== null),
        channel,
      ).toBeGreaterThan(0.85)
      const waits = pieces.flatMap((r) => (r.firstResponseAtMs === null ? [] : [r.firstResponseAtMs - r.offeredAtMs])).toSorted((a, b) => a - b)
      expect(waits[Math.floor(waits.length / 2)], channel).toBeLessThan((channel === 'mail' ? 30 : 2) * MINUTE)
    }
    // Some lose patience before anybody has answered.
    expect(of('chat').filter((r) => r.firstResponseAtMs === null).length).toBeGreaterThan(0)
  })

  test('is coded like a call, and what an agent has of the clock is no more than the clock', () => {
    expect(share(weekdays, (r) => r.outcome !== null)).toBeGreaterThan(0.9)
    const sheep = weekdays.filter((r) => r.queueId === FREIGHT)
    expect(share(sheep, (r) => r.outcome === 'space-booked')).toBeGreaterThan(0.7)
    for (const { agents } of weekdays) for (const { fromMs, toMs, handleMs } of agents) expect(handleMs).toBeLessThan(toMs - fromMs + 5 * MINUTE)
  })
})

describe('callers', () => {
  test('most call once; few again, and sooner who gave up', () => {
    const times = new Map<string, number[]>()
    for (const r of CALLS) if (r.customer !== null) times.set(r.customer, [...(times.get(r.customer) ?? []), r.offeredAtMs])
    const again = share([...times.values()], (calls) => calls.length > 1)
    expect(again).toBeLessThan(0.2)
    expect(Math.max(...[...times.values()].map((calls) => calls.length))).toBeLessThan(8)
    const soon = (r: (typeof CALLS)[number]) =>
      CALLS.some((x) => x.number === r.number && x.offeredAtMs > r.offeredAtMs && x.offeredAtMs < r.offeredAtMs + 30 * MINUTE)
    const numbered = CALLS.filter((r) => r.customer !== null)
    const gaveUp = numbered.filter((r) => r.result === 'abandoned')
    expect(share(gaveUp, soon)).toBeGreaterThan(0.15)
    expect(
      share(
        numbered.filter((r) => r.result === 'handled'),
        soon,
      ),
    ).toBeLessThan(0.03)
  })

  test('no machine calls in, and a wrong number is short and of nobody the records know', () => {
    expect(CALLS.filter((r) => Object.values(r.answers).includes('machine'))).toEqual([])
    const wrong = HANDLED.filter((r) => r.outcome === 'wrong-number')
    expect(wrong.length).toBeGreaterThan(5)
    for (const r of wrong) {
      expect(r.customer).toBeNull()
      expect((r.endedAtMs ?? 0) - (r.answeredAtMs ?? 0)).toBeLessThan(MINUTE)
    }
  })
})

describe('codes', () => {
  test.each([
    { path: 'Book a sailing', code: 'booking-made', never: 'booking-changed' },
    { path: 'Livestock and horses', code: 'space-booked', never: 'space-refused' },
    { path: 'Help boarding', code: 'help-arranged', never: 'caller-hung-up' },
  ])('who chose “$path” is coded $code, and seldom $never', ({ path, code, never }) => {
    const of = HANDLED.filter((r) => pathOf.get(r.callId) === path && r.outcome !== null)
    expect(of.length).toBeGreaterThan(20)
    expect(share(of, (r) => r.outcome === code)).toBeGreaterThan(0.4)
    expect(share(of, (r) => r.outcome === never)).toBeLessThan(0.06)
  })

  test('what the script took down and the code agree, save for a careless few', () => {
    const booked = HANDLED.filter((r) => r.answers.purpose === 'book' && r.answers.confirmed === true)
    expect(share(booked, (r) => r.outcome === 'booking-made')).toBeGreaterThan(0.92)
    const papers = HANDLED.filter((r) => r.answers.papers === false)
    expect(share(papers, (r) => r.outcome === 'papers-missing')).toBeGreaterThan(0.7)
  })

  test('“caller hung up” is who hung up', () => {
    const hungUp = HANDLED.filter((r) => r.outcome === 'caller-hung-up').map((r) => r.callId as string)
    expect(hungUp.length).toBeGreaterThan(10)
    for (const callId of hungUp) {
      const cleared = EVENTS.find((e) => e.kind === 'connectionCleared' && e.callId === callId && e.cause === 'hungUp')
      expect(cleared?.kind === 'connectionCleared' && cleared.deviceId, callId).toBe(deviceOutside(toCallId(callId), 1))
    }
  })
})

describe('promises', () => {
  const left = MONDAY?.left ?? null
  const callbacks = (left?.promises ?? []).flatMap(({ event }) => (event.kind === 'callbackAgreed' ? [event] : []))
  const tuesday = startOfDayMs('2026-11-24', ZONE)

  test('are kept and missed, and the next day has some of both, and of people a visitor may be', () => {
    expect(EVENTS.filter((e) => e.kind === 'callbackClosed' && e.because === 'coded').length).toBeGreaterThan(60)
    expect(count('callbackEscalated')).toBeGreaterThan(10)
    expect(count('taskClosed')).toBeGreaterThan(10)
    expect(callbacks.filter((c) => c.dueAtMs < tuesday).length).toBeGreaterThan(0)
    expect(callbacks.filter((c) => c.dueAtMs >= tuesday && c.dueAtMs < tuesday + 24 * HOUR).length).toBeGreaterThan(10)
    const free = new Set(FENNHOLM.agents.filter((a) => a.role === 'agent' && !a.playable).map((a) => a.id))
    expect(callbacks.filter((c) => c.ownerId !== null && free.has(c.ownerId)).length).toBeGreaterThan(0)
  })

  test('nobody keeps for themselves what their account may not dial', () => {
    const mayNot = new Set(FENNHOLM.agents.filter((a) => !a.may.includes('internationalCalls')).map((a) => a.id))
    const agreed = EVENTS.flatMap((e) => (e.kind === 'callbackAgreed' && !e.number.startsWith('+44') ? [e] : []))
    expect(agreed.some((e) => mayNot.has(e.byAgentId))).toBe(true)
    expect(agreed.filter((e) => e.ownerId !== null && mayNot.has(e.ownerId))).toEqual([])
  })

  test('nobody on the do-not-call list is called after that', () => {
    const listed = new Set<string>()
    for (const e of EVENTS) {
      if (e.kind === 'doNotCallAdded') for (const { whom } of e.entries) if ('number' in whom) listed.add(whom.number)
      if (e.kind === 'callOriginated') expect(listed.has(e.number)).toBe(false)
    }
    expect(listed.size).toBeGreaterThan(0)
  })

  test('a call of one day that was left uncoded is coded on the next by whoever left it', () => {
    const owed = DAYS.slice(0, -1).flatMap((d) => d.left.owed)
    expect(owed.length).toBeGreaterThan(0)
    const coded = new Set(EVENTS.flatMap((e) => (e.kind === 'outcomeSaved' ? [`${e.callId} ${e.agentId}`] : [])))
    // Whoever is off at the weekend does so on Monday.
    const still = new Set(MONDAY?.left.owed.map((o) => `${o.callId} ${o.agentId}`))
    for (const { callId, agentId } of owed) expect(coded.has(`${callId} ${agentId}`) || still.has(`${callId} ${agentId}`)).toBe(true)
    // Whoever takes a free seat the next morning can go ready at once.
    for (const { left } of DAYS) expect(new Set(left.owed.map((o) => o.agentId)).size).toBe(left.owed.length)
  })
})
