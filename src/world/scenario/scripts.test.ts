import { expect, test } from 'vitest'
import { checkScript } from '@/core/scripts'
import { checkSetUp, outcomeSetFor, scriptFor } from '@/core/set-up'
import { FENNHOLM } from '@/world/scenario'

test.each(FENNHOLM.queues.map((q) => ({ name: q.name, id: q.id })))('the script of $name leaves nobody stuck', ({ id }) => {
  const script = scriptFor(FENNHOLM, id)
  expect(script).not.toBeNull()
  if (script === null) return
  const codes = outcomeSetFor(FENNHOLM, id).codes.map((c) => c.code)
  expect(checkScript(script, codes).filter((f) => f.grade === 'error')).toEqual([])
})

test('the set-up of the scenario is sound', () => {
  expect(checkSetUp(FENNHOLM)).toEqual([])
})
