'use client'
// People: colleagues, shared people and one's own, found as one types; whoever is in front stands beside the list with everything about them.
import { useSearchParams } from 'next/navigation'
import { useDeferredValue, useEffect, useState } from 'react'
import type { Change, PeopleSort } from '@/core/people'
import { PeoplePlaces } from '@/parts/frame'
import { Button, ListBeside, Problem, SelectField, TextField, useDraft } from '@/parts/ui'
import { useNumberWords } from '@/parts/words'
import type { PersonView } from '@/services/exchange/people'
import { useSeen } from '@/services/exchange/react'
import { Card } from './card'
import { ChosenBar } from './chosen-bar'
import { EditDialog, type Editing } from './edit-dialog'
import { ExportMenu } from './export-menu'
import { Groups } from './groups'
import { ImportDialog } from './import-dialog'
import { PeopleList } from './people-list'
import { useBook, usePeople } from './use-people'
import { useRecent } from './use-recent'

const AT_MOST = 20_000

interface Done {
  readonly says: string
  readonly undo: Change | null
}

export function PeopleScreen() {
  useNumberWords()
  const account = useSeen((view) => view.account)
  const asked = useSearchParams().get('find')
  // Whoever comes back finds what they sought.
  const [typed, setTyped] = useDraft('people sought', '')
  useEffect(() => {
    if (asked !== null) setTyped(asked)
  }, [asked, setTyped])
  const search = useDeferredValue(typed)
  const [group, setGroup] = useState('everybody')
  const [sort, setSort] = useState<PeopleSort>('name')
  const recent = useRecent()
  const page = usePeople({ search, group, sort, descending: false, from: 0, atMost: AT_MOST, recent })
  const [frontId, setFrontId] = useState<string | null>(null)
  const [chosenIds, setChosenIds] = useState<ReadonlySet<string>>(new Set())
  const [editing, setEditing] = useState<Editing | null>(null)
  const [imports, setImports] = useState(false)
  const [done, setDone] = useState<Done | null>(null)
  const [problem, setProblem] = useState<string | null>(null)
  const book = useBook()
  if (account === null) return null
  const keepsShared = account.may.includes('supervision') || account.may.includes('setUp')
  const rows = page?.rows ?? []
  const front = rows.find((p) => p.id === frontId) ?? null
  const chosen = rows.filter((p) => chosenIds.has(p.id))

  /** For dialogs, which say themselves why it is not done. */
  const tried = async (wanted: Change, says: string): Promise<string | null> => {
    const changed = await book.change(wanted)
    setProblem(null)
    setDone(changed.ok ? { says: `${says}${changed.kept ? '' : ' It is not on disk.'}`, undo: changed.undo } : null)
    return changed.ok ? null : changed.says
  }
  const change = async (wanted: Change, says: string): Promise<boolean> => {
    const refused = await tried(wanted, says)
    setProblem(refused)
    return refused === null
  }
  const undo = async () => {
    if (done?.undo == null) return
    const back = await book.change(done.undo)
    setProblem(back.ok ? null : back.says)
    if (back.ok) setDone({ says: 'It is as it was.', undo: null })
  }
  const open = (person: PersonView | null) => setEditing({ person, ownerId: keepsShared && person === null ? null : account.id })

  return (
    <>
      <PeoplePlaces here="/people" />
      <main className="flex min-h-0 flex-1 flex-col">
        <ListBeside
          name="people"
          accountId={account.id}
          label="Card"
          px={420}
          list={
            <>
              <div className="flex flex-wrap items-end gap-3">
                <h1 className="mr-2 self-center font-semibold text-2xl">People</h1>
                <TextField
                  label="Find somebody"
                  className="min-w-52 flex-1"
                  type="search"
                  value={typed}
                  autoComplete="off"
                  placeholder="Name, number, company, group"
                  title="Also by the keys of a telephone: 5378 finds Kester"
                  onChange={(e) => setTyped(e.target.value)}
                />
                <SelectField label="Sorted by" className="w-28" value={sort} onChange={(e) => setSort(e.target.value as PeopleSort)}>
                  <option value="name">Name</option>
                  <option value="number">Number</option>
                  <option value="group">Group</option>
                </SelectField>
                <Button tone="primary" onClick={() => open(null)}>
                  Add somebody
                </Button>
                <Button onClick={() => setImports(true)}>Import…</Button>
                <ExportMenu asked={{ search, group, sort, descending: false, recent }} book={book} />
              </div>
              <Groups groups={page?.groups ?? []} group={group} onGroup={setGroup} />
              <div className="flex min-h-8 flex-wrap items-center gap-3">
                <p role="status" className="text-soft">
                  {page === null ? 'Looking…' : foundWords(page.found, search)}
                </p>
                {done !== null && (
                  <p role="status" className="flex items-center gap-2 text-green">
                    {done.says}
                    {done.undo !== null && (
                      <Button className="!h-6" onClick={() => void undo()}>
                        Undo
                      </Button>
                    )}
                  </p>
                )}
                {problem !== null && <Problem>{problem}</Problem>}
                {chosen.length > 0 && <ChosenBar chosen={chosen} keepsShared={keepsShared} onChange={change} onClear={() => setChosenIds(new Set())} />}
              </div>
              <PeopleList
                people={rows}
                frontId={frontId}
                onFront={setFrontId}
                chosenIds={chosenIds}
                onChosen={setChosenIds}
                empty={page === null ? '' : emptyWords(group, search)}
              />
            </>
          }
          beside={
            front === null ? (
              <p className="px-5 py-6 font-serif text-[1.0625rem] text-soft leading-7">
                Whoever you choose in the list stands here, with what is known of them.
              </p>
            ) : (
              <Card
                key={front.id}
                person={front}
                keepsShared={keepsShared}
                book={book}
                onEdit={() => open(front)}
                onChange={change}
                onFind={(name) => {
                  setGroup('everybody')
                  setTyped(name)
                }}
              />
            )
          }
        />
        {editing !== null && (
          <EditDialog
            editing={editing}
            keepsShared={keepsShared}
            accountId={account.id}
            onChange={tried}
            onClose={() => setEditing(null)}
            onFront={setFrontId}
          />
        )}
        {imports && <ImportDialog keepsShared={keepsShared} accountId={account.id} book={book} onChange={tried} onClose={() => setImports(false)} />}
      </main>
    </>
  )
}

const foundWords = (found: number, search: string): string =>
  `${found === 1 ? '1 person' : `${found.toLocaleString('en-GB')} people`}${search.trim() === '' ? '' : ` with “${search.trim()}”`}`

function emptyWords(group: string, search: string): string {
  if (search.trim() !== '') return `Nobody here has “${search.trim()}” in name, number, company or group.`
  if (group === 'favourites') return 'Nobody is a favourite yet. The star on a card makes somebody one.'
  if (group === 'mine') return 'You have nobody of your own yet. Add somebody, or import a file.'
  if (group === 'recent') return 'You have spoken with nobody of this list lately.'
  return 'Nobody is here.'
}
