'use client'
// What this browser keeps of the centre, whether it may be cleared away by itself, and all of it as one file, out and in.
import { useEffect, useState } from 'react'
import type { SetUp } from '@/core/set-up'
import { Button, later } from '@/parts/ui'
import { ByItself } from './by-itself'
import { bytesInWords } from './bytes'
import { SoundsSealed } from './sounds-sealed'

const SaveDialog = later(() => import('./save-everything').then((m) => m.SaveDialog))
const AuditDialog = later(() => import('./audit').then((m) => m.AuditDialog))
const CheckDialog = later(() => import('./check').then((m) => m.CheckDialog))
const ForgetDialog = later(() => import('./forget').then((m) => m.ForgetDialog))
const RestoreDialog = later(() => import('./restore').then((m) => m.RestoreDialog))

interface Storage {
  readonly usedBytes: number | null
  readonly ofBytes: number | null
  /** null where the browser does not say. */
  readonly lasts: boolean | null
}

async function askStorage(): Promise<Storage> {
  const { storage } = navigator
  const [estimate, lasts] = await Promise.all([storage?.estimate?.().catch(() => null) ?? null, storage?.persisted?.().catch(() => null) ?? null])
  return { usedBytes: estimate?.usage ?? null, ofBytes: estimate?.quota ?? null, lasts }
}

export function Kept({ setUp, mayForget }: { setUp: SetUp; mayForget: boolean }) {
  const { centre, homeCountry } = setUp
  const [storage, setStorage] = useState<Storage | null>(null)
  const [refused, setRefused] = useState(false)
  const [open, setOpen] = useState<'save' | 'restore' | 'forget' | 'check' | 'audit' | null>(null)
  useEffect(() => {
    let isThere = true
    void askStorage().then((found) => isThere && setStorage(found))
    return () => {
      isThere = false
    }
  }, [])
  const makeLast = async () => {
    setRefused(!(await navigator.storage.persist()))
    setStorage(await askStorage())
  }
  return (
    <section aria-label="What is kept" className="border-line border-t pt-4">
      <h2 className="font-semibold text-lg">What is kept</h2>
      {storage !== null && (
        <p className="mt-1 text-soft">
          {storage.usedBytes === null ? 'This browser does not say how much it keeps.' : `${bytesInWords(storage.usedBytes)} in this browser`}
          {storage.usedBytes !== null && storage.ofBytes !== null && `, of ${bytesInWords(storage.ofBytes)} it would keep`}
          {storage.usedBytes !== null && '.'} {storage.lasts === true && 'It clears none of it away by itself.'}
          {storage.lasts === false && 'Short of room, it may clear all of it away by itself.'}
        </p>
      )}
      {storage?.lasts === false && (
        <>
          <Button className="mt-2" onClick={() => void makeLast()}>
            Ask it to keep everything
          </Button>
          {refused && (
            <p role="status" className="mt-1 text-soft">
              The browser says no for now. It does so until it is used more often or a bookmark of this address is there; save everything as a file meanwhile.
            </p>
          )}
        </>
      )}
      <div className="mt-3 flex flex-wrap gap-2">
        <Button onClick={() => setOpen('save')}>Save everything…</Button>
        <Button onClick={() => setOpen('restore')}>Restore from a file…</Button>
      </div>
      <p className="mt-2 text-soft text-xs">
        Ledger, figures, lists, people, recordings, accounts and set-up in one file: to keep elsewhere, or to go on with in another browser.
      </p>
      <ByItself centre={centre} />
      <SoundsSealed />
      <div className="mt-4 flex flex-wrap gap-2">
        <Button onClick={() => setOpen('check')}>Check everything</Button>
        <Button onClick={() => setOpen('audit')}>Who did what…</Button>
      </div>
      {mayForget && (
        <>
          <Button className="mt-4" onClick={() => setOpen('forget')}>
            Forget a person…
          </Button>
          <p className="mt-2 text-soft text-xs">All that names somebody from outside is found, and gone for good. Figures stay as they are.</p>
        </>
      )}
      {open === 'save' && <SaveDialog centre={centre} onClose={() => setOpen(null)} />}
      {open === 'check' && <CheckDialog onClose={() => setOpen(null)} />}
      {open === 'audit' && <AuditDialog setUp={setUp} onClose={() => setOpen(null)} />}
      {open === 'forget' && <ForgetDialog homeCountry={homeCountry} onClose={() => setOpen(null)} />}
      {open === 'restore' && <RestoreDialog onClose={() => setOpen(null)} />}
    </section>
  )
}
