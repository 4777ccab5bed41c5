// A tab holds the end of what was written, and turns back page by page, however much there is of it.
import { expect, test } from 'vitest'
import { toAgentId, toThreadId } from '@/core/ids'
import { createFloor, type FloorState } from '@/core/state'
import { ANN, BO, FIRST, SMALL } from '@/core/testing'
import { evolveThread, type Line, LONGEST_TEXT, type Thread } from '@/core/threads'
import { linesBefore, selectThreads } from './threads'

const T = toThreadId('thread_test_1')

/** In Ann's hands, with lines of such lengths, to and fro. */
function floorWith(lengths: readonly number[]): FloorState {
  const of = { threadId: T } as const
  const began = { channel: 'chat', queueId: FIRST, address: 'Ida', number: null, customer: null, subject: null, path: null } as const
  let thread: Thread = evolveThread(undefined, { kind: 'threadBegan', ...of, ...began, headStartMs: 0, text: '1'.repeat(lengths[0] ?? 1), follows: null }, 0)
  thread = evolveThread(thread, { kind: 'threadTaken', ...of, agentId: ANN }, 1)
  for (const [i, length] of lengths.slice(1).entries())
    thread = evolveThread(thread, { kind: 'threadWritten', ...of, byAgentId: i % 2 === 0 ? ANN : null, text: 'x'.repeat(length), aside: false }, i + 2)
  const state = createFloor('test', SMALL)
  ;(state.threads as Map<string, Thread>).set(T, thread)
  return state
}

/** Everything, from the end to the beginning, as somebody reads it who asks for more until there is no more. */
function readBack(state: FloorState) {
  const [view] = selectThreads(state, ANN)
  const pages: (readonly Line[])[] = [view?.lines ?? []]
  for (;;) {
    const first = pages.at(-1)?.[0]?.no ?? 1
    const page = linesBefore(state, ANN, T, first)
    if (page.length === 0) return { view, pages }
    pages.push(page)
  }
}

test.each([
  ['10,000 lines', Array.from({ length: 10_000 }, () => 40)],
  ['300 of 100,000 characters each', Array.from({ length: 300 }, () => LONGEST_TEXT)],
  ['one of them between short ones', Array.from({ length: 400 }, (_, i) => (i === 350 ? LONGEST_TEXT : 10))],
  ['a single one', [LONGEST_TEXT]],
])('%s: what a tab holds is bounded, and pages give all of it, once and in order', (_, lengths) => {
  const { view, pages } = readBack(floorWith(lengths))
  expect(view?.lineCount).toBe(lengths.length)
  expect(pages[0]?.length).toBeLessThanOrEqual(60)
  for (const page of pages) {
    expect(page.length).toBeLessThanOrEqual(200)
    const characters = page.reduce((sum, line) => sum + line.text.length, 0)
    expect(page.length === 1 || characters <= 300_000).toBe(true)
  }
  const all = pages.toReversed().flat()
  expect(all.map((l) => l.no)).toEqual(Array.from({ length: lengths.length }, (_, i) => i + 1))
  expect(all.map((l) => l.text.length)).toEqual(lengths)
})

test('whoever has nothing to do with it turns no page; who was asked in, and who answers for the floor, does', () => {
  const state = floorWith([1, 1, 1])
  expect(linesBefore(state, BO, T, 99)).toEqual([])
  expect(linesBefore(state, toAgentId('agent_none'), T, 99)).toEqual([])
  const thread = state.threads.get(T) as Thread
  ;(state.threads as Map<string, Thread>).set(T, { ...thread, askedIn: [BO] })
  expect(linesBefore(state, BO, T, 99)).toHaveLength(3)
  const supervisor = { ...(SMALL.agents[0] as (typeof SMALL.agents)[number]), id: toAgentId('agent_sue'), may: ['supervision' as const] }
  const led = { ...state, setUp: { ...SMALL, agents: [...SMALL.agents, supervisor] } }
  expect(linesBefore(led, supervisor.id, T, 99)).toHaveLength(3)
})
