'use client'
// Arranging a conference, or changing one: what, when in whose time, for how long, who. What is typed survives closing and reloading until it is kept.
import { type ChangeEvent, type FormEvent, type KeyboardEvent, useState } from 'react'
import { type Invited, LONGEST_TITLE, MOST_INVITED, type Plan } from '@/core/conferences'
import { toRefusalText } from '@/core/floor'
import type { AgentId } from '@/core/ids'
import { MINUTE } from '@/core/time'
import { Button, ClockNight, DayField, Dialog, inZone, Problem, SelectField, TextField, TimeField, useDraft, useMoment, zoneWords } from '@/parts/ui'
import type { FloorClient } from '@/services/exchange/client'
import { floorNow } from '@/services/exchange/floor-time'
import type { CentreView, ConferenceView, NumbersSaid, SeatView } from '@/services/exchange/protocol'
import { useCommand, useFloor } from '@/services/exchange/react'
import { whenWords } from './words'

interface Props {
  /** null for a new one. */
  readonly conference: ConferenceView | null
  /** The same as it stands now: somebody else may have changed it meanwhile. */
  readonly now: ConferenceView | null
  readonly centre: CentreView
  readonly seats: readonly SeatView[]
  readonly accountId: AgentId
  readonly onClose: () => void
  readonly onPlanned: (id: string) => void
}

interface Draft {
  readonly title: string
  readonly day: string
  readonly time: string
  readonly minutes: string
  readonly timeZone: string
  readonly note: string
  readonly invited: readonly Invited[]
  /** Of the plan it was begun over. */
  readonly sequence: number
}

const LENGTHS = ['15', '30', '45', '60', '90', '120', '240'] as const

