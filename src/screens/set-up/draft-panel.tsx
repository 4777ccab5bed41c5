'use client'
// A changed set-up that is put into use as a whole: whether it is changed, what was refused, and what somebody else has changed meanwhile. Shared by
// the pages under Set-up.
import { useState } from 'react'
import { checkSetUp, rebaseSetUp, type SetUp } from '@/core/set-up'
import { Button, focusLater, PinField, Problem, Problems } from '@/parts/ui'
import type { SetUpInUse } from '@/services/exchange/protocol'
import { useCommand, useFloor, useSeen, useSetUpInUse } from '@/services/exchange/react'
import { forgetPin, forgetPins, holdDraft, newPins, useHeldDraft, useNewPins } from './draft-store'
import { useKeptDraft } from './kept-draft'

export interface SetUpDraft {
  /** As it would be put into use; null until the one in use has been read. */
  readonly setUp: SetUp | null
  readonly inUse: SetUpInUse | null
  readonly changed: boolean
  /** Somebody has put another set-up into use since this one was begun. */
  readonly moved: boolean
  readonly change: (next: SetUp, says?: string) => void
  readonly discard: () => void
  /** Puts this one, or the draft, into use. True when the floor took it. */
  readonly putIntoUse: (setUp?: SetUp) => Promise<boolean>
  /** What was changed here, brought over to what is in use now. */
  readonly bringOver: () => void
  readonly say: (says: string, problems?: readonly string[]) => void
  /** Where new PINs wait to be set: the present one of whoever gives them. */
  readonly ownPin: { readonly value: string; readonly problem: string | null; readonly onChange: (pin: string) => void } | null
  readonly said: string
  readonly problems: readonly string[]
}

export function useSetUpDraft(revision: number): SetUpDraft {
  const command = useCommand()
  const floor = useFloor()
  const inUse = useSetUpInUse(revision)
  const held = useHeldDraft()
  useKeptDraft()
  const pins = useNewPins()
  const signedIn = useSeen(({ account }) => account.id)
  const [shown, setShown] = useState('')
  const [pinProblem, setPinProblem] = useState<string | null>(null)
  const [words, setWords] = useState<Pick<SetUpDraft, 'said' | 'problems'>>({ said: '', problems: [] })
  const typeShown = (pin: string) => {
    setShown(pin)
    setPinProblem(null)
  }
  const say = (said: string, problems: readonly string[] = []) => setWords({ said, problems })

  /** PINs that were typed for accounts, once the accounts are in use; those that were refused wait where they were. Null when all are set. */
  const setPins = async (): Promise<string | null> => {
    // One's own comes last: until then the present one is what is shown.
    const given = [...newPins()].toSorted(([a], [b]) => Number(a === signedIn) - Number(b === signedIn))
    for (const [agentId, pin] of given) {
      const reply = await floor?.setPin(agentId, pin, shown)
      if (reply?.ok === false) {
        setShown('')
        return `${reply.refusal.says} ${reply.refusal.next}`
      }
      forgetPin(agentId)
    }
    setShown('')
    return null
  }
  return {
    setUp: held?.setUp ?? inUse?.setUp ?? null,
    inUse,
    changed: held !== null || pins.size > 0,
    say,
    ...words,
    ownPin: pins.size === 0 ? null : { value: shown, problem: pinProblem, onChange: typeShown },
    moved: held !== null && inUse !== null && held.basedOn !== inUse.revision,
    change: (next, says = '') => {
      if (inUse !== null) holdDraft({ base: held?.base ?? inUse.setUp, basedOn: held?.basedOn ?? inUse.revision, setUp: next })
      say(says)
    },
    discard: () => {
      holdDraft(null)
      forgetPins()
      setShown('')
      setPinProblem(null)
      say('')
    },
    bringOver: () => {
      if (held === null || inUse === null) return
      const { setUp, both } = rebaseSetUp(held.base, held.setUp, inUse.setUp)
      holdDraft({ setUp, base: inUse.setUp, basedOn: inUse.revision })
      say(
        both.length === 0
          ? 'Your changes stand beside theirs.'
          : `Both of you changed ${both.join(', ')}: yours stands. Look at it before you put it into use.`,
      )
    },
    putIntoUse: async (setUp) => {
      if (inUse === null) return false
      // PINs belong to the draft: what is put into use past it leaves them waiting.
      const withPins = setUp === undefined && pins.size > 0
      if (withPins && shown === '') {
        setPinProblem('Your own PIN is missing. Type it: a new PIN is given only by whoever shows theirs.')
        return false
      }
      setPinProblem(null)
      const next = setUp ?? held?.setUp ?? inUse.setUp
      const basedOn = setUp === undefined ? (held?.basedOn ?? inUse.revision) : inUse.revision
      const reply = await command({ kind: 'changeSetUp', setUp: next, basedOn })
      if (!reply.ok) {
        say('', [`${reply.refusal.says} ${reply.refusal.next}`])
        return false
      }
      if (setUp === undefined) holdDraft(null)
      const refused = withPins ? await setPins() : null
      setPinProblem(refused)
      say(refused === null ? 'The set-up is in use on the floor.' : 'The set-up is in use on the floor; new PINs are not.')
      return true
    },
  }
}

const PUT_INTO_USE = 'put-into-use'

/** Whoever has kept a change goes on with putting it into use: once the dialog has given the focus back. */
export const goOnToUse = (): void => focusLater(() => document.getElementById(PUT_INTO_USE))

export function DraftPanel({ draft }: { draft: SetUpDraft }) {
  const { setUp, changed, moved, said, problems } = draft
  const hasErrors = setUp !== null && checkSetUp(setUp).some((f) => f.grade === 'error')
  return (
    <section data-focus-home aria-label="Draft">
      <h2 className="font-semibold text-lg">{changed ? 'Changed, not in use yet' : 'As it is in use'}</h2>
      {moved && (
        <p role="status" className="mt-1 border-brass border-l-4 bg-brass-wash px-2 py-1">
          Somebody else has changed the set-up since you began.{' '}
          <Button className="mt-1" onClick={draft.bringOver}>
            Bring my changes over
          </Button>
        </p>
      )}
      {draft.ownPin !== null && (
        <div className="mt-2">
          <PinField label="Your own PIN" value={draft.ownPin.value} onChange={draft.ownPin.onChange} />
          {draft.ownPin.problem === null ? (
            <p className="mt-1 text-soft">New PINs are given by whoever shows theirs.</p>
          ) : (
            <Problem of="Your own PIN">{draft.ownPin.problem}</Problem>
          )}
        </div>
      )}
      <div className="mt-2 flex gap-2">
        <Button id={PUT_INTO_USE} tone="primary" disabled={!changed || moved || hasErrors} onClick={() => void draft.putIntoUse()}>
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
  )
}
