'use client'
// A changed set-up that lives in a page until it is put into use as a whole: who changes it, whether it is changed, and what was
// refused. Shared by the pages under Set-up.
import { useState } from 'react'
import { checkSetUp, type SetUp } from '@/core/set-up'
import { useCommand } from '@/exchange/react'
import { Button, Problems } from '@/ui'
import { useSetUpInUse } from './draft'
import { type Owner, OwnerPanel, ownersOf, SET_UP_WORDS } from './owner'

export interface SetUpDraft {
  /** As it would be put into use; null until the one in use has been read. */
  readonly setUp: SetUp | null
  readonly inUse: SetUp | null
  readonly changed: boolean
  readonly owner: Owner | null
  readonly setOwner: (owner: Owner | null) => void
  readonly change: (next: SetUp, says?: string) => void
  readonly discard: () => void
  /** Puts this one, or the draft, into use. True when the floor took it. */
  readonly putIntoUse: (setUp?: SetUp) => Promise<boolean>
  readonly say: (says: string, problems?: readonly string[]) => void
  readonly said: string
  readonly problems: readonly string[]
}

export function useSetUpDraft(revision: number): SetUpDraft {
  const command = useCommand()
  const inUse = useSetUpInUse(revision)
  const [draft, setDraft] = useState<SetUp | null>(null)
  const [owner, setOwner] = useState<Owner | null>(null)
  const [words, setWords] = useState<Pick<SetUpDraft, 'said' | 'problems'>>({ said: '', problems: [] })
  const say = (said: string, problems: readonly string[] = []) => setWords({ said, problems })
  return {
    ...{ setUp: draft ?? inUse, inUse, changed: draft !== null, owner, setOwner, say, ...words },
    change: (next, says = '') => {
      setDraft(next)
      say(says)
    },
    discard: () => setDraft(null),
    putIntoUse: async (setUp) => {
      const next = setUp ?? draft
      if (owner === null || next === null) return false
      const reply = await command({ kind: 'changeSetUp', agentId: owner.agentId, pin: owner.pin, setUp: next })
      if (reply.ok) setDraft(null)
      if (reply.ok) say('The set-up is in use on the floor.')
      else say('', [`${reply.refusal.says} ${reply.refusal.next}`])
      return reply.ok
    },
  }
}

export function DraftPanel({ draft }: { draft: SetUpDraft }) {
  const { setUp, inUse, owner, changed, said, problems } = draft
  const hasErrors = setUp !== null && checkSetUp(setUp).some((f) => f.grade === 'error')
  return (
    <>
      <OwnerPanel accounts={ownersOf(inUse?.agents ?? [])} words={SET_UP_WORDS} owner={owner} onOwner={draft.setOwner} />
      <section aria-label="Draft" className="border-line border-t pt-4">
        <h2 className="font-semibold text-lg">{changed ? 'Changed, not in use yet' : 'As it is in use'}</h2>
        <div className="mt-2 flex gap-2">
          <Button tone="primary" disabled={owner === null || !changed || hasErrors} onClick={() => void draft.putIntoUse()}>
            Put into use
          </Button>
          <Button disabled={!changed} onClick={draft.discard}>
            Discard
          </Button>
        </div>
        <p role="status" className="mt-2 text-green">
          {said}
        </p>
        <Problems className="mt-2 max-h-72" problems={problems} />
      </section>
    </>
  )
}
