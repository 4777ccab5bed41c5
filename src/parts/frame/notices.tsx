'use client'
// What the floor has to say about itself: damage, a gap, storage that is refused. Plain sentences, each with its way out.
import { memo, useState } from 'react'
import { Button, saveFile } from '@/parts/ui'
import type { AccountView, FloorPart } from '@/services/exchange/protocol'
import { BUILT_AT_MS, useFloor, useFloorSilent } from '@/services/exchange/react'

export const Notices = memo(function Notices({ floor: view, account }: { floor: FloorPart; account: AccountView | null }) {
  const floor = useFloor()
  const silent = useFloorSilent()
  const [refused, setRefused] = useState<string | null>(null)
  const mayTake = account?.may.includes('supervision') ?? false
  const saveDamaged = async () => {
    const reply = await floor?.ask({ kind: 'damaged' })
    if (reply?.ok && reply.text !== null) saveFile('damaged-ledger.json', reply.text, 'application/json')
  }
  const readAgain = async () => {
    const reply = await floor?.ask({ kind: 'readAgain' })
    setRefused(reply === undefined || reply.ok ? null : `${reply.refusal.says} ${reply.refusal.next}`)
  }
  const saveLedger = async () => {
    const reply = await floor?.ask({ kind: 'ledger' })
    if (reply?.ok && reply.text !== null) saveFile('ledger.ndjson', reply.text, 'application/x-ndjson')
  }
  return (
    <>
      {silent && (
        <Line tone="loss">
          <span>
            <strong>No connection, trying.</strong> The floor does not answer. Stay here: it comes back by itself, and what you have typed is kept.
          </span>
        </Line>
      )}
      {view.builtAtMs > BUILT_AT_MS && (
        <Line tone="info">
          <span>
            A new version is in use on the floor, and this page is of the one before. Load it anew when you are between calls; what you have typed is kept.
          </span>
          <Button onClick={() => location.reload()}>Load it anew</Button>
        </Line>
      )}
      {view.storage === 'notKept' && (
        <Line tone="loss">
          <span>
            What happens now is not kept: storage refuses it ({view.storageReason}). The desk works, and it is tried again by itself.
            {mayTake ? ' Save the ledger before you close the last tab.' : ' Tell a supervisor before the last tab is closed.'}
          </span>
          {mayTake && <Button onClick={() => void saveLedger()}>Save the ledger as a file</Button>}
        </Line>
      )}
      {view.notices.map((notice) => (
        <Line key={notice.id} tone={notice.tone}>
          <span>{notice.says}</span>
          {notice.offersDamaged && mayTake && (
            <>
              <Button onClick={() => void saveDamaged()}>Save the damaged part as a file</Button>
              <Button onClick={() => void readAgain()}>Read it again</Button>
              {refused !== null && <span role="status">{refused}</span>}
            </>
          )}
          {account !== null && (
            <Button tone="quiet" onClick={() => void floor?.ask({ kind: 'dismissNotice', noticeId: notice.id })}>
              Dismiss
            </Button>
          )}
        </Line>
      ))}
    </>
  )
})

function Line({ tone, children }: { tone: 'info' | 'loss'; children: React.ReactNode }) {
  return (
    <div
      role={tone === 'loss' ? 'alert' : 'status'}
      className={`flex items-center gap-3 border-b px-4 py-1 ${tone === 'loss' ? 'border-red bg-red-wash text-red' : 'border-line bg-sea-wash text-ink'}`}
    >
      {children}
    </div>
  )
}
