'use client'
// The records of a campaign: found by a few letters or digits, however many there are; only those in view are drawn. One opens with every try and what comes
// next, and why; those that are done may be put back.
import { useVirtualizer } from '@tanstack/react-virtual'
import { format } from 'date-fns'
import { type ComponentProps, useCallback, useDeferredValue, useEffect, useRef, useState } from 'react'
import { RECORD_STATES, type RecordState } from '@/core/campaigns'
import type { CampaignId } from '@/core/ids'
import { Button, SelectField, TextField, useLongRowKeys } from '@/parts/ui'
import { ATTEMPT_WORDS, numberWords, RECORD_STATE_WORDS, useNumberWords } from '@/parts/words'
import type { RecordRow, RecordsPage } from '@/services/lists/client'
import { useAskedLists } from '@/services/lists/react'
import { ExportMenu } from './export-menu'
import { ImportDialog } from './import-dialog'
import { nextWords } from './next-words'
import { OneRecordDialog } from './one-record'
import { PutBackDialog } from './put-back'

interface Props {
  readonly campaignId: CampaignId
  readonly state: RecordState | null
  readonly onState: (state: RecordState | null) => void
}

const ROW_PX = 36
const PAGE = 60

export function Records({ campaignId, state, onState }: Props) {
  const [typed, setTyped] = useState('')
  const search = useDeferredValue(typed)
  const [from, setFrom] = useState(0)
  const [open, setOpen] = useState<string | null>(null)
  const [putsBack, setPutsBack] = useState(false)
  const [imports, setImports] = useState(false)
  useNumberWords()
  // biome-ignore lint/correctness/useExhaustiveDependencies: another question begins at its first row
  useEffect(() => setFrom(0), [search, state])
  const { latest: value, problem } = useAskedLists(
    useCallback((api) => api.page({ campaignId, search, state, from, atMost: PAGE }), [campaignId, search, state, from]),
  )
  return (
    <section aria-label="Records" className="mt-6">
      <div className="flex flex-wrap items-end gap-3">
        <h2 className="mr-2 self-center font-semibold text-lg">Records</h2>
        <TextField label="Find by name, number or key" className="w-72" value={typed} onChange={(e) => setTyped(e.target.value)} />
        <SelectField
          label="Where they stand"
          className="w-52"
          value={state ?? ''}
          onChange={(e) => onState(e.target.value === '' ? null : (e.target.value as RecordState))}
        >
          <option value="">Anywhere</option>
          {RECORD_STATES.filter((s) => s !== 'waitingForHours').map((s) => (
            <option key={s} value={s}>
              {RECORD_STATE_WORDS[s]}
            </option>
          ))}
        </SelectField>
        <span role="status" className="pb-1.5 text-soft">
          {value === null ? 'Looking…' : value.found === 1 ? '1 record' : `${value.found.toLocaleString('en-GB')} records`}
        </span>
        <span className="ml-auto flex gap-2">
          <ExportMenu campaignId={campaignId} />
          <Button onClick={() => setImports(true)}>Import a list…</Button>
          <Button onClick={() => setPutsBack(true)}>Put back…</Button>
        </span>
      </div>
      {problem !== null && <p className="mt-2 text-red">The records could not be read: {problem}</p>}
      {value !== null &&
        (value.found === 0 ? (
          <p className="mt-3 text-soft">Nobody of the list fits that. Try fewer letters, or another state.</p>
        ) : (
          <Rows page={value} from={from} onFrom={setFrom} onOpen={setOpen} />
        ))}
      {open !== null && <OneRecordDialog recordId={open} onClose={() => setOpen(null)} />}
      {imports && <ImportDialog campaignId={campaignId} onClose={() => setImports(false)} />}
      {putsBack && <PutBackDialog campaignId={campaignId} onClose={() => setPutsBack(false)} />}
    </section>
  )
}