export function PlanDialog({ conference, now, centre, seats, accountId, onClose, onPlanned }: Props) {
  const command = useCommand()
  const floor = useFloor()
  const zone = conference?.plan.timeZone ?? centre.timeZone
  // The next full quarter of an hour.
  const begins = conference?.plan.startsAtMs ?? Math.ceil((floorNow() + MINUTE) / (15 * MINUTE)) * 15 * MINUTE
  const initial: Draft = {
    ...{ title: conference?.plan.title ?? '', day: inZone(begins, zone, 'yyyy-MM-dd'), time: inZone(begins, zone, 'HH:mm') },
    minutes: String((conference?.plan.lastsMs ?? 30 * MINUTE) / MINUTE),
    timeZone: zone,
    note: conference?.plan.note ?? '',
    invited: conference?.plan.invited ?? [],
    sequence: conference?.sequence ?? 0,
  }
  const [json, setJson, forget] = useDraft(`conference ${accountId} ${conference?.id ?? 'new'}`, JSON.stringify(initial))
  const draft = JSON.parse(json) as Draft
  const moment = useMoment(draft.day, draft.time, draft.timeZone)
  const [problem, setProblem] = useState<string | null>(null)
  /** Somebody else's change that has been shown, and may be written over. */
  const [shown, setShown] = useState<number | null>(null)
  const [guest, setGuest] = useState(NO_GUEST)
  const set = (change: Partial<Draft>) => {
    setJson(JSON.stringify({ ...draft, ...change }))
    setProblem(null)
  }
  /** Whoever is asked now; null when nobody more can be, which is said. */
  const add = (one: Invited): readonly Invited[] | null => {
    if (draft.invited.length >= MOST_INVITED) {
      setProblem(`At most ${MOST_INVITED} can be asked. Take somebody out first.`)
      return null
    }
    const invited = withOne(draft.invited, one)
    set({ invited })
    return invited
  }
  /** Whoever is being typed is among them; null when they cannot be, and why is said. */
  const withGuest = async (): Promise<readonly Invited[] | null> => {
    if (isNobody(guest)) return draft.invited
    const read = await readGuest(floor, guest, centre.homeCountry)
    if ('problem' in read) {
      setProblem(read.problem)
      return null
    }
    const invited = add(read.invited)
    if (invited !== null) setGuest(NO_GUEST)
    return invited
  }
  const save = async (event: FormEvent) => {
    event.preventDefault()
    const invited = await withGuest()
    if (invited === null) return
    const startsAtMs = moment.atMs
    if (startsAtMs === null)
      return setProblem(moment.ofNight === null ? 'The day or the time is missing. Say when it begins.' : 'Say which time of that night is meant.')
    const plan: Plan = {
      title: draft.title,
      startsAtMs,
      lastsMs: Number(draft.minutes) * MINUTE,
      timeZone: draft.timeZone,
      invited,
      note: draft.note,
    }
    const reply = await command(
      conference === null
        ? { kind: 'planConference', plan }
        : { kind: 'replanConference', conferenceId: conference.id, sequence: shown ?? draft.sequence, plan },
    )
    if (!reply.ok) {
      if (reply.refusal.reason === 'conferenceChanged' && now !== null) setShown(now.sequence)
      return setProblem(`${reply.refusal.says} ${reply.refusal.next}`)
    }
    forget()
    if (conference !== null) onPlanned(conference.id)
    onClose()
  }
  const zones = [...new Set([centre.timeZone, draft.timeZone, ...Intl.supportedValuesOf('timeZone')])]
  return (
    <Dialog open onOpenChange={(open) => !open && onClose()} title={conference === null ? 'Arrange a conference' : 'Change the conference'}>
      <form onSubmit={(event) => void save(event)} className="space-y-3">
        <TextField label="Title" value={draft.title} maxLength={LONGEST_TITLE} autoComplete="off" onChange={(e) => set({ title: e.target.value })} />
        <div className="grid grid-cols-2 gap-3 sm:grid-cols-4">
          <DayField label="Day" className="" timeZone={draft.timeZone} value={draft.day} onDay={(day) => set({ day })} />
          <TimeField label="Begins" className="" value={draft.time} onTime={(time) => set({ time })} />
          <SelectField label="Lasts" value={draft.minutes} onChange={(e) => set({ minutes: e.target.value })}>
            {[...new Set([...LENGTHS, draft.minutes])].map((minutes) => (
              <option key={minutes} value={minutes}>
                {minutes} min
              </option>
            ))}
          </SelectField>
          <SelectField label="In the time of" value={draft.timeZone} onChange={(e) => set({ timeZone: e.target.value })}>
            {zones.map((z) => (
              <option key={z} value={z}>
                {zoneWords(z)}
              </option>
            ))}
          </SelectField>
        </div>
        <ClockNight moment={moment} />
        <fieldset>
          <legend className="font-semibold">Who</legend>
          <ul aria-label="Asked" className="mt-1 flex flex-wrap gap-2">
            {draft.invited.map((i, at) => {
              const name = nameOf(i, seats, centre)
              return (
                <li key={JSON.stringify(i)} className="flex items-center gap-1 rounded-sm border border-line-strong bg-paper pl-2">
                  <span className="max-w-56 truncate">{name}</span>
                  <Button
                    tone="quiet"
                    className="!h-6 !px-1"
                    aria-label={`Take out ${name}`}
                    onClick={() => set({ invited: draft.invited.filter((_, other) => other !== at) })}
                  >
                    Take out
                  </Button>
                </li>
              )
            })}
            {draft.invited.length === 0 && (
              <li className="text-soft">Nobody yet. {conference === null ? 'You are' : `${conference.host} is`} there as who arranges it.</li>
            )}
          </ul>
          <div className="mt-2 grid grid-cols-1 gap-3 sm:grid-cols-2">
            <SelectField label="A colleague" value="" onChange={(e) => e.target.value !== '' && add({ kind: 'agent', agentId: e.target.value as AgentId })}>
              <option value="">Choose…</option>
              {seats
                .filter((s) => s.id !== (conference?.hostAgentId ?? accountId))
                .map((s) => (
                  <option key={s.id} value={s.id}>
                    {s.name}
                  </option>
                ))}
            </SelectField>
            <SelectField
              label="Everybody of a queue"
              value=""
              onChange={(e) => {
                const queue = centre.queues.find((q) => q.id === e.target.value)
                if (queue !== undefined) add({ kind: 'queue', queueId: queue.id })
              }}
            >
              <option value="">Choose…</option>
              {centre.queues.map((q) => (
                <option key={q.id} value={q.id}>
                  {q.name}
                </option>
              ))}
            </SelectField>
          </div>
          <Guest guest={guest} onType={setGuest} onAsk={() => (isNobody(guest) ? setProblem(NO_NAME) : void withGuest())} />
        </fieldset>
        <label className="block">
          <span className="font-semibold">Note</span>
          <textarea
            value={draft.note}
            maxLength={1_000}
            rows={2}
            onChange={(e) => set({ note: e.target.value })}
            className="mt-1 w-full rounded-sm border border-line-strong bg-raised px-2 py-1"
          />
        </label>
        {problem !== null && <Problem of={draft.day === '' || draft.time === '' ? 'Day' : draft.title.trim() === '' ? 'Title' : undefined}>{problem}</Problem>}
        {now !== null && now.sequence !== draft.sequence && (
          <p role="status" className="border-brass border-l-4 pl-2">
            It stands now: {now.plan.title}, {whenWords(now, centre.timeZone, floorNow())}, {now.invitedNames.join(', ') || 'nobody asked'}.
          </p>
        )}
        <div className="flex justify-end">
          <Button tone="primary" type="submit">
            {conference === null ? 'Arrange it' : 'Keep the change'}
          </Button>
        </div>
      </form>
    </Dialog>
  )
}

