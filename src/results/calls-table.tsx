'use client'
// The calls of the span: searched, filtered, sorted, and long. Rows are drawn only where one looks.
import { createColumnHelper, createSortedRowModel, rowSortingFeature, sortFns, tableFeatures, useTable } from '@tanstack/react-table'
import { useVirtualizer } from '@tanstack/react-virtual'
import { format } from 'date-fns'
import { useRouter } from 'next/navigation'
import { useMemo, useRef, useState } from 'react'
import type { CallRecord } from '@/core/ledger'
import { formatClock } from '@/core/time'
import type { CentreView } from '@/exchange/protocol'
import { SelectField, TextField } from '@/ui'
import { outcomeLabel, resultWords, useNumberWords } from '@/words'

const features = tableFeatures({ rowSortingFeature, sortedRowModel: createSortedRowModel(), sortFns })
const helper = createColumnHelper<typeof features, CallRecord>()
const ROW_PX = 32
const GRID = 'grid grid-cols-[150px_100px_minmax(140px,1.2fr)_160px_minmax(120px,1fr)_70px_70px_minmax(120px,1fr)] gap-3 px-3'

interface Filter {
  readonly search: string
  readonly queue: string
  readonly result: string
}

export function CallsTable({ records, centre }: { records: readonly CallRecord[]; centre: CentreView }) {
  const [filter, setFilter] = useState<Filter>({ search: '', queue: '', result: '' })
  const written = useNumberWords()
  const data = useMemo(() => records.filter((r) => fits(r, filter, centre)), [records, filter, centre])
  const columns = useMemo(
    () =>
      helper.columns([
        helper.accessor('offeredAtMs', { header: 'Offered', cell: (c) => format(c.getValue(), 'd MMM HH:mm:ss') }),
        helper.accessor((r) => r.queue ?? 'Dialled', { id: 'queue', header: 'Queue' }),
        helper.accessor((r) => r.customer ?? 'Not known', { id: 'customer', header: 'Caller' }),
        helper.accessor((r) => (r.number === null ? 'withheld' : written(r.number)), { id: 'number', header: 'Number' }),
        helper.accessor((r) => r.agents.map((l) => l.agent).join(', '), { id: 'agent', header: 'Agent' }),
        helper.accessor((r) => (r.answeredAtMs ?? r.endedAtMs) - r.offeredAtMs, { id: 'wait', header: 'Waited', cell: (c) => formatClock(c.getValue()) }),
        helper.accessor((r) => r.agents.reduce((ms, l) => ms + l.talkMs, 0), { id: 'talk', header: 'Talked', cell: (c) => formatClock(c.getValue()) }),
        helper.accessor((r) => (r.outcome === null ? resultWords(r.result) : outcomeLabel(centre, r)), { id: 'outcome', header: 'Outcome' }),
      ]),
    [centre, written],
  )
  const table = useTable({ features, columns, data, initialState: { sorting: [{ id: 'offeredAtMs', desc: true }] } })
  const rows = table.getRowModel().rows
  const scroller = useRef<HTMLDivElement>(null)
  const virtual = useVirtualizer({ count: rows.length, getScrollElement: () => scroller.current, estimateSize: () => ROW_PX, overscan: 12 })
  const router = useRouter()

  return (
    <section aria-label="Calls">
      <div className="flex flex-wrap items-end gap-3">
        <h2 className="mr-auto self-center font-semibold text-lg">
          Calls <span className="font-normal text-soft text-sm">{data.length === records.length ? records.length : `${data.length} of ${records.length}`}</span>
        </h2>
        <TextField
          label="Search"
          className="w-60"
          placeholder="Name, number, agent, notes"
          value={filter.search}
          onChange={(e) => setFilter({ ...filter, search: e.target.value })}
        />
        <SelectField label="Queue" className="w-36" value={filter.queue} onChange={(e) => setFilter({ ...filter, queue: e.target.value })}>
          <option value="">All</option>
          {centre.queues.map((q) => (
            <option key={q.id}>{q.name}</option>
          ))}
          <option value="-">Dialled by us</option>
        </SelectField>
        <SelectField label="Result" className="w-36" value={filter.result} onChange={(e) => setFilter({ ...filter, result: e.target.value })}>
          <option value="">All</option>
          {(['handled', 'abandoned', 'busy', 'noAnswer', 'machine', 'refused', 'invalid'] as const).map((result) => (
            <option key={result} value={result}>
              {resultWords(result)}
            </option>
          ))}
        </SelectField>
      </div>
      <div role="table" aria-label="Calls" aria-rowcount={rows.length + 1} className="mt-2 border-line-strong border-y">
        <div role="row" aria-rowindex={1} className={`${GRID} bg-paper py-1`}>
          {table.getFlatHeaders().map((header) => {
            const sorted = header.column.getIsSorted()
            return (
              <span
                key={header.id}
                role="columnheader"
                aria-sort={sorted === false ? 'none' : sorted === 'asc' ? 'ascending' : 'descending'}
                className="min-w-0"
              >
                <button type="button" className="eyebrow truncate" onClick={header.column.getToggleSortingHandler()}>
                  {String(header.column.columnDef.header)}
                  <span aria-hidden>{sorted === false ? '' : sorted === 'asc' ? ' ↑' : ' ↓'}</span>
                </button>
              </span>
            )
          })}
        </div>
        {/* biome-ignore lint/a11y/noNoninteractiveTabindex: a scrolling region must be reachable by keyboard */}
        <div ref={scroller} className="h-[384px] overflow-auto bg-raised" tabIndex={0} role="rowgroup" aria-label="Calls, scrollable">
          {rows.length === 0 && (
            <p className="p-4 text-soft">{records.length === 0 ? 'No calls in this span.' : 'No call fits the search. Clear it to see all.'}</p>
          )}
          <div className="relative" style={{ height: virtual.getTotalSize() }}>
            {virtual.getVirtualItems().map((item) => {
              const row = rows[item.index]
              if (row === undefined) return null
              const href = `/results/call/${row.original.callId}`
              return (
                <div
                  key={row.id}
                  role="row"
                  tabIndex={0}
                  aria-rowindex={item.index + 2}
                  onClick={() => router.push(href)}
                  onKeyDown={(e) => e.key === 'Enter' && router.push(href)}
                  className={`${GRID} absolute inset-x-0 cursor-pointer items-center border-line border-b hover:bg-green-wash focus-visible:bg-green-wash focus-visible:-outline-offset-3`}
                  style={{ height: ROW_PX, transform: `translateY(${item.start}px)` }}
                >
                  {row.getAllCells().map((cell) => (
                    <span key={cell.id} role="cell" className={`truncate ${TABULAR.has(cell.column.id) ? 'tabular' : ''}`}>
                      <table.FlexRender cell={cell} />
                    </span>
                  ))}
                </div>
              )
            })}
          </div>
        </div>
      </div>
    </section>
  )
}

const TABULAR = new Set(['offeredAtMs', 'number', 'wait', 'talk'])

function fits(record: CallRecord, { search, queue, result }: Filter, centre: CentreView): boolean {
  if (queue !== '' && (queue === '-' ? record.queue !== null : record.queue !== queue)) return false
  if (result !== '' && record.result !== result) return false
  const words = search.trim().toLowerCase().split(/\s+/).filter(Boolean)
  if (words.length === 0) return true
  const text = [record.customer, record.number, record.notes, outcomeLabel(centre, record), ...record.agents.map((l) => l.agent)].join(' ').toLowerCase()
  return words.every((word) => text.includes(word))
}
