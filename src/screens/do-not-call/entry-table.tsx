'use client'
import { useId, useState } from 'react'
import { type DoNotCallEntry, keyOf, labelOfWhom, type Whom } from '@/core/do-not-call'
import { Button, type Column, inZone, nameIn, Problem, Table } from '@/parts/ui'
import { useNumberWords } from '@/parts/words'
import type { DoNotCallPage, SeatView } from '@/services/exchange/protocol'

interface Props {
  readonly page: DoNotCallPage | null
  readonly search: string
  readonly onSearch: (text: string) => void
  readonly onMore: () => void
  readonly seats: readonly SeatView[]
  readonly timeZone: string
  readonly mayTakeOut: boolean
  /** A file is being taken in; what is shown is from before. */
  readonly isChanging: boolean
  readonly onTakeOut: (whom: Whom, why: string) => Promise<boolean>
}

export function EntryTable({ page, search, onSearch, onMore, seats, timeZone, mayTakeOut, isChanging, onTakeOut }: Props) {
  const id = useId()
  const [open, setOpen] = useState<string | null>(null)
  const written = useNumberWords()
  const labelOf = (whom: Whom) => ('number' in whom ? written(whom.number) : labelOfWhom(whom))
  const takeOut = async (whom: Whom, why: string) => {
    if (await onTakeOut(whom, why)) setOpen(null)
  }
  // The list is long and in an order of its own: what is shown is a page of it, which is not sorted apart.
  const columns: readonly Column<DoNotCallEntry>[] = [
    {
      id: 'whom',
      heading: 'Whom',
      width: 'w-[13.125rem]',
      isName: true,
      cell: ({ whom }) => (
        <>
          <span className={'number' in whom ? 'tabular' : ''}>{labelOf(whom)}</span>
          <span className="block font-normal text-soft">{'number' in whom ? (whom.name ?? 'this number') : 'every number of theirs'}</span>
        </>
      ),
    },
    { id: 'why', heading: 'Reason', cell: (entry) => entry.why },
    { id: 'since', heading: 'Since', width: 'w-[11rem]', className: 'tabular', cell: (entry) => inZone(entry.sinceMs, timeZone, 'd MMM yyyy HH:mm') },
    { id: 'by', heading: 'By', width: 'w-[9.375rem]', cell: (entry) => entry.listedBy ?? nameIn(seats, entry.byAgentId) },
    {
      id: 'acts',
      heading: '',
      width: 'w-[5.625rem]',
      align: 'right',
      cell: ({ whom }) => {
        const isOpen = open === keyOf(whom)
        return (
          <Button disabled={!mayTakeOut} aria-expanded={isOpen} aria-label={`Take out ${labelOf(whom)}`} onClick={() => setOpen(isOpen ? null : keyOf(whom))}>
            Take out
          </Button>
        )
      },
    },
  ]
  return (
    <section aria-label="Entries" className="mt-3">
      <label htmlFor={id} className="font-semibold">
        Search
      </label>
      <input
        id={id}
        type="search"
        value={search}
        placeholder="A number in any form, a name, a word of the reason"
        onChange={(e) => onSearch(e.target.value)}
        className="ml-2 h-8 w-96 max-w-full rounded-sm max-md:ml-0 border border-line-strong bg-raised px-2"
      />
      {page === null && (
        <p role="status" className="mt-4 text-soft">
          Reading the list…
        </p>
      )}
      {page?.found === 0 && (
        <p className="mt-4 font-serif text-[1.0625rem] text-soft leading-7">
          {isChanging
            ? 'A file is being taken in. The list is shown when that is done.'
            : search.trim() === ''
              ? 'Nobody is on the list.'
              : `Nothing on the list has “${search.trim()}” in it.`}
        </p>
      )}
      {page !== null && page.found > 0 && (
        <Table
          className="mt-3"
          columns={columns}
          rows={page.entries}
          keyOf={(entry) => keyOf(entry.whom)}
          below={(entry) => (open === keyOf(entry.whom) ? <TakeOut label={labelOf(entry.whom)} onTakeOut={(why) => takeOut(entry.whom, why)} /> : null)}
        />
      )}
      {page !== null && page.entries.length < page.found && (
        <p className="mt-3 text-soft">
          {page.entries.length} of {page.found} are shown. <Button onClick={onMore}>Show more</Button>
        </p>
      )}
    </section>
  )
}

/** Asks why, and takes the entry out. */
function TakeOut({ label, onTakeOut }: { label: string; onTakeOut: (why: string) => void }) {
  const [why, setWhy] = useState('')
  const [lacksReason, setLacksReason] = useState(false)
  return (
    <form
      className="flex flex-wrap items-center gap-2 border-red border-l-4 pl-3"
      onSubmit={(e) => {
        e.preventDefault()
        setLacksReason(why.trim() === '')
        if (why.trim() !== '') onTakeOut(why)
      }}
    >
      <label className="flex flex-1 items-center gap-2">
        <span className="font-semibold">Reason for taking out</span>
        <input
          className="h-8 min-w-0 flex-1 rounded-sm border border-line-strong bg-raised px-2 aria-invalid:border-2 aria-invalid:border-red"
          value={why}
          onChange={(e) => {
            setWhy(e.target.value)
            setLacksReason(false)
          }}
        />
      </label>
      <Button type="submit" tone="loss">
        Take {label} out
      </Button>
      {lacksReason && (
        <Problem of="Reason for taking out" className="w-full">
          No reason is given. Write why they may be called again; it is kept.
        </Problem>
      )}
    </form>
  )
}