interface GuestText {
  readonly name: string
  readonly number: string
  readonly email: string
}

const NO_GUEST: GuestText = { name: '', number: '', email: '' }
const isNobody = (guest: GuestText): boolean => Object.values(guest).every((text) => text.trim() === '')

interface GuestProps {
  readonly guest: GuestText
  readonly onType: (guest: GuestText) => void
  readonly onAsk: () => void
}

/** Somebody outside: by name, with a number or an address to send the code to. */
function Guest({ guest, onType, onAsk }: GuestProps) {
  const of = (part: keyof GuestText) => ({
    value: guest[part],
    autoComplete: 'off',
    onChange: (e: ChangeEvent<HTMLInputElement>) => onType({ ...guest, [part]: e.target.value }),
    onKeyDown: (e: KeyboardEvent) => {
      // Enter here asks whoever is typed, and arranges nothing yet.
      if (e.key !== 'Enter') return
      e.preventDefault()
      onAsk()
    },
  })
  return (
    <div className="mt-2 grid grid-cols-1 items-end gap-2 sm:grid-cols-[1fr_1fr_1fr_auto]">
      <TextField label="Somebody outside" placeholder="Name" {...of('name')} />
      <TextField label="Number" inputMode="tel" {...of('number')} />
      <TextField label="E-mail" inputMode="email" {...of('email')} />
      <Button onClick={onAsk}>Ask them</Button>
    </div>
  )
}

async function readGuest(
  floor: FloorClient | null,
  { name, number, email }: GuestText,
  homeCountry: string,
): Promise<{ readonly invited: Invited } | { readonly problem: string }> {
  if (name.trim() === '') return { problem: NO_NAME }
  if (email.trim() !== '' && !/^\S+@\S+\.\S+$/.test(email.trim())) return { problem: `“${email.trim()}” is no e-mail address. Correct it, or leave it empty.` }
  const dialled = number.trim() === '' ? null : await readNumber(floor, number, homeCountry)
  if (dialled !== null && 'problem' in dialled) return dialled
  return { invited: { kind: 'outside', name: name.trim(), number: dialled?.e164 ?? null, email: email.trim() } }
}

const NO_NAME = 'Whoever is asked from outside needs a name. Type one, or empty the fields.'

const withOne = (all: readonly Invited[], one: Invited): readonly Invited[] =>
  all.some((i) => JSON.stringify(i) === JSON.stringify(one)) ? all : [...all, one]

const nameOf = (i: Invited, seats: readonly SeatView[], centre: CentreView): string =>
  i.kind === 'outside'
    ? i.name
    : i.kind === 'agent'
      ? (seats.find((s) => s.id === i.agentId)?.name ?? 'somebody who is gone')
      : `${centre.queues.find((q) => q.id === i.queueId)?.name ?? 'a queue'}, everybody`

/** A number as the floor reads it. */
async function readNumber(floor: FloorClient | null, typed: string, homeCountry: string): Promise<{ readonly e164: string } | { readonly problem: string }> {
  const reply = await floor?.ask({ kind: 'numbers', write: [], read: [{ typed, homeCountry }] })
  if (reply === undefined || !reply.ok || reply.text === null) return { problem: 'The floor did not answer. Try again in a moment.' }
  const [reading] = (JSON.parse(reply.text) as NumbersSaid).read
  if (reading === undefined) return { problem: 'The number could not be read. Try again in a moment.' }
  if (reading.ok) return { e164: reading.number.e164 }
  const { says, next } = toRefusalText(reading.refusal)
  return { problem: `${says} ${next}` }
}
