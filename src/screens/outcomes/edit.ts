// Changes of outcome sets, as values.
import { toOutcomeSetId } from '@/core/ids'
import type { OutcomeCode, OutcomeSet } from '@/core/outcomes'
import type { SetUp } from '@/core/set-up'
import { freeId, slug } from '@/screens/set-up'

const freeKey = (set: OutcomeSet): string => [...'1234567890'].find((key) => !set.codes.some((c) => c.key === key && !c.retired)) ?? '1'

/** Without an id until it is kept: it gets one from its label. */
export const newCode = (set: OutcomeSet): OutcomeCode => ({
  code: '',
  label: '',
  key: freeKey(set),
  group: set.codes.at(-1)?.group ?? '',
  means: '',
  counts: { contact: true, rightParty: true, conversion: false, final: true },
  needs: { notes: false, field: null },
  follows: { kind: 'nothing' },
  onlyDialled: false,
  doubts: [],
  retired: false,
})

export function withCode(set: OutcomeSet, before: OutcomeCode, after: OutcomeCode): OutcomeSet {
  if (before.code !== '') return { ...set, codes: set.codes.map((c) => (c.code === before.code ? { ...after, code: before.code } : c)) }
  const taken = set.codes.map((c) => c.code)
  return { ...set, codes: [...set.codes, { ...after, code: freeId(codeOf(after.label), taken) }] }
}

/** `no-answer` from a label: codes begin with a letter. */
const codeOf = (label: string): string => slug(label).replace(/^[^a-z]+/, '') || 'code'

export function addSet(setUp: SetUp): { readonly setUp: SetUp; readonly id: string } {
  const taken = setUp.outcomeSets.map((s) => s.id)
  const id = toOutcomeSetId(freeId('outcomes_new-set', taken))
  const codes = setUp.outcomeSets.find((s) => s.id === setUp.outsideOutcomeSetId)?.codes.slice(0, 1) ?? []
  return { id, setUp: { ...setUp, outcomeSets: [...setUp.outcomeSets, { id, name: 'New set', codes }] } }
}
