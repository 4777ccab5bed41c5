'use client'
// Another time, another owner, or giving it up with a reason.
import { useState } from 'react'
import { toAgentId } from '@/core/ids'
import { Button, ClockNight, DayField, inZone, SelectField, TextField, TimeField, useMoment, zoneWords } from '@/parts/ui'
import type { CallbackView, MeView } from '@/services/exchange/protocol'
import type { GiveProps } from './give'

interface Props extends Omit<GiveProps, 'me'> {
  readonly me: MeView
  readonly callback: CallbackView
  readonly onDone: () => void
}

const ANYBODY = 'anybody'

export function ChangeCallback({ me, seats, callback, give, onDone }: Props) {
  const { id: callbackId, timeZone } = callback
  const [day, setDay] = useState(() => inZone(callback.dueAtMs, timeZone, 'yyyy-MM-dd'))
  const [time, setTime] = useState(() => inZone(callback.dueAtMs, timeZone, 'HH:mm'))
  const [owner, setOwner] = useState<string>(callback.ownerId ?? ANYBODY)
  const [why, setWhy] = useState('')
  const on = { callbackId }
  const then = async (done: Promise<boolean>) => {
    if (await done) onDone()
  }
  const moment = useMoment(day, time, timeZone)
  const dueAtMs = moment.atMs
  return (
    <div className="grid grid-cols-[auto_auto_auto_1fr_auto] items-end gap-3 border-brass border-l-4 pl-3">
      <DayField label="Day" timeZone={timeZone} value={day} onDay={setDay} />
      <TimeField label={`Time in ${zoneWords(timeZone)}`} className="w-auto" value={time} onTime={setTime} />
      <Button
        disabled={dueAtMs === null || dueAtMs === callback.dueAtMs}
        onClick={() => dueAtMs !== null && void then(give({ kind: 'moveCallback', ...on, dueAtMs, timeZone, why: '' }))}
      >
        Move it
      </Button>
      <SelectField label="Hand over to" value={owner} onChange={(e) => setOwner(e.target.value)}>
        <option value={ANYBODY}>anybody</option>
        {seats
          .filter((s) => s.role === 'agent')
          .map((s) => (
            <option key={s.id} value={s.id}>
              {s.id === me.id ? `${s.name} (you)` : s.name}
            </option>
          ))}
      </SelectField>
      <Button
        disabled={owner === (callback.ownerId ?? ANYBODY)}
        onClick={() => void then(give({ kind: 'handOverCallback', ...on, ownerId: owner === ANYBODY ? null : toAgentId(owner) }))}
      >
        Hand over
      </Button>
      {moment.ofNight !== null && (
        <div className="col-span-5">
          <ClockNight moment={moment} />
        </div>
      )}
      <TextField className="col-span-4" label="Why it is not needed any more" value={why} onChange={(e) => setWhy(e.target.value)} />
      <Button tone="loss" disabled={why.trim() === ''} onClick={() => void then(give({ kind: 'dropCallback', ...on, why }))}>
        Cancel callback
      </Button>
    </div>
  )
}
