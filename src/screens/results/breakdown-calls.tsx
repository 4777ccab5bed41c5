'use client'
// The calls a figure was made of.
import { format } from 'date-fns'
import Link from 'next/link'
import { useCallback } from 'react'
import type { AgentId } from '@/core/ids'
import type { CallRecord } from '@/core/ledger'
import { formatClock } from '@/core/time'
import { type Column, Problem, Table } from '@/parts/ui'
import { behalfWords, callerWords, outcomeLabel, resultWords, useNumberWords } from '@/parts/words'
import { floorNow } from '@/services/exchange/floor-time'
import { type Dimension, waitedMs } from '@/services/history/client'
import { useHistory } from '@/services/history/react'
import type { Picked } from './breakdown-table'
import { keyWords, type Words } from './breakdown-words'
import { type Days, toSpan } from './span'

interface Props {
  readonly days: Days
  readonly rows: Dimension
  readonly columns: Dimension | null
  readonly picked: Picked
  readonly only: AgentId | null
  readonly words: Words
}

const SHOWN = 100

export function BreakdownCalls({ days, rows, columns, picked, only, words }: Props) {
  useNumberWords()
  const { value, problem } = useHistory(
    useCallback(
      (api) => api.crossCalls({ span: toSpan(days), rows, columns, ...picked, atMost: SHOWN, only, nowMs: floorNow() }),
      [days, rows, columns, picked, only],
    ),
  )
  const which = [
    picked.row === null ? null : keyWords(rows, picked.row, words),
    picked.column === null || columns === null ? null : keyWords(columns, picked.column, words),
  ]
    .filter((w) => w !== null)
    .join(', ')
  const tableColumns: readonly Column<CallRecord>[] = [
    {
      id: 'caller',
      heading: 'Who',
      isName: true,
      cell: (r) => (
        <Link href={`/results/call/${r.callId}`} className="underline underline-offset-2">
          {callerWords(r.customer, r.number, 'Withheld number')}
        </Link>
      ),
    },
    { id: 'at', heading: 'When', cell: (r) => <span className="tabular">{format(r.offeredAtMs, 'EEE d MMM HH:mm')}</span> },
    { id: 'behalf', heading: 'For', cell: (r) => behalfWords(r) },
    { id: 'agents', heading: 'Agents', cell: (r) => r.agents.map((l) => l.agent).join(', ') },
    { id: 'waited', heading: 'Waited', align: 'right', cell: (r) => <span className="tabular">{formatClock(waitedMs(r))}</span> },
    { id: 'outcome', heading: 'Outcome', cell: (r) => (r.outcome === null ? resultWords(r.result) : outcomeLabel(words.centre, r)) },
  ]
  return (
    <section aria-label="Calls of the figure">
      <h2 className="font-semibold text-lg">Calls{which === '' ? '' : `: ${which}`}</h2>
      {problem !== null && <Problem>The calls could not be read: {problem}. Choose the figure again.</Problem>}
      {value === null && problem === null && <p className="text-soft">Looking for the calls…</p>}
      {value !== null && (
        <>
          <p className="text-soft">
            {value.length === SHOWN ? `The latest ${SHOWN}.` : `${value.length} in all.`} A share is of some of them only: its definition stands in Results.
          </p>
          <Table label="Calls of the figure" columns={tableColumns} rows={value} keyOf={(r) => r.callId} fixed={false} className="mt-1" />
        </>
      )}
    </section>
  )
}
