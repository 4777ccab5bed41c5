import { expect, test } from 'vitest'
import { checkScript } from '@/core/scripts'
import { checkSetUp, outcomeSetFor, scriptFor } from '@/core/set-up'
import { FENNHOLM } from '@/world/scenario/set-up'

test.each(FENNHOLM.queues.map((q) => ({ name: q.name, id: q.id })))('the script of $name leaves nobody stuck', ({ id }) => {
  const script = scriptFor(FENNHOLM, { queueId: id, campaignId: null })
  expect(script).not.toBeNull()
  if (script === null) return
  const codes = outcomeSetFor(FENNHOLM, { queueId: id, campaignId: null }).codes.map((c) => c.code)
  expect(checkScript(script, codes).filter((f) => f.grade === 'error')).toEqual([])
  expect(checkScript(script, codes).filter((f) => f.kind === 'unreached' || f.kind === 'tooLong')).toEqual([])
})

test('the set-up of the scenario is sound', () => {
  expect(checkSetUp(FENNHOLM)).toEqual([])
})

/** The three the scenario lives by: complete, with the opening, and something that must be said or kept to oneself. */
test.each(['Sailings', 'Disruption', 'Assistance'])('the script of %s is complete', (name) => {
  const queue = FENNHOLM.queues.find((q) => q.name === name)
  const script = scriptFor(FENNHOLM, { queueId: queue?.id ?? null, campaignId: null })
  const pages = script?.pages ?? []
  expect(pages.length).toBeGreaterThanOrEqual(8)
  for (const id of ['greeting', 'fetched', 'not-there', 'no-time', 'machine', 'wrong-number']) expect(pages.map((p) => p.id)).toContain(id)
  expect(pages.some((p) => p.sensitive || p.questions.some((q) => q.kind === 'disclosure'))).toBe(true)
})
