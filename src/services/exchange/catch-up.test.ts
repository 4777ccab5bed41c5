// What earlier days of the demo left: taken up once, when it can be had, for the days that are missing.

import { describe, expect, test, vi } from 'vitest'
import { toCallId } from '@/core/ids'
import { get, values } from '@/core/table'
import { DAY } from '@/core/time'
import { memoryStore } from '@/services/storage'
import { daySteps } from '@/world'
import { FENNHOLM_STAGE } from '@/world/scenario'
import { restore } from './store'
import { aFloor, aTab, ELUNED, HELLO, PATIENT } from './testing'

const START_MS = Date.UTC(2026, 10, 24, 9)
const PAST = { seed: 7, days: 3 }

/** A Sunday, which is soon made. */
function left() {
  const steps = daySteps(FENNHOLM_STAGE, { seed: 7, pace: 'ordinary', day: '2026-11-22' }, () => {})
  let step = steps.next()
  while (step.done !== true) step = steps.next()
  return step.value
}
const LEFT = left()
const AGREED = LEFT.promises.filter((p) => p.event.kind === 'callbackAgreed').length

async function visited(options: Parameters<typeof aFloor>[0] & { readonly past?: object } = {}) {
  const fetchLeft = vi.fn(options.fetchLeft ?? (async () => LEFT))
  const floor = await aFloor({ startMs: START_MS, ...options, fetchLeft })
  const tab = aTab(floor.exchange)
  const hello = () => tab.ask({ ...HELLO, past: options.past ?? PAST })
  await hello()
  return { ...floor, tab, hello, fetchLeft }
}

describe('a first visit', () => {
  test('takes up what the days before it left, and only once', async () => {
    const { exchange, hello, fetchLeft } = await visited()
    await vi.waitFor(() => expect(values(exchange.state().callbacks)).toHaveLength(AGREED), PATIENT)
    expect(AGREED).toBeGreaterThan(0)
    expect(Object.fromEntries(new URLSearchParams(fetchLeft.mock.calls[0]?.[0]))).toEqual({
      seed: '7',
      days: '3',
      pace: 'week',
      campaigns: 'yes',
      before: '2026-11-24',
    })
    await hello()
    expect(fetchLeft).toHaveBeenCalledTimes(1)
  })

  test('without past days asks for nothing', async () => {
    const { fetchLeft } = await visited({ past: { seed: 7, days: 0 } })
    expect(fetchLeft).not.toHaveBeenCalled()
  })

  test.each([
    { says: 'a server that is away', first: () => Promise.reject(new Error('away')) },
    { says: 'an answer that is none', first: () => Promise.resolve({ kind: 'carriedOver' }) },
  ])('$says: the floor works without, and the next tab tries again', async ({ first }) => {
    const error = vi.spyOn(console, 'error').mockImplementation(() => {})
    const { exchange, hello, fetchLeft } = await visited({ fetchLeft: vi.fn(async () => LEFT as unknown).mockImplementationOnce(first) })
    await vi.waitFor(() => expect(error).toHaveBeenCalledTimes(1), PATIENT)
    expect(values(exchange.state().callbacks)).toEqual([])
    await hello()
    await vi.waitFor(() => expect(values(exchange.state().callbacks)).toHaveLength(AGREED), PATIENT)
    expect(fetchLeft).toHaveBeenCalledTimes(2)
    error.mockRestore()
  })
})

describe('a visit after days without one', () => {
  const again = async (afterMs: number, past: object = PAST) => {
    const store = memoryStore()
    const first = await visited({ store, past: { seed: 7, days: 0 } })
    await first.exchange.settled()
    return visited({ store, restored: await restore(store), startMs: START_MS + afterMs, past })
  }

  test('takes up what the missing days left, and says which those are', async () => {
    const { exchange, tab, fetchLeft } = await again(4 * DAY)
    await vi.waitFor(() => expect(values(exchange.state().callbacks)).toHaveLength(AGREED), PATIENT)
    expect(Object.fromEntries(new URLSearchParams(fetchLeft.mock.calls[0]?.[0]))).toMatchObject({ days: '3', campaigns: 'no', before: '2026-11-28' })
    expect(tab.view().floor.notices.map((n) => n.says)).toContainEqual(expect.stringContaining('Nobody was here from Wed 25 Nov to Fri 27 Nov.'))
  })

  test.each([
    { says: 'on the same day', afterMs: 3_600_000 },
    { says: 'on the next day', afterMs: DAY },
  ])('$says nothing is missing', async ({ afterMs }) => {
    expect((await again(afterMs)).fetchLeft).not.toHaveBeenCalled()
  })

  test('where no past days are wanted, none are made up', async () => {
    expect((await again(4 * DAY, { seed: 7, days: 0 })).fetchLeft).not.toHaveBeenCalled()
  })
})

test('what was taken up is there after the floor is opened again, owed calls included', async () => {
  const store = memoryStore()
  const owed = { callId: toCallId('call_before_1'), agentId: ELUNED, handledBy: ELUNED, sinceMs: START_MS - DAY, direction: 'inbound', queueId: null } as const
  const known = { number: null, customer: null, path: null, offeredAtMs: START_MS - DAY - 60_000, endedAtMs: START_MS - DAY, dialled: false, notes: '' }
  const first = await visited({ store, fetchLeft: async () => ({ ...LEFT, owed: [{ ...owed, ...known }] }) })
  await vi.waitFor(() => expect(values(first.exchange.state().callbacks)).toHaveLength(AGREED), PATIENT)
  await first.exchange.settled()
  const next = await aFloor({ store, restored: await restore(store), startMs: START_MS + 60_000 })
  expect(values(next.exchange.state().callbacks)).toEqual(values(first.exchange.state().callbacks))
  expect(get(next.exchange.state().agents, ELUNED)?.owed).toMatchObject([{ callId: 'call_before_1' }])
})
