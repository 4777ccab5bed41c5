'use client'
// Set-up: the rules of the centre as tables that are read across, edited in forms, checked, and put into use as a whole. A draft
// lives in this page until then; files go out and come in as JSON that follows the published schema.
import { useSearchParams } from 'next/navigation'
import { useEffect, useState } from 'react'
import { toAgentId, toQueueId } from '@/core/ids'
import { type AgentSetUp, checkSetUp, type QueueSetUp } from '@/core/set-up'
import { useSought } from '@/parts/ui'
import { useNumberWords } from '@/parts/words'
import type { FloorView, SetUpInUse } from '@/services/exchange/protocol'
import { useCommand } from '@/services/exchange/react'
import { AgentEditor } from './agent-editor'
import { AgentsTable } from './agents-table'
import { Checks } from './checks'
import { named, newAgent, newQueue, withItem } from './draft'
import { DraftPanel, goOnToUse, useSetUpDraft } from './draft-panel'
import { holdPin } from './draft-store'
import { Files } from './files'
import { readSetUp } from './import'
import { Kept } from './kept'
import { Lists } from './lists'
import { ListsEditor } from './lists-editor'
import { SetUpPlaces } from './places'
import { QueueEditor } from './queue-editor'
import { QueuesTable } from './queues-table'
import { QuickTextsPart } from './quick-texts'

const hasPin = (inUse: SetUpInUse | null, id: AgentSetUp['id']): boolean =>
  (inUse?.setUp.agents.some((a) => a.id === id) ?? false) && !(inUse?.withoutPin.includes(id) ?? true)

type Editing =
  | (({ readonly what: 'queue'; readonly queue: QueueSetUp } | { readonly what: 'agent'; readonly agent: AgentSetUp } | { readonly what: 'lists' }) & {
      /** Name of the field that was meant. */ readonly field?: string | null
    })
  | null

export function SetUpScreen({ view }: { view: FloorView }) {
  const command = useCommand()
  const draft = useSetUpDraft(view.centre.revision)
  const [editing, setEditing] = useState<Editing>(null)
  const { setUp, change, say } = draft
  const sought = useSought('Find a queue or an account', (setUp?.queues.length ?? 0) + (setUp?.agents.length ?? 0), 'set-up sought')
  const asked = useSearchParams()
  const [what, field] = [asked.get('edit'), asked.get('field')]
  const isRead = setUp !== null
  // The forms show numbers as their country writes them: that is asked for before one is opened.
  const written = useNumberWords()
  useEffect(() => {
    for (const { number } of [...(setUp?.queues ?? []), ...(setUp?.agents ?? [])]) if (number !== '') written(number)
  }, [setUp, written])
  // Found by name: it is open, at the field that was meant.
  // biome-ignore lint/correctness/useExhaustiveDependencies: what is edited is what was asked for, once it is read
  useEffect(() => {
    if (setUp === null || what === null) return
    const queue = setUp.queues.find((q) => q.id === what)
    const agent = setUp.agents.find((a) => a.id === what)
    setEditing(
      queue !== undefined
        ? { what: 'queue', queue, field }
        : agent !== undefined
          ? { what: 'agent', agent, field }
          : what === 'lists'
            ? { what: 'lists', field }
            : null,
    )
    history.replaceState(history.state, '', location.pathname)
  }, [isRead, what, field])
  if (setUp === null)
    return (
      <p role="status" className="px-6 py-10 text-soft">
        Reading the set-up…
      </p>
    )
  const findings = checkSetUp(setUp)
  const storm = async (queue: QueueSetUp, on: boolean) => {
    const reply = await command({ kind: 'switchStorm', queueId: queue.id, on })
    if (!reply.ok) return say('', [`${reply.refusal.says} ${reply.refusal.next}`])
    say(on ? `${queue.name} is switched to storm.` : `${queue.name} is as usual again.`)
  }
  const imported = async (file: File) => {
    const read = readSetUp(await file.text())
    if (!read.ok) return say('', read.problems)
    change(read.setUp, `${file.name} was read. Look at it, then put it into use.`)
  }

  return (
    <>
      <SetUpPlaces here="rules" />
      <main className="mx-auto grid max-w-[87.5rem] max-lg:!grid-cols-[minmax(0,1fr)] grid-cols-[minmax(0,1fr)_17.5rem] gap-x-8 px-6 py-5">
        <div className="min-w-0">
          <div className="mb-3 flex flex-wrap items-end justify-between gap-x-6 gap-y-2">
            <h1 className="font-semibold text-2xl">Set-up</h1>
            {sought.field}
          </div>
          <QueuesTable
            setUp={setUp}
            isSought={sought.isSought}
            views={view.queues}
            onEdit={(queue) => setEditing({ what: 'queue', queue })}
            onAdd={() => setEditing({ what: 'queue', queue: newQueue(setUp) })}
            onStorm={(queue, on) => void storm(queue, on)}
          />
          <AgentsTable
            setUp={setUp}
            isSought={sought.isSought}
            onEdit={(agent) => setEditing({ what: 'agent', agent })}
            onAdd={() => setEditing({ what: 'agent', agent: newAgent() })}
          />
          <QuickTextsPart setUp={setUp} onSave={(part) => change({ ...setUp, ...part })} />
          <Lists setUp={setUp} onEdit={() => setEditing({ what: 'lists' })} />
        </div>
        <aside aria-label="Changing and checks" className="space-y-5 border-line border-l pl-6">
          <DraftPanel draft={draft} />
          <Checks findings={findings} />
          <Files setUp={setUp} onFile={(file) => void imported(file)} />
          <Kept setUp={setUp} mayForget={view.account.may.includes('forgetting')} />
        </aside>
        {editing?.what === 'queue' && (
          <QueueEditor
            queue={editing.queue}
            beginsAt={editing.field}
            setUp={setUp}
            onClose={() => setEditing(null)}
            onSave={(queue) => {
              change({ ...setUp, queues: withItem(setUp.queues, named(queue, 'queue', toQueueId)) })
              goOnToUse()
            }}
          />
        )}
        {editing?.what === 'agent' && (
          <AgentEditor
            agent={editing.agent}
            beginsAt={editing.field}
            hasPin={hasPin(draft.inUse, editing.agent.id)}
            setUp={setUp}
            onClose={() => setEditing(null)}
            onSave={(agent, pin) => {
              const account = named(agent, 'agent', toAgentId)
              change({ ...setUp, agents: withItem(setUp.agents, account) })
              if (pin !== '') holdPin(account.id, pin)
              goOnToUse()
            }}
          />
        )}
        {editing?.what === 'lists' && (
          <ListsEditor
            setUp={setUp}
            beginsAt={editing.field}
            onClose={() => setEditing(null)}
            onSave={(lists) => {
              change({ ...setUp, ...lists })
              goOnToUse()
            }}
          />
        )}
      </main>
    </>
  )
}
