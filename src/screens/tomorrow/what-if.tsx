'use client'
// What if: a day to come, or one that came, played by the real rules as it is and with something changed.
import { zodResolver } from '@hookform/resolvers/zod'
import { addDays, format } from 'date-fns'
import { useEffect, useRef, useState } from 'react'
import { useForm } from 'react-hook-form'
import { type Compared, NO_CHANGE } from '@/core/coming-day'
import { toCsv } from '@/core/csv'
import type { QueueId } from '@/core/ids'
import { HistoryProgress } from '@/parts/frame'
import { Button, DayField, PlaceLink, Problem, Progress, SelectField, saveFile, TextField } from '@/parts/ui'
import { type Asking, compareAside } from '@/screens/tomorrow/day-ahead/client'
import { floorNow } from '@/services/exchange/floor-time'
import { useSeen } from '@/services/exchange/react'
import { ComparedTable, FIGURE_WORDS, figureText, isSure } from './compared-table'
import { LevelChart } from './level-chart'
import { type BasisWish, STAFFING, useBasis } from './use-basis'
import { useMet } from './use-met'
import { changeOf, UNCHANGED, type WhatIfForm, WhatIfFormSchema } from './what-if-form'

const STAFF_WORDS: Readonly<Record<BasisWish['staff'], string>> = {
  plan: 'as the kept plan has them',
  together: 'as needed, together (80 %)',
  apart: 'as needed, apart (80 %)',
  came: 'as they were on shift',
  number: 'so many all day',
}

type Working = { readonly done: number; readonly of: number }