interface RowsProps {
  readonly page: RecordsPage
  readonly from: number
  readonly onFrom: (from: number) => void
  readonly onOpen: (recordId: string) => void
}

const HEADINGS = ['Person', 'Number', 'Where it stands', 'Tries', 'Last', 'Next'] as const
const GRID = 'grid grid-cols-[minmax(10rem,1.2fr)_10.625rem_minmax(9.375rem,1fr)_3.5rem_minmax(9.375rem,1fr)_minmax(10.625rem,1.4fr)] gap-x-3'

/** As high as all of them would be; only a page around what is in view is there. */
function Rows({ page, from, onFrom, onOpen }: RowsProps) {
  const scroller = useRef<HTMLDivElement>(null)
  const virtual = useVirtualizer({ count: page.found, getScrollElement: () => scroller.current, estimateSize: () => ROW_PX, overscan: 8 })
  const items = virtual.getVirtualItems()
  const [first, last] = [items[0]?.index ?? 0, items.at(-1)?.index ?? 0]
  const keys = useLongRowKeys({
    scroller,
    count: page.found,
    page: 10,
    firstDrawn: first,
    lastDrawn: last,
    scrollTo: (index) => virtual.scrollToIndex(index),
    names: page.rows.map((row) => row.person),
    namesFrom: from,
  })
  useEffect(() => {
    if (first < from || last >= from + PAGE) onFrom(Math.max(0, first - Math.floor(PAGE / 4)))
  }, [first, last, from, onFrom])
  return (
    <div role="table" aria-label="Records" aria-rowcount={page.found} className="mt-2">
      <div role="rowgroup">
        <div role="row" className={`${GRID} border-line-strong border-b pr-3`}>
          {HEADINGS.map((heading) => (
            <span role="columnheader" key={heading} className="eyebrow py-1">
              {heading}
            </span>
          ))}
        </div>
      </div>
      <div ref={scroller} role="rowgroup" onKeyDown={keys.onKeyDown} className="max-h-[26.25rem] overflow-auto -outline-offset-2">
        <div className="relative" style={{ height: virtual.getTotalSize() }}>
          {items.map(({ index, start }) => {
            const row = page.rows[index - from]
            return (
              <div
                key={index}
                role="row"
                aria-rowindex={index + 1}
                className={`${GRID} absolute inset-x-0 items-center border-line border-b`}
                style={{ height: ROW_PX, transform: `translateY(${start}px)` }}
              >
                {row === undefined ? <span className="text-soft">…</span> : <Cells row={row} keys={keys.row(index)} onOpen={onOpen} />}
              </div>
            )
          })}
        </div>
      </div>
    </div>
  )
}

function Cells({ row, keys, onOpen }: { row: RecordRow; keys: ComponentProps<'button'>; onOpen: (recordId: string) => void }) {
  const { standing, lastResult, lastLabel, lastAtMs } = row
  return (
    <>
      <span role="cell" className="min-w-0">
        <button
          type="button"
          {...keys}
          onClick={() => onOpen(row.recordId)}
          className="max-w-full truncate text-left underline decoration-line-strong underline-offset-2"
          title={row.person}
        >
          {row.person}
        </button>
      </span>
      <span role="cell" className="tabular truncate">
        {numberWords(row.number)}
      </span>
      <span role="cell" className="truncate">
        {RECORD_STATE_WORDS[standing.state]}
      </span>
      <span role="cell" className="tabular">
        {row.tries}
      </span>
      <span role="cell" className="truncate text-soft" title={lastResult === null ? '' : (lastLabel ?? ATTEMPT_WORDS[lastResult])}>
        {lastAtMs === null ? 'never' : `${format(lastAtMs, 'd MMM HH:mm')}, ${lastLabel ?? (lastResult === null ? 'under way' : ATTEMPT_WORDS[lastResult])}`}
      </span>
      <span role="cell" className="truncate text-soft" title={standing.why}>
        {nextWords(standing)}
      </span>
    </>
  )
}
