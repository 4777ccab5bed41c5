'use client'
// A page that nobody has touched for a while lies under this until its account shows the PIN again. Calls go on beneath it, and so does what is typed.
import { Dialog as Radix } from 'radix-ui'
import { type FormEvent, useEffect, useRef, useState } from 'react'
import { Button, PinField, Problem } from '@/parts/ui'
import type { AccountView } from '@/services/exchange/protocol'
import { useFloor, useLocked, useSeen } from '@/services/exchange/react'

export function Lock({ account }: { account: AccountView }) {
  const locked = useLocked()
  useTouches(!locked)
  return locked ? <Locked account={account} /> : null
}

function Locked({ account }: { account: AccountView }) {
  const floor = useFloor()
  const state = useSeen(({ me }) => me?.state ?? null)
  const [pin, setPin] = useState('')
  const [problem, setProblem] = useState<string | null>(null)
  const [busy, setBusy] = useState(false)
  const form = useRef<HTMLFormElement>(null)
  const unlock = async (event: FormEvent) => {
    event.preventDefault()
    if (pin === '') return setProblem('The PIN is missing. Type the digits you signed in with.')
    setBusy(true)
    const reply = await floor?.ask({ kind: 'unlock', pin })
    setBusy(false)
    setPin('')
    setProblem(reply?.ok === false ? `${reply.refusal.says} ${reply.refusal.next}` : null)
    form.current?.querySelector('input')?.focus()
  }
  return (
    <Radix.Root open>
      <Radix.Portal>
        <Radix.Content
          aria-describedby={undefined}
          // Nothing behind it hears a key, and nothing but the PIN takes it away.
          data-modal
          onEscapeKeyDown={(e) => e.preventDefault()}
          onPointerDownOutside={(e) => e.preventDefault()}
          onInteractOutside={(e) => e.preventDefault()}
          className="fixed inset-0 z-[100] grid place-items-center overflow-auto bg-paper px-6 py-10"
        >
          <form ref={form} noValidate onSubmit={(e) => void unlock(e)} className="w-full max-w-96">
            <p className="font-semibold text-green">Loyal Switchboard</p>
            <Radix.Title className="mt-4 font-semibold text-2xl">Locked</Radix.Title>
            <p className="mt-1 text-soft">
              {account.name} is signed in here, and everything is as it was left{TALKS.includes(state ?? '') ? ', and the call goes on' : ''}.
            </p>
            <div className="mt-5">
              <PinField
                label={`PIN of ${account.name}`}
                value={pin}
                onChange={(next) => {
                  setPin(next)
                  setProblem(null)
                }}
              />
              {problem !== null && <Problem>{problem}</Problem>}
            </div>
            <Button type="submit" tone="primary" size="large" className="mt-5" disabled={busy}>
              {busy ? 'Unlocking…' : 'Unlock'}
            </Button>
          </form>
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  )
}

const TALKS: readonly string[] = ['onCall', 'internalCall', 'listening']
const TELLS_EVERY_MS = 20_000

/** The floor hears now and then that somebody is there. */
function useTouches(listens: boolean): void {
  const floor = useFloor()
  const toldAtMs = useRef(0)
  useEffect(() => {
    if (!listens || floor === null) return
    const touched = () => {
      const nowMs = performance.now()
      if (toldAtMs.current !== 0 && nowMs - toldAtMs.current < TELLS_EVERY_MS) return
      toldAtMs.current = nowMs
      void floor.ask({ kind: 'touch' })
    }
    for (const what of TOUCHES) addEventListener(what, touched, { passive: true, capture: true })
    return () => {
      for (const what of TOUCHES) removeEventListener(what, touched, { capture: true })
    }
  }, [listens, floor])
}
const TOUCHES = ['pointerdown', 'pointermove', 'keydown', 'wheel'] as const
