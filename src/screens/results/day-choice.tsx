'use client'
// Which days are meant: kept in the address, so that a view can be sent to somebody.
import { useRouter, useSearchParams } from 'next/navigation'
import { useState } from 'react'
import { Button, DayField, Problem, useDraft } from '@/parts/ui'
import { type Days, lastSevenDays, PRESETS, parseDays } from './span'

/** The days of the address, and how to choose others. */
export function useDays(path: string): readonly [Days, (next: Days) => void] {
  const query = useSearchParams()
  const router = useRouter()
  // Where the address says nothing, those that were looked at last.
  const [kept, keep] = useDraft('days looked at', '')
  const [from = '', to = ''] = query.has('from') ? [query.get('from') ?? '', query.get('to') ?? ''] : kept.split(' ')
  const initial = parseDays(from, to)
  const [days, setDays] = useState<Days>(initial.ok ? initial.days : lastSevenDays(new Date()))
  const choose = (next: Days) => {
    setDays(next)
    keep(`${next.from} ${next.to}`)
    router.replace(`${path}?from=${next.from}&to=${next.to}`)
  }
  return [days, choose]
}

export function DayChoice({ days, onChoose }: { days: Days; onChoose: (days: Days) => void }) {
  /** What is typed while it makes no sense yet; null while the fields show the span that is on. */
  const [draft, setDraft] = useState<Days | null>(null)
  const { from, to } = draft ?? days
  const parsed = parseDays(from, to)
  // A field that holds no day says so itself.
  const problem = parsed.ok || from === '' || to === '' ? null : parsed.says
  const show = (next: Days) => {
    const wanted = parseDays(next.from, next.to)
    setDraft(wanted.ok ? null : next)
    if (wanted.ok) onChoose(wanted.days)
  }
  return (
    <fieldset className="flex flex-wrap items-end gap-2">
      <legend className="sr-only">Days</legend>
      {PRESETS.map((preset) => {
        const wanted = preset.days(new Date())
        return (
          <Button
            key={preset.label}
            aria-pressed={wanted.from === days.from && wanted.to === days.to}
            className="aria-pressed:border-ink aria-pressed:bg-ink aria-pressed:text-on-fill"
            onClick={() => show(wanted)}
          >
            {preset.label}
          </Button>
        )
      })}
      <DayField label="From" leans="back" className="w-33" value={from} onDay={(day) => show({ from: day, to })} />
      <DayField label="To" leans="back" className="w-33" value={to} onDay={(day) => show({ from, to: day })} />
      {problem !== null && <Problem of="focused">{problem}</Problem>}
    </fieldset>
  )
}
