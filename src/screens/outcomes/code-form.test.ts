import { describe, expect, test } from 'vitest'
import { OutcomeCodeSchema } from '@/core/outcomes'
import { FENNHOLM } from '@/world/scenario'
import { OUTCOME_SETS } from '@/world/scenario/outcomes'
import { type CodeForm, CodeFormSchema, fromCodeForm, toCodeForm } from './code-form'
import { addSet, newCode, withCode } from './edit'

const codes = OUTCOME_SETS.flatMap((set) => set.codes.map((code) => ({ code, name: `${set.name}, ${code.label}` })))

describe('the form of a code', () => {
  test.each(codes)('$name: shown and kept is the same', ({ code }) => {
    const form = toCodeForm(code)
    expect(CodeFormSchema.safeParse(form).error?.issues).toBeUndefined()
    expect(fromCodeForm(form, code, code.doubts)).toEqual(OutcomeCodeSchema.parse(code))
  })

  const form = toCodeForm(codes[0]?.code as Parameters<typeof toCodeForm>[0])
  test.each([
    { says: 'no label', change: { label: ' ' }, names: /needs a label/ },
    { says: 'a letter for a key', change: { key: 'a' }, names: /One digit/ },
    { says: 'no sentence', change: { means: '' }, names: /in a sentence/ },
    { says: 'a task without a title', change: { follows: 'task' as const, title: '' }, names: /needs a title/ },
    { says: 'no number of tries', change: { atMost: Number.NaN }, names: /Type a number/ },
    { says: 'thirty tries', change: { atMost: 30 }, names: /20 times/ },
  ] satisfies { says: string; change: Partial<CodeForm>; names: RegExp }[])('$says is refused with a sentence', ({ change, names }) => {
    const parsed = CodeFormSchema.safeParse({ ...form, ...change })
    expect(parsed.error?.issues.map((i) => i.message).join(' ')).toMatch(names)
  })
})

describe('changing sets', () => {
  const [set] = FENNHOLM.outcomeSets
  test('a new code gets a free key, and an id from its label that no other has', () => {
    if (set === undefined) throw new Error('no set')
    const fresh = newCode(set)
    expect(set.codes.map((c) => c.key)).not.toContain(fresh.key)
    const once = withCode(set, fresh, { ...fresh, label: 'Passed on!', means: 'Again.' })
    expect(once.codes.at(-1)?.code).toBe('passed-on-2')
    const changed = withCode(once, once.codes[0] as (typeof once.codes)[number], { ...(once.codes[0] as (typeof once.codes)[number]), label: 'Moved' })
    expect(changed.codes[0]).toMatchObject({ code: 'booking-changed', label: 'Moved' })
  })

  test('a new set begins with a code, because none may be empty', () => {
    const added = addSet(FENNHOLM)
    expect(added.setUp.outcomeSets.at(-1)).toMatchObject({ id: added.id, codes: [expect.anything()] })
    expect(addSet(added.setUp).id).not.toBe(added.id)
  })
})
