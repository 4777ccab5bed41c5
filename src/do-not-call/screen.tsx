'use client'
// The do-not-call list: search it, add to it, take out with a reason, bring a file in whole, and take the list away as one.
import { useState } from 'react'
import type { ReadEntry, Whom } from '@/core/do-not-call'
import type { AgentCommand } from '@/core/floor'
import type { FloorView } from '@/exchange/protocol'
import { useCommand } from '@/exchange/react'
import { type Owner, OwnerPanel, SetUpPlaces, useSetUpInUse } from '@/set-up'
import { Problems } from '@/ui'
import { AddEntry } from './add-entry'
import { EntryTable } from './entry-table'
import { ListFiles } from './list-files'
import { useEntries } from './use-entries'

export function DoNotCallScreen({ view }: { view: FloorView }) {
  const command = useCommand()
  const [owner, setOwner] = useState<Owner | null>(null)
  const [search, setSearch] = useState('')
  const [problems, setProblems] = useState<readonly string[]>([])
  const [said, setSaid] = useState('')
  const { page, more } = useEntries(search, view.promises.revision)
  const { centre, seats } = view
  const setUp = useSetUpInUse(centre.revision)

  const give = async (asked: AgentCommand, says: string): Promise<boolean> => {
    const reply = await command(asked)
    setProblems(reply.ok ? [] : [`${reply.refusal.says} ${reply.refusal.next}`])
    setSaid(reply.ok ? `${says}${reply.kept ? '' : ' It is not on disk.'}` : '')
    return reply.ok
  }
  const unsaid = async () => {
    setProblems(['Nobody has said who changes the list. Choose the account, type its PIN, then try again.'])
    return false
  }
  const add = (entries: readonly ReadEntry[]) =>
    owner === null
      ? unsaid()
      : give(
          { kind: 'addDoNotCall', agentId: owner.agentId, pin: owner.pin, entries },
          entries.length === 1 ? 'It is on the list.' : `${entries.length} entries are on the list.`,
        )
  const takeOut = (whom: Whom, why: string) =>
    owner === null ? unsaid() : give({ kind: 'removeDoNotCall', agentId: owner.agentId, pin: owner.pin, whom, why }, 'It is off the list.')

  return (
    <>
      <SetUpPlaces here="do-not-call" />
      <main className="mx-auto grid max-w-[1400px] grid-cols-[minmax(0,1fr)_280px] gap-x-8 px-6 py-5">
        <div className="min-w-0">
          <div className="flex items-baseline justify-between">
            <h1 className="font-semibold text-2xl">Do-not-call list</h1>
            <p className="text-soft">
              <span className="tabular text-ink">{view.promises.doNotCallCount}</span> on it
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
            mayTakeOut={owner !== null}
            onTakeOut={takeOut}
          />
        </div>
        <aside aria-label="Changing the list" className="space-y-5 border-line border-l pl-6">
          <OwnerPanel
            accounts={setUp?.agents.filter((a) => !a.retired).toSorted((a, b) => Number(b.role === 'supervisor') - Number(a.role === 'supervisor')) ?? []}
            words={WORDS}
            owner={owner}
            onOwner={setOwner}
          />
          <p role="status" className="text-green empty:hidden">
            {said}
          </p>
          <Problems label="What is wrong" className="max-h-64" problems={problems} />
          <AddEntry mayChange={owner !== null} homeCountry={centre.homeCountry} people={centre.people} onAdd={add} onProblem={(says) => setProblems([says])} />
          <ListFiles
            mayChange={owner !== null}
            homeCountry={centre.homeCountry}
            seats={seats}
            onAdd={add}
            onProblems={(found) => {
              setSaid('')
              setProblems(found)
            }}
          />
        </aside>
      </main>
    </>
  )
}

const WORDS = {
  about: 'Any account may add, with its PIN. Taking out is for supervisors, and needs a reason.',
  button: 'Change the list',
  demo: 'In this demonstration: Linnea Wickerby, 1290, is a supervisor; Eluned Tarnow, 2417, is an agent.',
} as const
