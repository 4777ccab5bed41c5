'use client'
// A mail or a text is put aside until a time; then it comes back to whoever parked it.
import { type FormEvent, useState } from 'react'
import { DAY, HOUR } from '@/core/time'
import { Button, ClockNight, DayField, inZone, Popover, Problem, TimeField, toEpochMs, useMoment } from '@/parts/ui'
import { floorNow } from '@/services/exchange/floor-time'
import type { ThreadView } from '@/services/exchange/protocol'
import { useCommand, useSeen } from '@/services/exchange/react'

export function Park({ thread }: { thread: ThreadView }) {
  const [open, setOpen] = useState(false)
  return (
    <Popover label="Park until" open={open} onOpenChange={setOpen} className="w-80" trigger={<Button className="!h-7">Park until…</Button>}>
      {open && <Until thread={thread} onDone={() => setOpen(false)} />}
    </Popover>
  )
}

function Until({ thread, onDone }: { thread: ThreadView; onDone: () => void }) {
  const command = useCommand()
  const [nowMs] = useState(floorNow)
  const timeZone = useSeen((view) => view.centre.timeZone) ?? 'UTC'
  const [day, setDay] = useState(() => inZone(nowMs + DAY, timeZone, 'yyyy-MM-dd'))
  const [time, setTime] = useState('09:00')
  const moment = useMoment(day, time, timeZone)
  const [problem, setProblem] = useState<string | null>(null)
  const park = async (untilMs: number | null) => {
    if (untilMs === null) return setProblem(moment.ofNight === null ? 'That is no day and time. Enter both.' : 'Say which time of that night is meant.')
    const reply = await command({ kind: 'parkThread', threadId: thread.id, untilMs })
    if (reply.ok) onDone()
    else setProblem(`${reply.refusal.says} ${reply.refusal.next}`)
  }
  const submit = (event: FormEvent) => {
    event.preventDefault()
    void park(moment.atMs)
  }
  return (
    <form onSubmit={submit}>
      <div className="flex flex-wrap gap-2">
        <Button onClick={() => void park(nowMs + HOUR)}>In an hour</Button>
        <Button onClick={() => void park(toEpochMs(inZone(nowMs + DAY, timeZone, 'yyyy-MM-dd'), '09:00', timeZone))}>Tomorrow at 9</Button>
      </div>
      <div className="mt-3 flex flex-wrap items-start gap-3">
        <DayField label="Day" timeZone={timeZone} value={day} onDay={setDay} />
        <TimeField label="Time" value={time} onTime={setTime} />
        <ClockNight moment={moment} />
      </div>
      {problem !== null && <Problem of="Day">{problem}</Problem>}
      <Button type="submit" tone="primary" className="mt-3">
        Park until then
      </Button>
      {problem === null && <p className="mt-2 text-soft text-xs">It comes back to you then, or at once when they write.</p>}
    </form>
  )
}
