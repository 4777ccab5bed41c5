import { expect, test } from 'vitest'
import { toScriptId } from '@/core/ids'
import { chosenScriptId } from '@/core/set-up'

const [OWN, FREIGHT, PASS] = ['script_own', 'script_freight', 'script_pass'].map(toScriptId)
const QUEUE = {
  scriptId: OWN ?? null,
  scriptChoices: [
    { path: 'Freight', group: 'Haulier', scriptId: FREIGHT ?? null },
    { path: 'Nothing to read', group: null, scriptId: null },
    { path: null, group: 'Pass', scriptId: PASS ?? null },
  ],
}

test.each([
  { says: 'nobody in particular', path: null, group: null, script: OWN },
  { says: 'the path alone does not fit a row with a group', path: 'Freight', group: 'Visitor', script: OWN },
  { says: 'path and group', path: 'Freight', group: 'Haulier', script: FREIGHT },
  { says: 'a group on any path', path: 'Change', group: 'Pass', script: PASS },
  { says: 'the first row that fits', path: 'Nothing to read', group: 'Pass', script: null },
])('$says', ({ path, group, script }) => {
  expect(chosenScriptId(QUEUE, { path, group })).toBe(script)
})