export function WhatIf() {
  const [nowMs] = useState(floorNow)
  const [wish, setWish] = useState<BasisWish>({ day: format(addDays(nowMs, 1), 'yyyy-MM-dd'), calls: 'expected', staff: 'together', agents: 8 })
  const [agentsTyped, setAgentsTyped] = useState('8')
  const agents = /^\d+$/.test(agentsTyped.trim()) && Number(agentsTyped) >= 1 && Number(agentsTyped) <= 500 ? Number(agentsTyped) : null
  const { basis, kept, missing } = useBasis({ ...wish, agents: agents ?? 8 })
  const queues = useSeen((view) => view.centre.queues) ?? []
  const campaigns = (useSeen((view) => view.centre.campaigns) ?? []).filter((c) => !c.retired)
  const [working, setWorking] = useState<Working | null>(null)
  const [found, setFound] = useState<Compared | null>(null)
  const [problem, setProblem] = useState<string | null>(null)
  const [calledOff, setCalledOff] = useState(false)
  const asking = useRef<Asking<Compared> | null>(null)
  useEffect(() => () => asking.current?.cancel(), [])
  const { register, handleSubmit, formState, reset, watch } = useForm<WhatIfForm>({ resolver: zodResolver(WhatIfFormSchema), defaultValues: UNCHANGED })
  const errors = formState.errors
  const met = useMet(watch('campaign'))
  const isMet = watch('campaign') === '' || met !== null
  const text = (name: keyof WhatIfForm, label: string, type = 'text') => (
    <TextField label={label} type={type} inputMode={type === 'text' ? 'numeric' : undefined} problem={errors[name]?.message ?? null} {...register(name)} />
  )
  const choose = (next: Partial<BasisWish>) => setWish((now) => ({ ...now, ...next }))

  const play = handleSubmit(async (form) => {
    if (basis === null || (form.campaign !== '' && met === null)) return
    setProblem(null)
    setCalledOff(false)
    const of = Number(form.days)
    setWorking({ done: 0, of })
    const next = compareAside(basis, [NO_CHANGE, changeOf(form, met)], of, (done, soFar) => {
      if (asking.current !== next) return
      setWorking({ done, of })
      if (soFar !== null) setFound(soFar)
    })
    asking.current = next
    try {
      const answer = await next.answer
      if (answer === null) setCalledOff(true)
      else setFound(answer)
    } catch (error) {
      setProblem(`The day could not be played: ${error instanceof Error ? error.message : String(error)}. Nothing is lost; press Play again.`)
    } finally {
      if (asking.current === next) setWorking(null)
    }
  })
  const nameOf = (id: QueueId) => queues.find((q) => q.id === id)?.name ?? 'a queue of before'

  return (
    <main className="mx-auto max-w-[80rem] px-6 pt-4 pb-12">
      <div className="flex items-baseline gap-4">
        <h1 className="font-semibold text-2xl">What if</h1>
        <PlaceLink href="/floor" isHere={false}>
          Floor
        </PlaceLink>
        <PlaceLink href="/floor/tomorrow" isHere={false}>
          Tomorrow
        </PlaceLink>
      </div>
      <p className="mt-1 max-w-[85ch] text-soft">
        A day played many times by the rules in use: callers as they were measured, agents with their queues and skills, breaks, rings and wrap-ups. Change
        something, and see what it makes.
      </p>
      <form onSubmit={(event) => void play(event)} className="mt-4 space-y-4 border-line border-y py-4" noValidate>
        <fieldset className="flex flex-wrap items-start gap-4">
          <legend className="eyebrow mb-1">The day</legend>
          <DayField label="Day" value={wish.day} onDay={(day) => choose({ day })} />
          <SelectField label="Calls" className="w-48" value={wish.calls} onChange={(e) => choose({ calls: e.target.value === 'came' ? 'came' : 'expected' })}>
            <option value="expected">as expected</option>
            <option value="came">as they came that day</option>
          </SelectField>
          <SelectField
            label="Agents"
            className="w-60"
            value={wish.staff}
            onChange={(e) => choose({ staff: STAFFING.find((s) => s === e.target.value) ?? 'together' })}
          >
            {STAFFING.map((s) => (
              <option key={s} value={s}>
                {s === 'plan' && kept === null ? `${STAFF_WORDS[s]} (none kept)` : STAFF_WORDS[s]}
              </option>
            ))}
          </SelectField>
          {wish.staff === 'number' && (
            <TextField
              label="So many"
              inputMode="numeric"
              className="w-24"
              value={agentsTyped}
              problem={agents === null ? 'A number from 1 to 500.' : null}
              onChange={(e) => setAgentsTyped(e.target.value)}
            />
          )}
        </fieldset>
        <fieldset>
          <legend className="eyebrow mb-1">What would be otherwise</legend>
          <div className="grid grid-cols-2 gap-x-4 gap-y-3 sm:grid-cols-4 lg:grid-cols-8">
            {text('callsPercent', 'Calls, %')}
            {text('moreAgents', 'Agents, ±')}
            {text('talkPercent', 'Talk time, %')}
            {text('wrapUpPercent', 'Wrap-up, %')}
            {text('opens', 'Opens at', 'time')}
            {text('closes', 'Closes at', 'time')}
            <SelectField label="Others asked" {...register('overflow')}>
              <option value="asSetUp">as set up</option>
              <option value="never">never</option>
              <option value="after">after …</option>
            </SelectField>
            {watch('overflow') === 'after' && text('overflowSeconds', '… seconds')}
            <SelectField label="Storm at" {...register('stormQueue')}>
              <option value="">nowhere</option>
              {queues.map((q) => (
                <option key={q.id} value={q.id}>
                  {q.name}
                </option>
              ))}
            </SelectField>
            <SelectField label="Campaign beside" {...register('campaign')}>
              <option value="">none</option>
              {campaigns.map((c) => (
                <option key={c.id} value={c.id}>
                  {c.name}
                </option>
              ))}
            </SelectField>
            {watch('campaign') !== '' && (
              <>
                {text('campaignAgents', 'Worked by')}
                {text('campaignFrom', 'Called from', 'time')}
                {text('campaignTo', 'Called to', 'time')}
              </>
            )}
            {watch('stormQueue') !== '' && (
              <>
                {text('stormFrom', 'From', 'time')}
                {text('stormMore', 'More an hour')}
              </>
            )}
          </div>
          <div className="mt-3 flex flex-wrap gap-x-6 gap-y-2">
            {watch('stormQueue') !== '' && (
              <label className="flex items-center gap-2">
                <input type="checkbox" className="size-4 accent-green" {...register('stormSwitched')} /> switched to storm then
              </label>
            )}
            <label className="flex items-center gap-2">
              <input type="checkbox" className="size-4 accent-green" {...register('allTakeAll')} /> everybody takes every queue
            </label>
            <label className="flex items-center gap-2">
              <input type="checkbox" className="size-4 accent-green" {...register('putThrough')} /> calls are put through without ringing
            </label>
          </div>
        </fieldset>
        <div className="flex flex-wrap items-end gap-4">
          <div className="w-28">{text('days', 'Days played')}</div>
          {working === null ? (
            <>
              <Button type="submit" tone="primary" disabled={basis === null || !isMet || (wish.staff === 'number' && agents === null)}>
                Play the day
              </Button>
              <Button onClick={() => reset(UNCHANGED)}>Change nothing</Button>
            </>
          ) : (
            <Button onClick={() => asking.current?.cancel()}>Call off</Button>
          )}
          {found !== null && working === null && (
            <Button className="ml-auto" onClick={() => saveFile(`what-if-${wish.day}.csv`, toWhatIfCsv(found, nameOf), 'text/csv')}>
              Save as CSV
            </Button>
          )}
        </div>
        {working !== null && <Progress label={`Day ${working.done} of ${working.of}`} done={working.done} of={working.of} />}
        <p role="status" className={missing === null && !calledOff ? 'sr-only' : 'text-soft'}>
          {missing ?? (calledOff ? `Called off. ${found === null ? 'Nothing was finished.' : `Shown is what came of the first ${found.days} days.`}` : '')}
        </p>
      </form>
      <HistoryProgress />
      {problem !== null && <Problem className="mt-4">{problem}</Problem>}
      {found !== null && (
        <section aria-label="What comes of it" aria-busy={working !== null} className="mt-5 space-y-5">
          <p className="text-lg">{sentence(found)}</p>
          <LevelChart inTime={found.inTime} />
          <ComparedTable compared={found} nameOf={nameOf} />
        </section>
      )}
    </main>
  )
}

