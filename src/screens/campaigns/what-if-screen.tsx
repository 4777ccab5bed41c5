'use client'
// A shift to come, played with the same pacing in a world like the one this campaign has met: as it is set up, and as it might be, beside what today came to.
import { zodResolver } from '@hookform/resolvers/zod'
import { useCallback, useEffect, useRef } from 'react'
import { useForm } from 'react-hook-form'
import type { CampaignId } from '@/core/ids'
import type { Met, WhatIfAsked } from '@/core/pacing'
import { DAY, MINUTE, SECOND } from '@/core/time'
import { Button, PlaceLink, Progress, SelectField, TextField } from '@/parts/ui'
import { MANNER_WORDS } from '@/parts/words'
import { floorNow } from '@/services/exchange/floor-time'
import type { CampaignView, CentreView } from '@/services/exchange/protocol'
import { useAllSeen } from '@/services/exchange/react'
import { useHistory, useHistoryOpening } from '@/services/history/react'
import { useAskedLists } from '@/services/lists/react'
import { useForeseen } from './use-foreseen'
import { asItIs, type WhatIfForm, WhatIfFormSchema } from './what-if-form'
import { WhatIfTable } from './what-if-table'

export function WhatIfScreen({ campaignId }: { campaignId: string }) {
  const seen = useAllSeen(({ centre, campaigns }) => ({ centre, campaigns }))
  const campaign = seen?.centre.campaigns.find((c) => c.id === campaignId)
  const view = seen?.campaigns.find((c) => c.id === campaignId)
  if (seen === null) return null
  if (campaign === undefined || view === undefined)
    return (
      <main className="px-6 py-6">
        <h1 className="font-semibold text-2xl">What if</h1>
        <p className="mt-2">There is no campaign at this address.</p>
      </main>
    )
  return (
    <main className="max-w-[80rem] px-6 py-5">
      <PlaceLink href={`/campaigns/${campaign.id}`} isHere={false}>
        {campaign.name}
      </PlaceLink>
      <h1 className="mt-1 font-semibold text-2xl">What if</h1>
      <p className="max-w-[75ch] text-soft">
        A shift to come, played many times with this product’s own pacing, among people who answer, talk and are away as this campaign has met them. Change what
        you like and compare.
      </p>
      <Ask campaign={campaign} view={view} />
    </main>
  )
}

/** Rates are learnt from so long. */
const LOOKS_BACK_MS = 30 * DAY

function useMet(campaignId: CampaignId): Met | null {
  const { value: onLists } = useAskedLists(useCallback((api) => api.met(campaignId), [campaignId]))
  const { value: handling } = useHistory(
    useCallback(
      (api) => {
        const nowMs = floorNow()
        return api.handling({ span: { fromMs: nowMs - LOOKS_BACK_MS, toMs: nowMs + DAY }, nowMs, campaignId })
      },
      [campaignId],
    ),
  )
  const { opening } = useHistoryOpening()
  return onLists === null || handling === null || opening === null ? null : { ...onLists, ...handling }
}

