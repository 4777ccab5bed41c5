'use client'
// The desk handset and one's own phone, checked by using them: the handset is rung and lifted, the phone calls in.
import { useState } from 'react'
import type { AgentId } from '@/core/ids'
import { formatClock } from '@/core/time'
import { Button, Problem, useNowMs } from '@/parts/ui'
import type { SoundView } from '@/services/exchange/protocol'
import { useFloor } from '@/services/exchange/react'

interface Props {
  readonly agentId: AgentId
  readonly sound: SoundView | null
}

/** Opens the small window that plays a device. */
function openDevice(path: 'handset' | 'phone', agentId: AgentId) {
  window.open(`/${path}?agent=${agentId}`, `${path} ${agentId}`, 'popup,width=360,height=560')
}

export function HandsetCheck({ agentId, sound }: Props) {
  const floor = useFloor()
  const [asked, setAsked] = useState(false)
  const state = sound?.handset ?? 'absent'
  const ring = async () => {
    setAsked(true)
    await floor?.ask({ kind: 'ringHandset' })
  }
  return (
    <div>
      <div className="flex items-center gap-3">
        <Button onClick={() => void ring()}>Check sound</Button>
        {state === 'absent' && <Button onClick={() => openDevice('handset', agentId)}>Open the desk handset</Button>}
      </div>
      <div role="status" className="mt-2">
        {state === 'idle' && <p className="text-soft">The desk handset is there. Check sound rings it; lift it to answer.</p>}
        {state === 'ringing' && <p>The desk handset rings. Lift it.</p>}
        {state === 'lifted' && <p className="font-semibold text-green">✓ You lifted the desk handset. Put it down again.</p>}
      </div>
      {state === 'absent' &&
        (asked ? (
          <Problem>The desk handset cannot be reached: it is not plugged in. Open the desk handset, leave its window open, then check again.</Problem>
        ) : (
          <p className="mt-2 text-soft">The telephone on your desk is played by a small window of its own.</p>
        ))}
    </div>
  )
}

const PHONE_SAYS = {
  waiting: '',
  asked: 'Your phone is on the line. Key in the code.',
  wrongCode: 'A wrong code was keyed in. Look at the code here and key it in again.',
  tooManyTries: 'The code was wrong three times, so it is void. Get a new code.',
  expired: 'The code had expired when it was keyed in. Get a new code.',
  connected: '',
  hungUp: 'Your phone has hung up. Get a new code and call in again.',
} as const

export function PhoneCheck({ agentId, sound }: Props) {
  const floor = useFloor()
  const nowMs = useNowMs()
  const phone = sound?.phone ?? null
  const leftMs = phone === null ? 0 : phone.expiresAtMs - nowMs
  const needsCode = phone === null || phone.state === 'tooManyTries' || phone.state === 'expired' || phone.state === 'hungUp'
  const ranOut = !needsCode && phone.state !== 'connected' && leftMs <= 0
  const trouble = phone === null ? '' : ranOut ? 'The code has expired. Get a new code.' : PHONE_SAYS[phone.state]
  return (
    <div>
      <div className="flex items-center gap-3">
        <Button onClick={() => void floor?.ask({ kind: 'expectPhone' })}>{phone === null ? 'Check sound' : 'Get a new code'}</Button>
        <Button onClick={() => openDevice('phone', agentId)}>Open my phone</Button>
      </div>
      {phone === null && <p className="mt-2 text-soft">Your own phone calls us, and a code tells us whose it is. A small window plays the phone.</p>}
      {!needsCode && !ranOut && phone.state !== 'connected' && (
        <dl className="mt-2 grid grid-cols-[4rem_1fr] gap-y-1">
          <dt className="text-soft">Dial</dt>
          <dd className="tabular font-semibold">{sound?.line}</dd>
          <dt className="text-soft">Key in</dt>
          <dd>
            <output aria-label="Code" className="tabular font-semibold text-lg">
              {phone.code.slice(0, 3)} {phone.code.slice(3)}
            </output>
          </dd>
          <dt className="text-soft">Good for</dt>
          <dd className="tabular">{formatClock(leftMs)}</dd>
        </dl>
      )}
      <div role="status" className="mt-2">
        {phone?.state === 'connected' && <p className="font-semibold text-green">✓ Your phone is on the line.</p>}
        {phone?.state === 'asked' && !ranOut && <p>{PHONE_SAYS.asked}</p>}
      </div>
      {trouble !== '' && phone?.state !== 'asked' && <Problem>{trouble}</Problem>}
      {phone?.state === 'asked' && ranOut && <Problem>{trouble}</Problem>}
    </div>
  )
}