function sentence({ figures: { serviceLevel } }: Compared): string {
  const { first, second, difference } = serviceLevel
  if (first === null || second === null || difference === null) return 'Nobody calls on such a day.'
  const [was, is] = [figureText('serviceLevel', first.mean), figureText('serviceLevel', second.mean)]
  if (!isSure(serviceLevel)) return `${is} are answered in time, as good as the ${was} without the change.`
  const points = Math.abs(difference.mean * 100).toFixed(1)
  return `${is} are answered in time instead of ${was}: ${points} points ${difference.mean > 0 ? 'more' : 'fewer'}.`
}

function toWhatIfCsv({ figures, queues, days }: Compared, nameOf: (id: QueueId) => string): string {
  const sides = ['first', 'second', 'difference'] as const
  const line = (of: string, figure: keyof typeof figures, pair: (typeof figures)['offered']) => [
    ...[of, FIGURE_WORDS[figure], days],
    ...sides.flatMap<string | number>((side) => {
      const spread = pair[side]
      return spread === null ? ['', '', ''] : [spread.mean, spread.meanFrom, spread.meanTo]
    }),
  ]
  const heads = ['as is', 'changed', 'difference'].flatMap((side) => [`${side}: mean`, `${side}: from`, `${side}: to`])
  return toCsv(
    ['of', 'figure', 'days', ...heads],
    [
      ...Object.entries(figures).map(([figure, pair]) => line('all queues', figure as keyof typeof figures, pair)),
      ...queues.flatMap((q) => Object.entries(q.figures).map(([figure, pair]) => line(nameOf(q.queueId), figure as keyof typeof figures, pair))),
    ],
  )
}
