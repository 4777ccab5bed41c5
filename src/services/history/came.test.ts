import { describe, expect, test } from 'vitest'
import { changed, daySaid, dutiesOf, NO_CHANGE, playChanged } from '@/core/coming-day'
import { createLedgerFolder } from '@/core/ledger'
import { measure } from '@/core/reports'
import { sessionsOf } from '@/core/sessions'
import { DAY, MINUTE } from '@/core/time'
import { FENNHOLM } from '@/world/scenario'
import { aDay } from '@/world/scenario/testing'
import { cameIn } from './came'
import { packCalls } from './columns'

describe('a day that came', () => {
  const fromMs = Date.UTC(2026, 10, 24)
  const span = { fromMs, toMs: fromMs + DAY }
  const folder = createLedgerFolder()
  for (const entry of aDay('2026-11-24')) folder.add(entry)
  const records = folder.records()
  const came = cameIn([packCalls(records)], span)
  const is = measure(records, {
    nowMs: span.toMs,
    serviceLevelMs: (id) => FENNHOLM.queues.find((q) => q.id === id)?.serviceLevelMs ?? 0,
    disagrees: () => false,
  })

  test('has every call of a queue, answered, given up or neither, as the records have it', () => {
    expect(came).toHaveLength(is.offered)
    expect(came.filter((c) => c.answered)).toHaveLength(is.answered)
    expect(came.filter((c) => c.gaveUp)).toHaveLength(is.abandoned)
    expect(came.every((c, i) => c.atMs >= (came[i - 1]?.atMs ?? 0))).toBe(true)
  })

  test('played again by the rules, with its own callers, agents and breaks, comes out as it came', () => {
    const spells = folder.intervals(span.toMs)
    const crew = FENNHOLM.agents.flatMap(({ id }) => {
      const own = spells.filter((s) => s.agentId === id)
      return dutiesOf(id, sessionsOf(own), own, fromMs)
    })
    expect(crew.length).toBeGreaterThan(10)
    const traffic = FENNHOLM.queues.map(({ id }) => ({ queueId: id, offered: [], talkMs: [200_000], wrapUpMs: [30_000], patienceMs: 5 * MINUTE }))
    const said = daySaid(playChanged(changed({ setUp: FENNHOLM, startMs: fromMs, traffic, came, atWork: [], crew }, NO_CHANGE), 1))
    expect(said.offered).toBe(is.offered)
    expect(Math.abs(said.answered - is.answered)).toBeLessThan(0.02 * is.offered)
    // What is not played (a colleague asked, a promise kept, a hold that lasts) takes a little of everybody's time.
    expect(Math.abs((said.serviceLevel ?? 0) - (is.serviceLevelRatio ?? 1))).toBeLessThan(0.06)
  })
})
