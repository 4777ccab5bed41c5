'use client'
import { useId, useState } from 'react'
import { type DoNotCallEntry, keyOf, labelOfWhom, type Whom } from '@/core/do-not-call'
import type { DoNotCallPage, SeatView } from '@/exchange/protocol'
import { Button, inZone, nameIn, TableHead } from '@/ui'
import { useNumberWords } from '@/words'

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
        className="ml-2 h-8 w-96 rounded-sm border border-line-strong bg-raised px-2"
      />
      {page === null && (
        <p role="status" className="mt-4 text-soft">
          Reading the list…
        </p>
      )}
      {page?.found === 0 && (
        <p className="mt-4 font-serif text-[17px] text-soft leading-7">
          {isChanging
            ? 'A file is being taken in. The list is shown when that is done.'
            : search.trim() === ''
              ? 'Nobody is on the list.'
              : `Nothing on the list has “${search.trim()}” in it.`}
        </p>
      )}
      {page !== null && page.found > 0 && (
        <table className="mt-3 w-full table-fixed">
          <TableHead headings={HEADINGS} />
          <tbody>
            {page.entries.map((entry) => (
              <Entry
                key={keyOf(entry.whom)}
                entry={entry}
                by={entry.listedBy ?? nameIn(seats, entry.byAgentId)}
                since={inZone(entry.sinceMs, timeZone, 'd MMM yyyy HH:mm')}
                mayTakeOut={mayTakeOut}
                open={open === keyOf(entry.whom)}
                onOpen={(on) => setOpen(on ? keyOf(entry.whom) : null)}
                onTakeOut={onTakeOut}
              />
            ))}
          </tbody>
        </table>
      )}
      {page !== null && page.entries.length < page.found && (
        <p className="mt-3 text-soft">
          {page.entries.length} of {page.found} are shown. <Button onClick={onMore}>Show more</Button>
        </p>
      )}
    </section>
  )
}

const HEADINGS = [
  ['Whom', 'w-[210px]'],
  ['Reason', ''],
  ['Since', 'w-[176px]'],
  ['By', 'w-[150px]'],
  ['', 'w-[90px]'],
] as const

interface EntryProps {
  readonly entry: DoNotCallEntry
  readonly by: string
  readonly since: string
  readonly mayTakeOut: boolean
  readonly open: boolean
  readonly onOpen: (open: boolean) => void
  readonly onTakeOut: Props['onTakeOut']
}

function Entry({ entry, by, since, mayTakeOut, open, onOpen, onTakeOut }: EntryProps) {
  const [why, setWhy] = useState('')
  const written = useNumberWords()
  const isNumber = 'number' in entry.whom
  const label = 'number' in entry.whom ? written(entry.whom.number) : labelOfWhom(entry.whom)
  return (
    <>
      <tr className={open ? 'align-top' : 'border-line border-b align-top'}>
        <th scope="row" className="break-words py-2 pr-3 text-left">
          <span className={isNumber ? 'tabular' : ''}>{label}</span>
          <span className="block font-normal text-soft">{'number' in entry.whom ? (entry.whom.name ?? 'this number') : 'every number of theirs'}</span>
        </th>
        <td className="break-words py-2 pr-3">{entry.why}</td>
        <td className="tabular py-2 pr-3">{since}</td>
        <td className="py-2 pr-3">{by}</td>
        <td className="py-1.5 text-right">
          <Button disabled={!mayTakeOut} aria-expanded={open} aria-label={`Take out ${label}`} onClick={() => onOpen(!open)}>
            Take out
          </Button>
        </td>
      </tr>
      {open && (
        <tr className="border-line border-b">
          <td colSpan={5} className="pb-3">
            <form
              className="flex items-center gap-2 border-red border-l-4 pl-3"
              onSubmit={(e) => {
                e.preventDefault()
                void onTakeOut(entry.whom, why).then((done) => done && onOpen(false))
              }}
            >
              <label className="flex flex-1 items-center gap-2">
                <span className="font-semibold">Reason for taking out</span>
                <input
                  className="h-8 min-w-0 flex-1 rounded-sm border border-line-strong bg-raised px-2"
                  value={why}
                  onChange={(e) => setWhy(e.target.value)}
                />
              </label>
              <Button type="submit" tone="loss">
                Take {label} out
              </Button>
            </form>
          </td>
        </tr>
      )}
    </>
  )
}
