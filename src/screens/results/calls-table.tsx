'use client'
// The calls of the span: searched, filtered, sorted, and long. They stay where they are kept; what one looks at is fetched, and rows are drawn only there.
import { createColumnHelper, functionalUpdate, rowSortingFeature, type SortingState, tableFeatures, type Updater, useTable } from '@tanstack/react-table'
import { useVirtualizer } from '@tanstack/react-virtual'
import { format } from 'date-fns'
import { useRouter } from 'next/navigation'
import { useCallback, useMemo, useRef, useState } from 'react'
import type { AgentId } from '@/core/ids'
import type { CallRecord, CallResult } from '@/core/ledger'
import { formatClock } from '@/core/time'
import { Problem, SelectField, TextField, useDraft, useIsPrinting, useLongRowKeys, usePlaceKept } from '@/parts/ui'
import { outcomeLabel, outcomeLabels, RESULT_WORDS, resultWords, useNumberWords } from '@/parts/words'
import { floorNow } from '@/services/exchange/floor-time'
import type { CentreView } from '@/services/exchange/protocol'
import { type CallsPage, type CallsSort, talkedMs, waitedMs } from '@/services/history/client'
import { useHistory } from '@/services/history/react'
import { type Days, toSpan } from './span'

const features = tableFeatures({ rowSortingFeature })
const helper = createColumnHelper<typeof features, CallRecord>()
const ROW_PX = 32
const SCROLLER_PX = 384
/** As many rows are fetched at once as fill the window several times over. */
const PAGE = 60
const GRID = 'grid grid-cols-[9.375rem_6.25rem_minmax(8.75rem,1.2fr)_10rem_minmax(7.5rem,1fr)_4.375rem_4.375rem_minmax(7.5rem,1fr)] gap-3 px-3'

interface Filter {
  readonly search: string
  readonly queue: string
  readonly result: string
}

const NO_WISH = JSON.stringify({ filter: { search: '', queue: '', result: '' }, sorting: [{ id: 'offeredAtMs', desc: true }] })
const NOTHING: CallsPage = { all: 0, found: 0, from: 0, rows: [] }

