'use client'
// The do-not-call list: search it, add to it, take out with a reason, bring a file in whole, and take the list away as one.
import { useRef, useState } from 'react'
import type { ReadEntry, Whom } from '@/core/do-not-call'
import type { Ask } from '@/core/floor'
import { PlaceLink, Problems } from '@/parts/ui'
import type { FloorView } from '@/services/exchange/protocol'
import { useCommand } from '@/services/exchange/react'
import { AddEntry } from './add-entry'
import { EntryTable } from './entry-table'
import { ListFiles } from './list-files'
import { useEntries } from './use-entries'
import { useImport } from './use-import'

export function DoNotCallScreen({ view }: { view: FloorView }) {
  const command = useCommand()
  const [search, setSearch] = useState('')
  const [problems, setProblems] = useState<readonly string[]>([])
  const [said, setSaid] = useState('')
  const { centre, seats, account, doNotCall } = view
  const { take, stop, progress } = useImport(centre.homeCountry)
  // While a file is taken in the list changes by the hundred: it is shown as it was until that is done.
  const shown = useRef(doNotCall.revision)
  if (progress === null) shown.current = doNotCall.revision
  const { page, more } = useEntries(search, shown.current)
  const mayTakeOut = account.may.includes('supervision')

  const give = async (asked: Ask, says: string): Promise<boolean> => {
    const reply = await command(asked)
    setProblems(reply.ok ? [] : [`${reply.refusal.says} ${reply.refusal.next}`])
    setSaid(reply.ok ? `${says}${reply.kept ? '' : ' It is not on disk.'}` : '')
    return reply.ok
  }
  const add = (entries: readonly ReadEntry[]) =>
    give({ kind: 'addDoNotCall', entries: [...entries] }, entries.length === 1 ? 'It is on the list.' : `${entries.length} entries are on the list.`)
  const bringIn = async (file: File) => {
    setSaid('')
    const taken = await take(file)
    setProblems(taken.ok ? [] : taken.problems)
    if (taken.ok)
      setSaid(`${taken.count} entries are on the list.${taken.stopped ? ' The rest of the file was not taken.' : ''}${taken.kept ? '' : ' It is not on disk.'}`)
  }
  const takeOut = (whom: Whom, why: string) => give({ kind: 'removeDoNotCall', whom, why }, 'It is off the list.')

  return (
    <>
      <nav aria-label="Under Callbacks" className="flex gap-4 border-line border-b bg-raised px-6">
        <PlaceLink href="/callbacks" isHere={false} className="-mb-px py-1.5">
          Callbacks and tasks
        </PlaceLink>
        <PlaceLink href="/do-not-call" isHere className="-mb-px py-1.5">
          Do-not-call list
        </PlaceLink>
      </nav>
      <main className="mx-auto grid max-w-[87.5rem] grid-cols-[minmax(0,1fr)_17.5rem] gap-x-8 px-6 py-5">
        <div className="min-w-0">
          <div className="flex items-baseline justify-between">
            <h1 className="font-semibold text-2xl">Do-not-call list</h1>
            <p className="text-soft">
              <span className="tabular text-ink">{doNotCall.count}</span> on it
            </p>
          </div>
          <p className="text-soft">
            Nobody here is dialled by hand, brought to a call, sent a caller or diverted to. A supervisor can let a single call be made.
          </p>
          <EntryTable
            page={page}
            search={search}
            onSearch={setSearch}
            onMore={more}
            seats={seats}
            timeZone={centre.timeZone}
            mayTakeOut={mayTakeOut}
            isChanging={progress !== null}
            onTakeOut={takeOut}
          />
        </div>
        <aside aria-label="Changing the list" className="space-y-5 border-line border-l pl-6">
          <p className="text-soft">
            Any account may add. {mayTakeOut ? 'Taking out needs a reason, which is kept.' : 'Taking out is for supervisors, and needs a reason.'}
          </p>
          <p role="status" className="text-green empty:hidden">
            {said}
          </p>
          <Problems label="What is wrong" className="max-h-64" problems={problems} />
          <AddEntry homeCountry={centre.homeCountry} people={centre.people} onAdd={add} />
          <ListFiles mayTake={mayTakeOut} seats={seats} importing={progress} onImport={(file) => void bringIn(file)} onStop={stop} />
        </aside>
      </main>
    </>
  )
}
