// Changes of outcome sets, as values.
import { toOutcomeSetId } from '@/core/ids'
import type { OutcomeCode, OutcomeSet } from '@/core/outcomes'
import type { SetUp } from '@/core/set-up'

const freeKey = (set: OutcomeSet): string => [...'1234567890'].find((key) => !set.codes.some((c) => c.key === key && !c.retired)) ?? '1'

/** Without an id until it is kept: it gets one from its label. */
export const newCode = (set: OutcomeSet): OutcomeCode => ({
  ...{ code: '', label: '', key: freeKey(set), group: set.codes.at(-1)?.group ?? '', means: '' },
  counts: { contact: true, rightParty: true, conversion: false, final: true },
  ...{ needs: { notes: false, field: null }, follows: { kind: 'nothing' }, onlyDialled: false, doubts: [], retired: false },
})

export function withCode(set: OutcomeSet, before: OutcomeCode, after: OutcomeCode): OutcomeSet {
  if (before.code !== '') return { ...set, codes: set.codes.map((c) => (c.code === before.code ? { ...after, code: before.code } : c)) }
  return {
    ...set,
    codes: [
      ...set.codes,
      {
        ...after,
        code: freeId(
          after.label,
          set.codes.map((c) => c.code),
        ),
      },
    ],
  }
}

export function addSet(setUp: SetUp): { readonly setUp: SetUp; readonly id: string } {
  const id = toOutcomeSetId(
    `outcomes_${freeId(
      'new set',
      setUp.outcomeSets.map((s) => s.id.slice('outcomes_'.length)),
    )}`,
  )
  const codes = setUp.outcomeSets.find((s) => s.id === setUp.outsideOutcomeSetId)?.codes.slice(0, 1) ?? []
  return { id, setUp: { ...setUp, outcomeSets: [...setUp.outcomeSets, { id, name: 'New set', codes }] } }
}

/** `no-answer` from a label; with a number where that is taken. */
function freeId(label: string, taken: readonly string[]): string {
  const words = label
    .toLowerCase()
    .normalize('NFKD')
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^[^a-z]+|-$/g, '')
  const base = words === '' ? 'code' : words
  for (let n = 1; ; n++) {
    const id = n === 1 ? base : `${base}-${n}`
    if (!taken.includes(id)) return id
  }
}
