import { describe, expect, test } from 'vitest'
import { type Script, ScriptSchema } from '@/core/scripts'
import { SetUpSchema } from '@/core/set-up'
import { SMALL } from '@/core/testing'
import { readJson, readSetUp } from './import'

const SMALL_SCRIPT = SMALL.scripts[0] as Script

describe('a set-up file', () => {
  const file = (change: object) => JSON.stringify({ ...SMALL, ...change })

  test('what is wrong is named with the line it stands in, or the line of what lacks it', () => {
    const text = '{\n  "centre": "Small",\n  "homeCountry": "GB",\n  "queues": [\n    { "id": "queue_a",\n      "name": 7 }\n  ]\n}'
    const read = readSetUp(text)
    if (read.ok) throw new Error('read in spite of everything')
    expect(read.problems).toContain('Line 6: queues 1, name: it must be a text, and is 7.')
    expect(read.problems.find((p) => p.includes('serviceLevelMs'))).toMatch(/^Line 5: queues 1, serviceLevelMs: /)
    expect(read.problems.find((p) => p.includes('ringLimitMs'))).toMatch(/^Line 1: ringLimitMs: /)
    expect(readSetUp('{\n  "centre": "Small",\n}')).toMatchObject({ ok: false, problems: [expect.stringMatching(/^Line 3: .*not JSON/)] })
  })

  test('written and read is the same', () => {
    expect(readSetUp(JSON.stringify(SMALL, null, 1))).toEqual({ ok: true, setUp: SetUpSchema.parse(SMALL) })
  })

  test.each([
    { says: 'no JSON', text: '{ "centre": ', names: [/not JSON/] },
    { says: 'something else', text: '[1]', names: [/^The file is not a set-up\./] },
    { says: 'a script', text: JSON.stringify(SMALL_SCRIPT), names: [/^The file is a script, .* Bring it in under Set-up, Scripts/] },
    { says: 'an outcome set', text: JSON.stringify(SMALL.outcomeSets[0]), names: [/^The file is an outcome set/] },
    { says: 'a document of somebody else’s', text: '{"rows": []}', names: [/^The file is not a set-up: it has none of “centre”/] },
    { says: 'exported calls', text: '{"callId":"call_1"}\n{"callId":"call_2"}\n', names: [/^The file has one record a line/] },
    { says: 'a table', text: 'Name;Number\nOttoline Fjelding;01632 960557\n', names: [/^The file is a table \(CSV\)/] },
    { says: 'people', text: 'BEGIN:VCARD\nVERSION:4.0\nEND:VCARD\n', names: [/^The file is a vCard file of people/] },
    { says: 'two things wrong', text: file({ homeCountry: 'Britain', ringLimitMs: -1 }), names: [/^Line \d+: homeCountry: /, /^Line \d+: ringLimitMs: /] },
    {
      says: 'a queue by its name',
      text: file({ queues: [{ ...SMALL.queues[0], serviceLevelMs: 'soon' }] }),
      names: [/^Line \d+: queues First, serviceLevelMs: /],
    },
    { says: 'an agent by their name', text: file({ agents: [{ ...SMALL.agents[1], role: 'king' }] }), names: [/^Line \d+: agents Bo, role: /] },
    { says: 'a time zone', text: file({ timeZone: 'Fennholm/Arnmoor' }), names: [/^Line \d+: timeZone: .*IANA/] },
  ])('$says is refused line by line', ({ text, names }) => {
    const read = readSetUp(text)
    expect(read.ok).toBe(false)
    if (!read.ok) for (const [i, name] of names.entries()) expect(read.problems[i]).toMatch(name)
  })
})

describe('a script file', () => {
  const [first] = SMALL_SCRIPT.pages
  const file = (page: object) => JSON.stringify({ ...SMALL_SCRIPT, pages: [{ ...first, ...page }, ...SMALL_SCRIPT.pages.slice(1)] })
  const way = (when: unknown) => file({ ways: [{ when, to: 'end' }, ...(first?.ways ?? [])] })
  const choice = { kind: 'choice', field: 'wish', label: 'Wish', options: [{ value: 'a', label: 'A' }] }
  const nested = (deep: number) => {
    let when: unknown = { field: 'wish', is: 'go' }
    for (let i = 0; i < deep; i++) when = { all: [when] }
    return when
  }

  test.each([
    { says: 'a missing title', text: file({ title: undefined }), names: /pages 1, title: it is missing\. It must be a text\.$/ },
    { says: 'an empty title', text: file({ title: '' }), names: /pages 1, title: it is empty\. Fill it in\.$/ },
    { says: 'an id of another kind', text: JSON.stringify({ ...SMALL_SCRIPT, id: 'welcome' }), names: /id: it must begin with “script_”, and is “welcome”\.$/ },
    { says: 'one option', text: file({ questions: [choice] }), names: /questions Wish, options: it must have at least 2 entries\.$/ },
    {
      says: 'a kind nobody knows',
      text: file({ questions: [{ ...choice, kind: 'wheel' }] }),
      names: /questions Wish, kind: it is of no known kind: “wheel”\.$/,
    },
    { says: 'a condition with a slip', text: way({ field: 'wish', iz: 'go' }), names: /ways 1, when: “iz” means nothing here\. Correct it or take it out\.$/ },
    { says: 'a part of a condition of the wrong type', text: way({ all: [{ field: 'wish', atLeast: true }] }), names: /ways 1, when, all 1, atLeast: it/ },
    { says: 'conditions nested a thousand deep', text: way(nested(1_000)), names: /^Line 1: Brackets are nested more than 60 deep/ },
    { says: 'brackets twenty thousand deep', text: '['.repeat(20_000), names: /^Line 1: Brackets are nested/ },
  ])('$says is said in a sentence', ({ text, names }) => {
    const read = readJson(text, ScriptSchema, 'script')
    expect(read.ok ? [] : read.problems).toEqual([expect.stringMatching(names)])
  })

  test('brackets within texts are text', () => {
    expect(readJson(file({ title: `"[${'{'.repeat(100)}` }), ScriptSchema, 'script')).toMatchObject({ ok: true })
    expect(readJson(way(nested(20)), ScriptSchema, 'script')).toMatchObject({ ok: true })
  })

  test('of thousands of faults the first are named, and how many there are', () => {
    const pages = Array.from({ length: 5_000 }, (_, i) => ({ ...first, id: `page${i}`, title: i }))
    const read = readJson(JSON.stringify({ ...SMALL_SCRIPT, pages }, null, 1), ScriptSchema, 'script')
    if (read.ok) throw new Error('read in spite of everything')
    expect(read.problems).toHaveLength(41)
    expect(read.problems[40]).toBe('And 4960 more of the kind. Correct these, then bring it in again.')
  })
})
