'use client'
// The codes of a set: key, what it means, what it counts as, what it asks for and what follows.
import clsx from 'clsx'
import type { OutcomeCode, OutcomeSet } from '@/core/outcomes'
import { DAY, HOUR, MINUTE } from '@/core/time'
import { Button, TableHead } from '@/ui'

interface Props {
  readonly set: OutcomeSet
  readonly onEdit: (code: OutcomeCode) => void
}

export function CodesTable({ set, onEdit }: Props) {
  const groups = [...new Set(set.codes.map((c) => c.group))]
  return (
    <table aria-label="Codes" className="mt-3 w-full table-fixed">
      <TableHead headings={HEADINGS} />
      {groups.map((group) => (
        <tbody key={group}>
          <tr>
            <th colSpan={6} scope="rowgroup" className="eyebrow pt-3 text-left">
              {group || 'No group'}
            </th>
          </tr>
          {set.codes
            .filter((c) => c.group === group)
            .map((code) => (
              <tr key={code.code} className={clsx('border-line border-b align-top', code.retired && 'text-soft')}>
                <td className="tabular py-1.5">{code.retired ? '–' : code.key}</td>
                <th scope="row" className="break-words py-1.5 pr-3 text-left">
                  {code.label}
                  {code.retired && <span className="font-normal"> · retired</span>}
                  <span className="block font-normal text-soft">{code.means}</span>
                </th>
                <td className="py-1.5 pr-3">{countsWords(code)}</td>
                <td className="py-1.5 pr-3">{needsWords(code) || <span className="text-soft">nothing</span>}</td>
                <td className="py-1.5 pr-3">
                  {followsShort(code.follows)}
                  {code.onlyDialled && <span className="block text-soft">calls we dialled only</span>}
                  {code.doubts.length > 0 && (
                    <span className="block text-soft">questioned by {code.doubts.length === 1 ? 'one answer' : `${code.doubts.length} answers`}</span>
                  )}
                </td>
                <td className="py-1 text-right">
                  <Button aria-label={`Edit ${code.label}`} onClick={() => onEdit(code)}>
                    Edit
                  </Button>
                </td>
              </tr>
            ))}
        </tbody>
      ))}
    </table>
  )
}

const HEADINGS = [
  ['Key', 'w-[40px]'],
  ['Code', ''],
  ['Counts as', 'w-[170px]'],
  ['Needs', 'w-[120px]'],
  ['Then', 'w-[240px]'],
  ['', 'w-[64px]'],
] as const

export const COUNT_WORDS = { contact: 'contact made', rightParty: 'right party', conversion: 'conversion', final: 'final' } as const

const countsWords = ({ counts }: OutcomeCode): string =>
  Object.entries(COUNT_WORDS)
    .flatMap(([name, words]) => (counts[name as keyof typeof COUNT_WORDS] ? [words] : []))
    .join(', ') || 'nothing'

const needsWords = ({ needs, follows }: OutcomeCode): string =>
  [needs.notes ? 'notes' : '', follows.kind === 'callback' ? 'callback time' : '', needs.field ?? ''].filter((t) => t !== '').join(', ')

export function followsShort(follows: OutcomeCode['follows']): string {
  switch (follows.kind) {
    case 'nothing':
      return 'nothing'
    case 'retry':
      return `again after ${lengthWords(follows.afterMs)}, at most ${follows.atMost} times`
    case 'callback':
      return 'a callback'
    case 'neverCall':
      return follows.whom === 'number' ? 'never call this number' : 'never call this person'
    case 'wrongNumber':
      return 'number struck from the record'
    case 'task':
      return `a task, due in ${lengthWords(follows.dueAfterMs)}`
  }
}

const lengthWords = (ms: number): string => (ms % DAY === 0 ? `${ms / DAY} d` : ms % HOUR === 0 ? `${ms / HOUR} h` : `${Math.round(ms / MINUTE)} min`)