export function CallsTable({ days, only, centre }: { days: Days; only: AgentId | null; centre: CentreView }) {
  // What was looked for is there on coming back from a call.
  const [kept, keep] = useDraft('calls looked for', NO_WISH)
  const { filter, sorting } = useMemo(() => JSON.parse(kept) as { readonly filter: Filter; readonly sorting: SortingState }, [kept])
  const setFilter = (next: Filter) => keep(JSON.stringify({ filter: next, sorting }))
  const setSorting = (next: Updater<SortingState>) => keep(JSON.stringify({ filter, sorting: functionalUpdate(next, sorting) }))
  /** The page one looks at; the one before and the one after it are fetched with it. */
  const [pageNo, setPageNo] = useState(0)
  const written = useNumberWords()
  const { latest: value, problem } = useHistory(
    useCallback(
      (api) => {
        const [sort = { id: 'offeredAtMs', desc: true }] = sorting
        return api.calls({
          span: toSpan(days),
          nowMs: floorNow(),
          only,
          search: filter.search,
          queueId: filter.queue === '' ? null : filter.queue,
          result: filter.result === '' ? null : (filter.result as CallResult),
          sort: { by: sort.id as CallsSort, descending: sort.desc },
          from: Math.max(0, pageNo - 1) * PAGE,
          atMost: 3 * PAGE,
          words: { outcomes: outcomeLabels(centre), results: RESULT_WORDS },
        })
      },
      [days, only, filter, sorting, pageNo, centre],
    ),
  )
  const page = value ?? NOTHING
  const columns = useMemo(
    () =>
      helper.columns([
        helper.accessor('offeredAtMs', { header: 'Offered', cell: (c) => format(c.getValue(), 'd MMM HH:mm:ss') }),
        helper.accessor((r) => r.queue ?? 'Dialled', { id: 'queue', header: 'Queue' }),
        helper.accessor(callerOf, { id: 'customer', header: 'Caller' }),
        helper.accessor((r) => (r.number === null ? 'withheld' : written(r.number)), { id: 'number', header: 'Number' }),
        helper.accessor((r) => r.agents.map((l) => l.agent).join(', '), { id: 'agent', header: 'Agent' }),
        helper.accessor(waitedMs, { id: 'wait', header: 'Waited', cell: (c) => formatClock(c.getValue()) }),
        helper.accessor(talkedMs, { id: 'talk', header: 'Talked', cell: (c) => formatClock(c.getValue()) }),
        helper.accessor((r) => (r.outcome === null ? resultWords(r.result) : outcomeLabel(centre, r)), { id: 'outcome', header: 'Outcome' }),
      ]),
    [centre, written],
  )
  // Sorted and cut to a page where the calls are kept.
  const table = useTable({ features, columns, data: page.rows as CallRecord[], manualSorting: true, state: { sorting }, onSortingChange: setSorting })
  const rows = table.getRowModel().rows
  const scroller = useRef<HTMLDivElement>(null)
  const scrolls = usePlaceKept('calls', scroller)
  const isPrinting = useIsPrinting()
  const virtual = useVirtualizer({ count: page.found, getScrollElement: () => scroller.current, estimateSize: () => ROW_PX, overscan: 12 })
  const router = useRouter()
  const items = virtual.getVirtualItems()
  const first = items[0]?.index ?? 0
  const keys = useLongRowKeys({
    scroller,
    count: page.found,
    page: Math.floor(SCROLLER_PX / ROW_PX),
    firstDrawn: first,
    lastDrawn: items.at(-1)?.index ?? 0,
    scrollTo: (index) => virtual.scrollToIndex(index),
    names: page.rows.map(callerOf),
    namesFrom: page.from,
  })
  const drawn = isPrinting ? rows.map((_, i) => ({ index: page.from + i, start: 0 })) : items
  // Followed while it is drawn: the rows of the next page are asked for before the last of this one is reached.
  const looked = Math.floor(first / PAGE)
  if (looked !== pageNo) setPageNo(looked)

  return (
    <section aria-label="Calls">
      <div className="flex flex-wrap items-end gap-3">
        <h2 className="mr-auto self-center font-semibold text-lg">
          Calls <span className="font-normal text-soft text-sm">{page.found === page.all ? page.all : `${page.found} of ${page.all}`}</span>
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
            <option key={q.id} value={q.id}>
              {q.name}
            </option>
          ))}
          <option value="dialled">Dialled by us</option>
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
      <p className="hidden print:block">
        {rows.length === page.found
          ? `All ${page.found} calls are on this paper.`
          : `Calls ${page.from + 1} to ${page.from + rows.length} of ${page.found.toLocaleString('en-GB')} are on this paper; Save as a file has all of them.`}
      </p>
      <div role="table" aria-label="Calls" aria-rowcount={page.found + 1} className="mt-2 overflow-x-auto border-line-strong border-y print:overflow-visible">
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
                <button type="button" className="eyebrow min-h-6 min-w-6 truncate text-left" onClick={header.column.getToggleSortingHandler()}>
                  {String(header.column.columnDef.header)}
                  <span aria-hidden>{sorted === false ? '' : sorted === 'asc' ? ' ↑' : ' ↓'}</span>
                </button>
              </span>
            )
          })}
        </div>
        <div
          ref={scrolls}
          className={value !== null && page.found === 0 ? 'hidden' : 'h-[24rem] overflow-auto bg-raised print:h-auto print:overflow-visible'}
          role="rowgroup"
          onKeyDown={keys.onKeyDown}
          aria-label="Calls, scrollable"
        >
          <div className="relative" style={isPrinting ? {} : { height: virtual.getTotalSize() }}>
            {drawn.map((item) => {
              const row = rows[item.index - page.from]
              if (row === undefined) return null
              const href = `/results/call/${row.original.callId}`
              return (
                <div
                  key={row.id}
                  role="row"
                  {...keys.row(item.index)}
                  aria-rowindex={item.index + 2}
                  onClick={() => router.push(href)}
                  onKeyDown={(e) => e.key === 'Enter' && router.push(href)}
                  className={`${GRID} ${isPrinting ? 'break-inside-avoid' : 'absolute inset-x-0'} cursor-pointer items-center border-line border-b hover:bg-green-wash focus-visible:bg-green-wash focus-visible:-outline-offset-3`}
                  style={isPrinting ? {} : { height: ROW_PX, transform: `translateY(${item.start}px)` }}
                  data-href={href}
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
      {value !== null && page.found === 0 && (
        <p className="p-4 text-soft">{page.all === 0 ? 'No calls in this span.' : 'No call fits the search. Clear it to see all.'}</p>
      )}
      {problem !== null && <Problem className="p-4">The calls could not be read: {problem}. Reload the page to try again.</Problem>}
    </section>
  )
}

const callerOf = (call: CallRecord) => call.customer ?? 'Not known'

const TABULAR = new Set(['offeredAtMs', 'number', 'wait', 'talk'])
