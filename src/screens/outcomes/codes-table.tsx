'use client'
// The codes of a set: key, what it means, what it counts as, what it asks for and what follows.
import type { OutcomeCode, OutcomeSet } from '@/core/outcomes'
import { DAY, HOUR, MINUTE } from '@/core/time'
import { Button, type Column, Table } from '@/parts/ui'

interface Props {
  readonly set: OutcomeSet
  readonly onEdit: (code: OutcomeCode) => void
}

export function CodesTable({ set, onEdit }: Props) {
  const columns: readonly Column<OutcomeCode>[] = [
    { id: 'key', heading: 'Key', width: 'w-[3rem]', className: 'tabular', cell: (code) => (code.retired ? '–' : code.key) },
    {
      id: 'code',
      heading: 'Code',
      isName: true,
      cell: (code) => (
        <>
          {code.label}
          {code.retired && <span className="font-normal"> · retired</span>}
          <span className="block font-normal text-soft">{code.means}</span>
        </>
      ),
    },
    { id: 'counts', heading: 'Counts as', width: 'w-[10.625rem]', cell: countsWords },
    { id: 'needs', heading: 'Needs', width: 'w-[7.5rem]', cell: (code) => needsWords(code) || <span className="text-soft">nothing</span> },
    {
      id: 'then',
      heading: 'Then',
      width: 'w-[15rem]',
      cell: (code) => (
        <>
          {followsShort(code.follows)}
          {code.onlyDialled && <span className="block text-soft">calls we dialled only</span>}
          {code.doubts.length > 0 && (
            <span className="block text-soft">questioned by {code.doubts.length === 1 ? 'one answer' : `${code.doubts.length} answers`}</span>
          )}
        </>
      ),
    },
    {
      id: 'acts',
      heading: '',
      width: 'w-[4rem]',
      align: 'right',
      cell: (code) => (
        <Button aria-label={`Edit ${code.label}`} onClick={() => onEdit(code)}>
          Edit
        </Button>
      ),
    },
  ]
  return (
    <Table
      label="Codes"
      className="mt-3"
      columns={columns}
      rows={set.codes}
      keyOf={(code) => code.code}
      rowClass={(code) => code.retired && 'text-soft'}
      groupOf={(code) => code.group || 'No group'}
    />
  )
}

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
