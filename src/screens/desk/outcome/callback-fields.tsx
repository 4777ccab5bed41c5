'use client'
// When the callback was agreed for, in the customer's own time; whom it is with and whose it is.
import { useId } from 'react'
import type { Ask } from '@/core/floor'
import type { AnswerValue } from '@/core/scripts'
import { DAY, HOUR } from '@/core/time'
import type { Work } from '@/core/work'
import { Button, ClockNight, DayField, inZone, type Moment, TimeField, useDraft, useMoment, useNowMs, zonesOf, zoneWords } from '@/parts/ui'
import { numberWords } from '@/parts/words'
import { useNumberReader } from '@/screens/desk/number-reader'
import type { CentreView } from '@/services/exchange/protocol'

type Callback = NonNullable<Extract<Ask, { kind: 'saveOutcome' }>['callback']>

export interface CallbackDraft {
  readonly day: string
  readonly time: string
  /** Empty while it is not known which of several it is. */
  readonly zone: string
  readonly zones: readonly string[]
  readonly typed: string
  readonly owner: 'mine' | 'anyone'
  set(change: Partial<Record<'day' | 'time' | 'zone' | 'typed' | 'owner', string>>): void
  readonly moment: Moment
  /** As the floor takes it; undefined while it is no instant. */
  readonly value: Callback | undefined
  forget(): void
}

/** What is typed survives a reload, and a change of code and back. */
export function useCallbackDraft({ id: callId, number, run }: Work, centre: CentreView): CallbackDraft {
  const [typedDay, setDay, forgetDay] = useDraft(`${callId} callback day`, '')
  const [typedTime, setTime, forgetTime] = useDraft(`${callId} callback time`, '')
  // What the script has taken down already is not asked for again.
  const [givenDay = '', givenTime = ''] = momentIn(run?.answers ?? {})?.split('T') ?? []
  const day = typedDay || givenDay
  const time = typedTime || givenTime
  const [chosenZone, setZone, forgetZone] = useDraft(`${callId} callback zone`, '')
  const [typed, setTyped, forgetTyped] = useDraft(`${callId} callback number`, '')
  const [owner, setOwner, forgetOwner] = useDraft(`${callId} callback owner`, 'mine')
  const readNumber = useNumberReader()
  const reading = typed.trim() === '' && number === null ? undefined : readNumber(typed.trim() === '' ? (number ?? '') : typed, centre.homeCountry)
  const country = reading?.ok ? reading.number.readAs : null
  // At home the centre's own zone is meant. A country of several does not tell which: the agent asks.
  const abroad = country === null || country === centre.homeCountry ? [] : zonesOf(country)
  const zones = abroad.length === 0 ? [centre.timeZone] : abroad
  const [only = ''] = zones.length === 1 ? zones : []
  const zone = zones.includes(chosenZone) ? chosenZone : only
  const moment = useMoment(day, time, zone)
  const dueAtMs = moment.atMs
  const setters = { day: setDay, time: setTime, zone: setZone, typed: setTyped, owner: setOwner }
  return {
    day,
    time,
    zone,
    zones,
    typed,
    moment,
    owner: owner === 'anyone' ? 'anyone' : 'mine',
    set: (change) => {
      for (const [field, value] of Object.entries(change)) setters[field as keyof typeof setters](value)
    },
    value: dueAtMs === null ? undefined : { dueAtMs, timeZone: zone, typed, owner: owner === 'anyone' ? 'anyone' : 'mine' },
    forget: () => {
      for (const forget of [forgetDay, forgetTime, forgetZone, forgetTyped, forgetOwner]) forget()
    },
  }
}

/** The last answer that is a day and a time. */
const momentIn = (answers: Readonly<Record<string, AnswerValue>>): string | undefined =>
  Object.values(answers).findLast((value): value is string => typeof value === 'string' && /^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}$/.test(value))

const BOX = 'h-8 rounded-sm border border-line-strong bg-raised px-2'

