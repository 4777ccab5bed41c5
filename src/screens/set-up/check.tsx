'use client'
// Everything that is kept is gone through, and what is not as it was written is named.
import { useEffect, useState } from 'react'
import { Dialog, Problem } from '@/parts/ui'
import type { Checked } from '@/services/exchange/protocol'
import { useFloor } from '@/services/exchange/react'
import { useLists } from '@/services/lists/react'

const MOST_NAMED = 20
/** A ledger of years is gone through in minutes. */
const PATIENCE_MS = 30 * 60_000

export function CheckDialog({ onClose }: { onClose: () => void }) {
  const floor = useFloor()
  const lists = useLists()
  const [checked, setChecked] = useState<Checked | null>(null)
  const [problem, setProblem] = useState<string | null>(null)
  useEffect(() => {
    let isThere = true
    const check = async () => {
      const [reply, ofLists] = await Promise.all([floor?.ask({ kind: 'checkEverything' }, PATIENCE_MS), lists?.check()])
      if (!isThere || reply === undefined) return
      if (!reply.ok) return setProblem(`${reply.refusal.says} ${reply.refusal.next}`)
      const own = JSON.parse(reply.text ?? '') as Checked
      setChecked({ whole: [...own.whole, ...(ofLists?.whole ?? [])], damaged: [...own.damaged, ...(ofLists?.damaged ?? [])] })
    }
    check().catch(
      (error: unknown) => isThere && setProblem(`Not everything could be gone through: ${error instanceof Error ? error.message : String(error)}. Try again.`),
    )
    return () => {
      isThere = false
    }
  }, [floor, lists])
  return (
    <Dialog
      open
      onOpenChange={(open) => !open && onClose()}
      title="Check everything"
      description="Ledger, pictures of the floor, calling lists and the record of who did what are read, and held against what was written."
    >
      {problem !== null && <Problem>{problem}</Problem>}
      {checked === null && problem === null && (
        <p role="status" className="text-soft">
          Going through everything…
        </p>
      )}
      {checked !== null && (
        <>
          {checked.damaged.length === 0 ? (
            <p role="status">
              <strong>Everything is as it was written.</strong>
            </p>
          ) : (
            <div role="alert" className="border-red border-l-4 bg-red-wash px-3 py-2">
              <p className="font-semibold text-red">
                {checked.damaged.length === 1 ? 'One thing is damaged:' : `${checked.damaged.length.toLocaleString('en-GB')} things are damaged:`}
              </p>
              <ul className="mt-1 list-disc pl-5">
                {checked.damaged.slice(0, MOST_NAMED).map((what) => (
                  <li key={what}>{what}</li>
                ))}
              </ul>
              {checked.damaged.length > MOST_NAMED && <p className="mt-1">And {(checked.damaged.length - MOST_NAMED).toLocaleString('en-GB')} more.</p>}
              <p className="mt-1">When the floor is opened next, what cannot be read is set aside and can be saved. A backup made before has it whole.</p>
            </div>
          )}
          <p className="mt-3 text-soft">Gone through: {checked.whole.join(', ')}.</p>
        </>
      )}
    </Dialog>
  )
}
