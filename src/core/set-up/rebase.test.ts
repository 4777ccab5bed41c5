import { describe, expect, test } from 'vitest'
import { FIRST, SECOND_QUEUE, SMALL } from '@/core/testing'
import { rebaseSetUp } from './rebase'
import { type SetUp, SetUpSchema } from './schema'

const base = SMALL
const renamed = (setUp: SetUp, id: string, name: string): SetUp => ({ ...setUp, queues: setUp.queues.map((q) => (q.id === id ? { ...q, name } : q)) })
const nameOf = (setUp: SetUp, id: string) => setUp.queues.find((q) => q.id === id)?.name

test('what each has changed stands, when it is not the same', () => {
  const mine = { ...renamed(base, FIRST, 'Mine'), ringLimitMs: 15_000 }
  const theirs = { ...renamed(base, SECOND_QUEUE, 'Theirs'), holdLimitMs: 90_000 }
  const { setUp, both } = rebaseSetUp(base, mine, theirs)
  expect([nameOf(setUp, FIRST), nameOf(setUp, SECOND_QUEUE), setUp.ringLimitMs, setUp.holdLimitMs]).toEqual(['Mine', 'Theirs', 15_000, 90_000])
  expect(both).toEqual([])
  expect(SetUpSchema.parse(setUp)).toEqual(setUp)
})

test('of what both have changed mine stands, and it is named', () => {
  const { setUp, both } = rebaseSetUp(base, { ...renamed(base, FIRST, 'Mine'), ringLimitMs: 1 }, { ...renamed(base, FIRST, 'Theirs'), ringLimitMs: 2 })
  expect(nameOf(setUp, FIRST)).toBe('Mine')
  expect(setUp.ringLimitMs).toBe(1)
  expect(both).toEqual(expect.arrayContaining(['Theirs', 'the ring limit']))
})

test('what either has added is there, and nothing that is in use is lost', () => {
  const added = (name: string): SetUp => ({ ...base, skills: [...base.skills, { id: `skill_${name}` as never, name }] })
  const { setUp } = rebaseSetUp(base, added('mine'), added('theirs'))
  expect(setUp.skills.map((s) => s.name).sort()).toEqual(['mine', 'theirs'])
})

test('the same change by both is no matter', () => {
  const change = renamed(base, FIRST, 'Both')
  expect(rebaseSetUp(base, change, change)).toEqual({ setUp: change, both: [] })
})

describe('review sheets two people have changed', () => {
  const sheet = (version: number, name: string, id = 'sheet_calls') => ({
    id,
    version,
    name,
    retired: false,
    questions: [{ id: 'a', label: 'A', kind: 'yesNo' as const, weight: 1, mustHave: false }],
  })
  const with_ = (...reviewSheets: ReturnType<typeof sheet>[]) => ({ ...SMALL, reviewSheets })
  const base = with_(sheet(1, 'One'))
  test('one after the other: theirs is in use, mine is the next version, and it is said', () => {
    const { setUp, both } = rebaseSetUp(base, with_(sheet(1, 'One'), sheet(2, 'Mine')), with_(sheet(1, 'One'), sheet(2, 'Theirs')))
    expect(setUp.reviewSheets).toEqual([sheet(1, 'One'), sheet(2, 'Theirs'), sheet(3, 'Mine')])
    expect(both).toEqual(['Mine'])
  })
  test('different ones: each as it was made, and nothing to say', () => {
    const { setUp, both } = rebaseSetUp(base, with_(sheet(1, 'One'), sheet(2, 'Mine')), with_(sheet(1, 'One'), sheet(1, 'Other', 'sheet_other')))
    expect(setUp.reviewSheets).toEqual([sheet(1, 'One'), sheet(1, 'Other', 'sheet_other'), sheet(2, 'Mine')])
    expect(both).toEqual([])
  })
  test('only theirs, or the same in both', () => {
    const theirs = with_(sheet(1, 'One'), sheet(2, 'Theirs'))
    expect(rebaseSetUp(base, base, theirs)).toEqual({ setUp: theirs, both: [] })
    expect(rebaseSetUp(base, theirs, theirs)).toEqual({ setUp: theirs, both: [] })
  })
})
