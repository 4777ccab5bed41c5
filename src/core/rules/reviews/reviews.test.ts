import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import type { Command } from '@/core/floor'
import { toAgentId, toCallId } from '@/core/ids'
import { type Sheet, scoreOf, sheetsInUse } from '@/core/reviews'
import { values } from '@/core/table'
import { ANN, aFloor, BO, SMALL, type TestFloor } from '@/core/testing'

const SUE = toAgentId('agent_sue')
const CALL = toCallId('call_yesterday_7')
const SHEET: Sheet = {
  id: 'sheet_calls',
  version: 1,
  name: 'Calls',
  retired: false,
  questions: [
    { id: 'greeting', label: 'Greeting', kind: 'scale', weight: 1, mustHave: false },
    { id: 'heard', label: 'Listened', kind: 'scale', weight: 3, mustHave: false },
    { id: 'checked', label: 'Checked who it is', kind: 'yesNo', weight: 2, mustHave: true },
  ],
}
const REVIEWED = {
  ...SMALL,
  reviewSheets: [SHEET],
  agents: [
    ...SMALL.agents,
    { ...(SMALL.agents[0] as (typeof SMALL.agents)[number]), id: SUE, name: 'Sue', role: 'supervisor', queueIds: [], may: ['supervision'] },
  ],
} as typeof SMALL
const GOOD = { greeting: 5, heard: 3, checked: 1 }
const makes = (answers: Record<string, number> = GOOD, more: object = {}): Command =>
  ({
    kind: 'makeReview',
    agentId: SUE,
    callId: CALL,
    ofAgentId: ANN,
    sheetId: 'sheet_calls',
    answers,
    remarks: [{ atMs: 12_000, text: ' Well said. ' }],
    note: ' Good. ',
    ...more,
  }) as Command
const answers = (agrees: boolean, text = '', agentId = ANN): Command => ({ kind: 'answerReview', agentId, callId: CALL, madeById: SUE, agrees, text })
const withdraws = (agentId = SUE): Command => ({ kind: 'withdrawReview', agentId, callId: CALL, ofAgentId: ANN })
const the = (floor: TestFloor) => values(floor.state().reviews)[0]

describe('who may, and what is refused', () => {
  test.each<{ says: string; given?: readonly Command[]; when: Command; then: string }>([
    { says: 'by whoever supervises, of any call', when: makes(), then: 'ok' },
    { says: 'not by an agent', when: makes(GOOD, { agentId: BO }), then: 'notEntitled' },
    { says: 'not of themselves', when: makes(GOOD, { ofAgentId: SUE }), then: 'reviewsThemselves' },
    { says: 'not by a sheet that is not there', when: makes(GOOD, { sheetId: 'sheet_none' }), then: 'noSuchSheet' },
    { says: 'not with a question left out', when: makes({ greeting: 5, heard: 3 }), then: 'reviewUnanswered' },
    { says: 'not with an answer off the scale', when: makes({ ...GOOD, heard: 6 }), then: 'reviewUnanswered' },
    { says: 'nor between its steps', when: makes({ ...GOOD, checked: 0.5 }), then: 'reviewUnanswered' },
    { says: 'answered by whom it is about', given: [makes()], when: answers(true), then: 'ok' },
    { says: 'not by another agent', given: [makes()], when: answers(true, '', BO), then: 'noSuchReview' },
    { says: 'disagreed with, in words', given: [makes()], when: answers(false, 'I had asked twice.'), then: 'ok' },
    { says: 'not without', given: [makes()], when: answers(false, '  '), then: 'disagreesWithoutWords' },
    { says: 'withdrawn', given: [makes()], when: withdraws(), then: 'ok' },
    { says: 'not by another', given: [makes()], when: withdraws(BO), then: 'noSuchReview' },
  ])('$says: $then', ({ given = [], when, then }) => {
    const floor = aFloor(REVIEWED)
    for (const command of given) expect(floor.give(command)).toBe('ok')
    expect(floor.give(when)).toBe(then)
  })
})

test('made again it takes the place of the former, and is to be answered anew; the sheet stays as it was when it was made', () => {
  const floor = aFloor(REVIEWED)
  for (const command of [makes(), answers(true, 'Yes.')]) floor.give(command)
  expect(the(floor)).toMatchObject({ answer: { agrees: true, text: 'Yes.' }, note: 'Good.', remarks: [{ atMs: 12_000, text: 'Well said.' }], sheet: SHEET })
  floor.give(makes({ ...GOOD, heard: 1 }))
  expect(values(floor.state().reviews)).toHaveLength(1)
  expect(the(floor)).toMatchObject({ answer: null, answers: { heard: 1 } })
  expect(sheetsInUse([SHEET, { ...SHEET, version: 3 }, { ...SHEET, version: 2 }]).map((s) => s.version)).toEqual([3])
})

describe('the score', () => {
  test('is the weighted mean, and nothing where a must-have failed', () => {
    expect(scoreOf(SHEET, GOOD).ratio).toBeCloseTo((1 * 1 + 3 * 0.5 + 2 * 1) / 6)
    expect(scoreOf(SHEET, { ...GOOD, checked: 0 })).toMatchObject({ ratio: 0, failed: [{ id: 'checked' }] })
    expect(scoreOf(SHEET, {})).toMatchObject({ ratio: null, open: SHEET.questions })
  })

  test('lies between the worst and the best, never falls when an answer is better, and does not depend on the scale of the weights', () =>
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 5 }),
        fc.integer({ min: 1, max: 4 }),
        fc.constantFrom(0, 1),
        fc.double({ min: 0.1, max: 50, noNaN: true }),
        (greeting, heard, checked, times) => {
          const score = (of: Record<string, number>, sheet = SHEET) => scoreOf(sheet, of).ratio as number
          const given = { greeting, heard, checked }
          expect(score(given)).toBeGreaterThanOrEqual(0)
          expect(score(given)).toBeLessThanOrEqual(1)
          expect(score({ ...given, heard: heard + 1 })).toBeGreaterThanOrEqual(score(given))
          expect(score(given, { ...SHEET, questions: SHEET.questions.map((q) => ({ ...q, weight: q.weight * times })) })).toBeCloseTo(score(given), 9)
        },
      ),
    ))
})
