'use client'
// What the others see of me, and where my own calls go: note, do not disturb, diversion.
import { format, parse } from 'date-fns'
import { type FormEvent, useId, useState } from 'react'
import { LONGEST_NOTE } from '@/core/agents'
import { type Ask, toRefusalText } from '@/core/floor'
import { toAgentId } from '@/core/ids'
import { Button, Problem, SelectField, TextField, TimeField } from '@/parts/ui'
import { diversionWords, numberWords, stateWords, useNumberWords } from '@/parts/words'
import { floorNow } from '@/services/exchange/floor-time'
import type { CentreView, MeView, SeatView } from '@/services/exchange/protocol'
import { useCommand } from '@/services/exchange/react'

interface Props {
  readonly me: MeView
  readonly seats: readonly SeatView[]
  readonly centre: CentreView
}

export function Presence({ me, seats, centre }: Props) {
  useNumberWords()
  return (
    <section aria-label="Presence" className="mt-3 border-line border-t pt-3">
      <h3 className="font-semibold">What the others see of you</h3>
      <NoteForm me={me} seats={seats} />
      <DoNotDisturb me={me} />
      <DiversionForm me={me} seats={seats} centre={centre} />
    </section>
  )
}

/** Gives a command and keeps the sentence of a refusal until the next one. */
function useSaid(): readonly [string | null, (command: Ask) => Promise<boolean>, (says: string | null) => void] {
  const command = useCommand()
  const [problem, setProblem] = useState<string | null>(null)
  const give = async (asked: Ask) => {
    const reply = await command(asked)
    setProblem(reply.ok ? null : `${reply.refusal.says} ${reply.refusal.next}`)
    return reply.ok
  }
  return [problem, give, setProblem]
}

function NoteForm({ me, seats }: Pick<Props, 'me' | 'seats'>) {
  const [text, setText] = useState(me.note?.text ?? '')
  const [until, setUntil] = useState('')
  const [coverId, setCoverId] = useState<string>(me.note?.coverId ?? '')
  const [problem, give] = useSaid()
  const save = (event: FormEvent) => {
    event.preventDefault()
    void give({ kind: 'setNote', text, untilMs: until === '' ? null : untilTime(until), coverId: coverId === '' ? null : toAgentId(coverId) })
  }
  const clear = async () => {
    if (!(await give({ kind: 'clearNote' }))) return
    setText('')
    setUntil('')
    setCoverId('')
  }
  return (
    <form onSubmit={save} className="mt-2">
      <TextField label="Note" value={text} maxLength={LONGEST_NOTE} placeholder="Such as: back at two" onChange={(e) => setText(e.target.value)} />
      <div className="mt-2 grid grid-cols-[6.875rem_1fr] gap-3">
        <TimeField label="Ends at" className="w-auto" value={until} onTime={setUntil} />
        <SelectField label="Covered by" value={coverId} onChange={(e) => setCoverId(e.target.value)}>
          <option value="">Nobody</option>
          {seats
            .filter((s) => s.id !== me.id && s.role === 'agent')
            .map((s) => (
              <option key={s.id} value={s.id}>
                {s.name}
              </option>
            ))}
        </SelectField>
      </div>
      {problem !== null && <Problem of={text.trim() === '' ? 'Note' : 'Ends at'}>{problem}</Problem>}
      <div className="mt-2 flex items-center gap-3">
        <Button type="submit">Set note</Button>
        {me.note !== null && <Button onClick={() => void clear()}>Clear note</Button>}
        <span className="text-soft">{me.note === null ? 'Without an end it stays until you clear it.' : noteStands(me.note.untilMs)}</span>
      </div>
    </form>
  )
}

const noteStands = (untilMs: number | null): string => (untilMs === null ? 'Stands until you clear it.' : `Stands until ${format(untilMs, 'HH:mm')}.`)

/** The next time the clock shows this. */
function untilTime(clock: string): number {
  const today = parse(clock, 'HH:mm', new Date()).getTime()
  return today > floorNow() ? today : today + 86_400_000
}

function DoNotDisturb({ me }: Pick<Props, 'me'>) {
  const [, give] = useSaid()
  return (
    <label className="mt-4 flex items-baseline gap-2 border-line border-t pt-3">
      <input
        type="checkbox"
        className="size-4 shrink-0 accent-green"
        aria-label="Do not disturb"
        checked={me.doNotDisturb}
        onChange={(e) => void give({ kind: 'setDoNotDisturb', on: e.target.checked })}
      />
      <span>
        <span className="font-semibold">Do not disturb</span>
        <span className="text-soft"> Calls of colleagues go to your voicemail. Calls of your queues ring as ever.</span>
      </span>
    </label>
  )
}

function DiversionForm({ me, seats, centre }: Props) {
  const id = useId()
  const [typed, setTyped] = useState('')
  const [colleague, setColleague] = useState('')
  const [problem, give] = useSaid()
  const refusal = me.may.includes('diversion') ? null : toRefusalText({ reason: 'notEntitled', what: 'diversion', ask: centre.owners })
  const divert = (to: Extract<Ask, { kind: 'setDiversion' }>['to']) =>
    void give({ kind: 'setDiversion', to }).then((done) => {
      if (!done) return
      setTyped('')
      setColleague('')
    })
  return (
    <section aria-labelledby={`${id}-title`} className="mt-4 border-line border-t pt-3">
      <h3 id={`${id}-title`} className="font-semibold">
        Divert your own calls
      </h3>
      {refusal !== null && (
        <p className="text-soft">
          {refusal.says} {refusal.next}
        </p>
      )}
      {me.diversion === null ? (
        <>
          <div className="mt-1 flex flex-wrap gap-2">
            <Button disabled={refusal !== null} onClick={() => divert({ kind: 'voicemail' })}>
              To my voicemail
            </Button>
            {me.divertedTo.map((number) => (
              <Button key={number} disabled={refusal !== null} className="tabular" onClick={() => divert({ kind: 'number', typed: number })}>
                {numberWords(number)}
              </Button>
            ))}
          </div>
          <form
            className="mt-2 flex items-end gap-2"
            onSubmit={(event) => {
              event.preventDefault()
              divert({ kind: 'number', typed })
            }}
          >
            <TextField
              label="To a number or extension"
              className="flex-1"
              inputMode="tel"
              value={typed}
              disabled={refusal !== null}
              onChange={(e) => setTyped(e.target.value)}
            />
            <Button type="submit" disabled={refusal !== null}>
              Divert
            </Button>
          </form>
          {/* A choice alone diverts nothing: arrow keys go through a closed list one by one. */}
          <form
            className="mt-2 flex items-end gap-2"
            onSubmit={(event) => {
              event.preventDefault()
              if (colleague !== '') divert({ kind: 'agent', agentId: toAgentId(colleague) })
            }}
          >
            <SelectField
              label="To a colleague"
              className="min-w-0 flex-1"
              value={colleague}
              disabled={refusal !== null}
              onChange={(e) => setColleague(e.target.value)}
            >
              <option value="">Choose…</option>
              {seats.map((s) => s.id !== me.id && <option key={s.id} value={s.id}>{`${s.name} · ${stateWords(s.state, s.reason)}`}</option>)}
            </SelectField>
            <Button type="submit" disabled={refusal !== null || colleague === ''}>
              Divert to them
            </Button>
          </form>
        </>
      ) : (
        <p className="mt-1 flex items-center justify-between gap-2">
          {diversionWords(me.diversion)}
          <Button onClick={() => divert(null)}>End diversion</Button>
        </p>
      )}
      {problem !== null && <Problem>{problem}</Problem>}
    </section>
  )
}
