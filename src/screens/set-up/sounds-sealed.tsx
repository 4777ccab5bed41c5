'use client'
// Recordings and messages sealed where they lie: whether they are, whether they can be heard now, and how that is begun, opened and ended.
import { useCallback, useEffect, useState } from 'react'
import { Button, later, Problem } from '@/parts/ui'
import { useFloor } from '@/services/exchange/react'
import { readSoundSeal, sealingInTurn, sealRest } from '@/services/exchange/recordings/client'
import { soundKey } from '@/services/exchange/recordings/key-source'
import type { SoundsNow } from './sounds-now'

const SealDialog = later(() => import('./seal-dialog').then((m) => m.SealDialog))

export function SoundsSealed() {
  const floor = useFloor()
  const [now, setNow] = useState<SoundsNow | null>(null)
  const [open, setOpen] = useState<'begin' | 'open' | 'end' | null>(null)
  const [problem, setProblem] = useState<string | null>(null)
  const [isSealing, setIsSealing] = useState(false)
  const read = useCallback(
    () =>
      Promise.all([readSoundSeal(), soundKey()]).then(
        ([seal, identity]) => setNow({ seal, identity }),
        (error: unknown) => setProblem(`Whether sounds are sealed cannot be read: ${error instanceof Error ? error.message : String(error)}.`),
      ),
    [],
  )
  useEffect(() => {
    if (floor !== null) void read()
  }, [floor, read])
  if (now === null) return problem === null ? null : <Problem>{problem}</Problem>
  const { seal, identity } = now
  const close = async () => {
    await floor?.ask({ kind: 'openSounds', identity: null })
    await read()
  }
  const goOn = async () => {
    setIsSealing(true)
    await sealingInTurn(async (left) => (left?.isOn ? sealRest(left, () => {}) : undefined)).catch((error: unknown) =>
      setProblem(`Not all of them could be sealed: ${error instanceof Error ? error.message : String(error)}. Try again.`),
    )
    setIsSealing(false)
    await read()
  }
  return (
    <section aria-label="Sounds" className="mt-4">
      {seal === null ? (
        <Button onClick={() => setOpen('begin')}>Seal recordings and messages…</Button>
      ) : (
        <>
          <p>
            {seal.isOn ? 'Recordings and messages are sealed.' : 'Recordings and messages are no longer sealed.'}{' '}
            {seal.isOn &&
              (identity === null ? <strong>Nobody can hear them until the passphrase is given.</strong> : 'They can be heard until this browser is closed.')}
          </p>
          {seal.rest !== null && (
            <p role="status" className="mt-2 border-brass border-l-4 bg-brass-wash px-3 py-2">
              {seal.rest === 'toSeal' ? 'Not all that were there before are sealed yet.' : 'Not all of them are open again yet.'}
            </p>
          )}
          <div className="mt-2 flex flex-wrap gap-2">
            {seal.rest === 'toSeal' && (
              <Button tone="primary" disabled={isSealing} onClick={() => void goOn()}>
                {isSealing ? 'Sealing…' : 'Seal the rest'}
              </Button>
            )}
            {seal.isOn && identity === null && (
              <Button tone="primary" onClick={() => setOpen('open')}>
                Open them…
              </Button>
            )}
            {seal.isOn && identity !== null && <Button onClick={() => void close()}>Close them now</Button>}
            {(seal.isOn || seal.rest === 'toOpen') && <Button onClick={() => setOpen('end')}>{seal.isOn ? 'Seal them no longer…' : 'Open the rest…'}</Button>}
            {!seal.isOn && <Button onClick={() => setOpen('begin')}>Seal them again…</Button>}
          </div>
        </>
      )}
      {problem !== null && <Problem>{problem}</Problem>}
      {open !== null && (
        <SealDialog
          what={open}
          now={now}
          onClose={() => {
            setOpen(null)
            void read()
          }}
        />
      )}
    </section>
  )
}
