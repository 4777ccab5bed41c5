'use client'
// Set-up: the rules of the centre as tables that are read across, edited in forms, checked, and put into use as a whole. A draft
// lives in this page until then; files go out and come in as JSON that follows the published schema.
import { useState } from 'react'
import { toAgentId, toQueueId } from '@/core/ids'
import { type AgentSetUp, checkSetUp, type QueueSetUp, type SetUp } from '@/core/set-up'
import type { FloorView } from '@/exchange/protocol'
import { useCommand } from '@/exchange/react'
import { Button } from '@/ui'
import { AgentEditor } from './agent-editor'
import { AgentsTable } from './agents-table'
import { Checks } from './checks'
import { named, newAgent, newQueue, useSetUpInUse, withItem } from './draft'
import { Files } from './files'
import { readSetUp } from './import'
import { Lists } from './lists'
import { ListsEditor } from './lists-editor'
import { type Owner, OwnerPanel } from './owner'
import { QueueEditor } from './queue-editor'
import { QueuesTable } from './queues-table'

type Editing =
  | { readonly what: 'queue'; readonly queue: QueueSetUp }
  | { readonly what: 'agent'; readonly agent: AgentSetUp }
  | { readonly what: 'lists' }
  | null

export function SetUpScreen({ view }: { view: FloorView }) {
  const command = useCommand()
  const inUse = useSetUpInUse(view.centre.revision)
  const [draft, setDraft] = useState<SetUp | null>(null)
  const [owner, setOwner] = useState<Owner | null>(null)
  const [editing, setEditing] = useState<Editing>(null)
  const [problems, setProblems] = useState<readonly string[]>([])
  const [said, setSaid] = useState('')
  if (inUse === null)
    return (
      <p role="status" className="px-6 py-10 text-soft">
        Reading the set-up…
      </p>
    )
  const setUp = draft ?? inUse
  const findings = checkSetUp(setUp)
  const errors = findings.filter((f) => f.grade === 'error')

  const change = (next: SetUp) => {
    setDraft(next)
    setProblems([])
    setSaid('')
  }
  const putIntoUse = async () => {
    if (owner === null || draft === null) return
    const reply = await command({ kind: 'changeSetUp', agentId: owner.agentId, pin: owner.pin, setUp: draft })
    if (!reply.ok) return setProblems([`${reply.refusal.says} ${reply.refusal.next}`])
    setDraft(null)
    setProblems([])
    setSaid('The set-up is in use on the floor.')
  }
  const storm = async (queue: QueueSetUp, on: boolean) => {
    if (owner === null) return
    const reply = await command({ kind: 'switchStorm', agentId: owner.agentId, pin: owner.pin, queueId: queue.id, on })
    setProblems(reply.ok ? [] : [`${reply.refusal.says} ${reply.refusal.next}`])
    if (reply.ok) setSaid(on ? `${queue.name} is switched to storm.` : `${queue.name} is as usual again.`)
  }
  const imported = async (file: File) => {
    const read = readSetUp(await file.text())
    if (!read.ok) return setProblems(read.problems)
    change(read.setUp)
    setSaid(`${file.name} was read. Look at it, then put it into use.`)
  }

  return (
    <main className="mx-auto grid max-w-[1400px] grid-cols-[minmax(0,1fr)_280px] gap-x-8 px-6 py-5">
      <div className="min-w-0">
        <h1 className="mb-3 font-semibold text-2xl">Set-up</h1>
        <QueuesTable
          setUp={setUp}
          views={view.queues}
          mayChange={owner !== null}
          onEdit={(queue) => setEditing({ what: 'queue', queue })}
          onAdd={() => setEditing({ what: 'queue', queue: newQueue(setUp) })}
          onStorm={(queue, on) => void storm(queue, on)}
        />
        <AgentsTable
          setUp={setUp}
          mayChange={owner !== null}
          onEdit={(agent) => setEditing({ what: 'agent', agent })}
          onAdd={() => setEditing({ what: 'agent', agent: newAgent() })}
        />
        <Lists setUp={setUp} mayChange={owner !== null} onEdit={() => setEditing({ what: 'lists' })} />
      </div>
      <aside aria-label="Changing and checks" className="space-y-5 border-line border-l pl-6">
        <OwnerPanel setUp={inUse} owner={owner} onOwner={setOwner} />
        <section aria-label="Draft" className="border-line border-t pt-4">
          <h2 className="font-semibold text-lg">{draft === null ? 'As it is in use' : 'Changed, not in use yet'}</h2>
          <div className="mt-2 flex gap-2">
            <Button tone="primary" disabled={owner === null || draft === null || errors.length > 0} onClick={() => void putIntoUse()}>
              Put into use
            </Button>
            <Button disabled={draft === null} onClick={() => setDraft(null)}>
              Discard
            </Button>
          </div>
          <p role="status" className="mt-2 text-green">
            {said}
          </p>
          {problems.length > 0 && (
            <ul role="alert" className="mt-2 space-y-1">
              {problems.map((says) => (
                <li key={says} className="border-red border-l-4 pl-2 text-red">
                  {says}
                </li>
              ))}
            </ul>
          )}
        </section>
        <Checks findings={findings} />
        <Files setUp={setUp} mayChange={owner !== null} onFile={(file) => void imported(file)} />
      </aside>
      {editing?.what === 'queue' && (
        <QueueEditor
          queue={editing.queue}
          setUp={setUp}
          onClose={() => setEditing(null)}
          onSave={(queue) => change({ ...setUp, queues: withItem(setUp.queues, named(queue, 'queue', toQueueId)) })}
        />
      )}
      {editing?.what === 'agent' && (
        <AgentEditor
          agent={editing.agent}
          setUp={setUp}
          onClose={() => setEditing(null)}
          onSave={(agent) => change({ ...setUp, agents: withItem(setUp.agents, named(agent, 'agent', toAgentId)) })}
        />
      )}
      {editing?.what === 'lists' && <ListsEditor setUp={setUp} onClose={() => setEditing(null)} onSave={(lists) => change({ ...setUp, ...lists })} />}
    </main>
  )
}
