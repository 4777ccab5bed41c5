'use client'
// Recordings and messages sealed where they lie: whether they are, whether they can be heard now, and how that is begun, opened and ended.
import { useCallback, useEffect, useState } from 'react'
import { Button, later, Problem } from '@/parts/ui'
import { useFloor } from '@/services/exchange/react'
import { readSoundSeal } from '@/services/exchange/recordings/client'
import { soundKey } from '@/services/exchange/recordings/key-source'
import type { SoundsNow } from './sounds-now'

const SealDialog = later(() => import('./seal-dialog').then((m) => m.SealDialog))

export function SoundsSealed() {
  const floor = useFloor()
  const [now, setNow] = useState<SoundsNow | null>(null)
  const [open, setOpen] = useState<'begin' | 'open' | 'end' | null>(null)
  const [problem, setProblem] = useState<string | null>(null)
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
          <div className="mt-2 flex flex-wrap gap-2">
            {seal.isOn && identity === null && (
              <Button tone="primary" onClick={() => setOpen('open')}>
                Open them…
              </Button>
            )}
            {seal.isOn && identity !== null && <Button onClick={() => void close()}>Close them now</Button>}
            <Button onClick={() => setOpen(seal.isOn ? 'end' : 'begin')}>{seal.isOn ? 'Seal them no longer…' : 'Seal them again…'}</Button>
          </div>
        </>
      )}
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
