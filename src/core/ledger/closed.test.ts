import { describe, expect, test } from 'vitest'
import type { Command } from '@/core/floor'
import { happened } from '@/core/floor'
import { toThreadId } from '@/core/ids'
import { createLedgerFolder, type LedgerEntry } from '@/core/ledger'
import { SetUpSchema } from '@/core/set-up'
import { must } from '@/core/table'
import { ANN, aFloor, arrives, FIRST, SMALL, type TestFloor } from '@/core/testing'
import { HOUR, MINUTE, SECOND } from '@/core/time'

const CENTRE = SetUpSchema.parse({
  ...SMALL,
  queues: SMALL.queues.map((q) => (q.id === FIRST ? { ...q, writes: [{ channel: 'mail', serviceLevelMs: 60_000 }] } : q)),
})
const by = (kind: string, more: object = {}) => ({ kind, agentId: ANN, ...more }) as Command
const NIGHT = 8 * HOUR

/** A minute after what happened last the floor is closed, or sleeps, for so long; it is noticed once somebody is there again. */
function closed(floor: TestFloor, ms: number, how: 'floorResumed' | 'clockMoved'): void {
  const atMs = floor.state().atMs + MINUTE + ms
  const event = how === 'floorResumed' ? ({ kind: how, gapMs: ms } as const) : ({ kind: how, byMs: ms } as const)
  ;(floor.entries as LedgerEntry[]).push(happened(floor.state(), event, atMs))
}

/** Ann has talked for a minute when it happens, and talks on for another. */
function talking(ms: number, how: 'floorResumed' | 'clockMoved') {
  const floor = aFloor(CENTRE)
  for (const command of [by('startShift', { queueIds: [FIRST], seat: 'desk' }), by('goReady'), arrives(FIRST)]) floor.give(command)
  const callId = must(floor.state().agents, ANN).engagements[0]?.callId
  floor.give(by('answer', { callId }))
  floor.give({ kind: 'passTime' }, MINUTE)
  closed(floor, ms, how)
  const sinceMs = () => floor.state().atMs - must(floor.state().agents, ANN).state.sinceMs
  expect(sinceMs()).toBe(MINUTE + (ms < 10 * SECOND ? ms : 0))
  floor.give(by('hangUp', { callId }), ms + MINUTE)
  const folder = createLedgerFolder()
  for (const entry of floor.entries) folder.add(entry)
  return { floor, folder, leg: folder.records()[0]?.agents[0], spells: folder.intervals(floor.state().atMs) }
}

describe('a stretch in which nobody was there', () => {
  test.each(['floorResumed', 'clockMoved'] as const)('%s: is nobody’s talk, and stands by itself between two halves of the call', (how) => {
    const { floor, leg, spells } = talking(NIGHT, how)
    expect(leg?.talkMs).toBe(2 * MINUTE)
    const onCall = spells.filter((s) => s.state === 'onCall')
    expect(onCall.map((s) => s.toMs - s.fromMs)).toEqual([MINUTE, MINUTE])
    expect(spells.filter((s) => s.state === 'floorClosed').map((s) => s.toMs - s.fromMs)).toEqual([NIGHT])
    // No gap in the shift, and nothing twice.
    for (const [i, spell] of spells.entries()) if (i > 0) expect(spell.fromMs).toBe(spells[i - 1]?.toMs)
    const { shift } = must(floor.state().agents, ANN)
    expect(Object.values(shift?.spentMs ?? {}).reduce((sum, ms) => sum + ms, 0)).toBeLessThan(3 * MINUTE)
  })

  test('a page that is loaded anew closes nothing', () => {
    const { leg, spells } = talking(4 * SECOND, 'floorResumed')
    expect(leg?.talkMs).toBe(2 * MINUTE + 4 * SECOND)
    expect(spells.filter((s) => s.state === 'floorClosed')).toEqual([])
  })

  test('a mail in hand takes none of it', () => {
    const floor = aFloor(CENTRE)
    for (const command of [by('startShift', { queueIds: [FIRST], seat: 'desk' }), by('goReady')]) floor.give(command)
    floor.give({
      kind: 'threadArrives',
      channel: 'mail',
      queueId: FIRST,
      address: 'ida@example.com',
      number: null,
      customer: null,
      subject: null,
      path: null,
      text: 'Hello',
    })
    const threadId = toThreadId('thread_test_1')
    floor.give(by('takeThread', { threadId }))
    floor.give({ kind: 'passTime' }, MINUTE)
    closed(floor, NIGHT, 'floorResumed')
    floor.give(by('endThread', { threadId }), NIGHT + MINUTE)
    const folder = createLedgerFolder()
    for (const entry of floor.entries) folder.add(entry)
    const [leg] = folder.written()[0]?.agents ?? []
    expect(leg?.handleMs).toBe(2 * MINUTE)
    expect(leg?.spells.map((s) => s.toMs - s.fromMs)).toEqual([MINUTE, MINUTE])
  })
})