export function CallbackFields({ draft, number, centre }: { draft: CallbackDraft; number: string | null; centre: CentreView }) {
  const now = useNowMs()
  const id = useId()
  const { zone, zones, value } = draft
  const preset = (atMs: number) => draft.set({ day: inZone(atMs, zone, 'yyyy-MM-dd'), time: inZone(atMs, zone, 'HH:mm') })
  const tomorrow = () => draft.set({ day: inZone(now + DAY, zone, 'yyyy-MM-dd'), time: '09:00' })
  return (
    <fieldset className="mt-2 border-brass border-l-4 pl-2">
      <legend className="sr-only">Callback</legend>
      <div className="flex items-center gap-1.5">
        <span aria-hidden className="mr-auto font-semibold">
          Callback
        </span>
        <Button className="!h-6 !px-2" disabled={zone === ''} onClick={() => preset(now + HOUR)}>
          In 1 hour
        </Button>
        <Button className="!h-6 !px-2" disabled={zone === ''} onClick={tomorrow}>
          Tomorrow 09:00
        </Button>
      </div>
      <div className="mt-1 flex flex-wrap items-center gap-1.5">
        <DayField inRow label="Callback day" timeZone={zone} value={draft.day} onDay={(day) => draft.set({ day })} />
        <TimeField inRow label="Callback time" value={draft.time} onTime={(time) => draft.set({ time })} />
        {zones.length > 1 ? (
          <select aria-label="In the time of" className={`${BOX} min-w-0 flex-1`} value={zone} onChange={(e) => draft.set({ zone: e.target.value })}>
            {zone === '' && <option value="">Which time zone?</option>}
            {zones.map((z) => (
              <option key={z} value={z}>
                {zoneWords(z)}
              </option>
            ))}
          </select>
        ) : (
          <span className="text-soft">{zoneWords(zone)} time</span>
        )}
        <ClockNight moment={draft.moment} />
      </div>
      <div className="mt-1 flex items-center gap-1.5">
        <select aria-label="Owner of the callback" className={BOX} value={draft.owner} onChange={(e) => draft.set({ owner: e.target.value })}>
          <option value="mine">Mine</option>
          <option value="anyone">Anyone</option>
        </select>
        <label htmlFor={`${id}-number`} className="text-soft">
          on
        </label>
        <input
          id={`${id}-number`}
          aria-label="Callback number"
          inputMode="tel"
          className={`${BOX} tabular min-w-0 flex-1`}
          placeholder={number === null ? 'Their number' : numberWords(number)}
          value={draft.typed}
          onChange={(e) => draft.set({ typed: e.target.value })}
        />
      </div>
      {value !== undefined && (
        <p aria-live="polite" className={value.dueAtMs <= now ? 'mt-1 text-red' : 'mt-1 text-soft'}>
          {value.dueAtMs <= now && 'That time has passed already: '}
          {inZone(value.dueAtMs, zone, 'EEEE d MMMM, HH:mm')}
          {zone !== centre.timeZone && ` there, ${inZone(value.dueAtMs, centre.timeZone, 'EEE HH:mm')} here`}
        </p>
      )}
    </fieldset>
  )
}

/** From when on the person is there, where somebody has said so. */
export function UntilFields({ draft, centre }: { draft: CallbackDraft; centre: CentreView }) {
  const now = useNowMs()
  const { zone, value } = draft
  return (
    <fieldset className="mt-2 flex flex-wrap items-center gap-1.5 border-brass border-l-4 pl-2">
      <legend className="sr-only">Not there until</legend>
      <span aria-hidden className="font-semibold">
        Not there until
      </span>
      <DayField inRow label="Not there until, day" timeZone={zone} value={draft.day} onDay={(day) => draft.set({ day })} />
      <TimeField inRow label="Not there until, time" value={draft.time} onTime={(time) => draft.set({ time })} />
      <span className={value !== undefined && value.dueAtMs <= now ? 'text-red' : 'text-soft'}>
        {value === undefined
          ? 'if they said so'
          : value.dueAtMs <= now
            ? 'has passed already'
            : `not called before ${inZone(value.dueAtMs, zone || centre.timeZone, 'EEE d MMM, HH:mm')}`}
      </span>
      <ClockNight moment={draft.moment} />
    </fieldset>
  )
}