function Ask({ campaign, view }: { readonly campaign: CentreView['campaigns'][number]; readonly view: CampaignView }) {
  const met = useMet(campaign.id)
  const isNow = useForeseen()
  const mightBe = useForeseen()
  const states = view.left?.states
  const people = states === undefined ? 0 : states.fresh + states.again + states.waitingForHours
  const now = asItIs(campaign, { agents: view.onShift, people })
  const { register, handleSubmit, formState, reset, getValues } = useForm<WhatIfForm>({ resolver: zodResolver(WhatIfFormSchema), defaultValues: now })
  // How many are left is known a moment later than the rest.
  const isFilled = useRef(false)
  useEffect(() => {
    if (isFilled.current || states === undefined) return
    isFilled.current = true
    reset(asItIs(campaign, { agents: view.onShift, people }))
  }, [states, campaign, view.onShift, people, reset])
  const errors = formState.errors
  const text = (name: Exclude<keyof WhatIfForm, 'manner' | 'detector'>, label: string, hint?: string) => (
    <TextField label={label} inputMode="numeric" {...(hint === undefined ? {} : { hint })} problem={errors[name]?.message ?? null} {...register(name)} />
  )
  const asked = (form: WhatIfForm, m: Met): WhatIfAsked => ({
    manner: form.manner,
    agents: Number(form.agents),
    lines: Number(form.lines),
    abandonCap: Number(form.capPercent) / 100,
    list: { people: Number(form.people), perRecord: campaign.attempts.perRecord.perDay, gapMs: campaign.attempts.gapMs.noAnswer },
    met: m,
    shift: {
      fromHour: Number(form.fromHour),
      hours: Number(form.hours),
      detector: form.detector,
      detectorDrops: campaign.detectorDrops,
      ringLimitMs: campaign.ringLimitMs,
      connectLimitMs: campaign.connectLimitMs,
    },
  })
  const submit = handleSubmit((form) => {
    if (met === null) return
    const same = { ...asItIs(campaign, { agents: view.onShift, people }), fromHour: form.fromHour, hours: form.hours, shifts: form.shifts }
    isNow.ask(asked(same, met), Number(form.shifts))
    mightBe.ask(asked(form, met), Number(form.shifts))
  })
  const works = isNow.working.done !== null || mightBe.working.done !== null
  const done = Math.min(isNow.working.done ?? isNow.working.of, mightBe.working.done ?? mightBe.working.of)
  const seconds = Math.round((met?.wraps.length ?? 0) === 0 ? 0 : (met as Met).wraps.reduce((a, b) => a + b, 0) / (met as Met).wraps.length / SECOND)
  return (
    <>
      <form onSubmit={(event) => void submit(event)} className="mt-4 border-line border-y py-3">
        <div className="grid grid-cols-2 gap-x-4 gap-y-3 sm:grid-cols-4 lg:grid-cols-8">
          <SelectField label="Manner" {...register('manner')}>
            {Object.entries(MANNER_WORDS).map(([manner, words]) => (
              <option key={manner} value={manner}>
                {words}
              </option>
            ))}
          </SelectField>
          {text('agents', 'Agents')}
          {text('lines', 'Lines')}
          {text('capPercent', 'Cap (%)')}
          {text('fromHour', 'From o’clock')}
          {text('hours', 'Hours')}
          {text('people', 'People left')}
          {text('shifts', 'Shifts played')}
        </div>
        <div className="mt-3 flex flex-wrap items-center gap-4">
          <label className="flex items-center gap-2">
            <input type="checkbox" className="size-4 accent-green" {...register('detector')} /> Listen first whether it is a person
          </label>
          <span className="ml-auto flex gap-2">
            {works ? (
              <Button
                onClick={() => {
                  isNow.cancel()
                  mightBe.cancel()
                }}
              >
                Stop
              </Button>
            ) : (
              <Button onClick={() => reset({ ...now, fromHour: getValues('fromHour'), hours: getValues('hours') })}>As it is set up</Button>
            )}
            <Button type="submit" tone="primary" disabled={met === null || works}>
              {met === null ? 'Looking at what was met…' : 'Play the shift'}
            </Button>
          </span>
        </div>
        {works && (
          <div className="mt-3">
            <Progress label={`Shift ${done} of ${mightBe.working.of}`} done={done} of={mightBe.working.of} />
          </div>
        )}
      </form>
      <WhatIfTable view={view} isNow={isNow.working} mightBe={mightBe.working} gapMinutes={campaign.attempts.gapMs.noAnswer / MINUTE} />
      {met !== null && (
        <p className="mt-3 max-w-[80ch] text-soft text-xs">
          Learnt from {(met.connected + met.machines + met.busy + met.invalid + met.inVain).toLocaleString('en-GB')} attempts of this campaign and from{' '}
          {(met.talks.right.length + met.talks.other.length).toLocaleString('en-GB')} coded calls{seconds > 0 ? `, ${seconds} s of wrap-up each` : ''}. Where
          little was met, what is usual fills in: breaks of five minutes once an hour, and nobody has calls of queues besides.
        </p>
      )}
    </>
  )
}
