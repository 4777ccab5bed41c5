'use client'
// The one field for a day: typed in any usual form, stepped with the arrows, chosen in a calendar, and shown back in words.
import { CalendarDays } from 'lucide-react'
import { lazy, Suspense, useRef, useState } from 'react'
import { TextField } from '@/parts/ui/field'
import { useNowMs } from '@/parts/ui/now'
import { Popover } from '@/parts/ui/popover'
import { inZone } from '@/parts/ui/zoned'
import type { MomentFieldProps } from './moment-field'
import { dayShown, dayStepped, isDay, type Leans, readDay } from './read'
import { useTyped } from './use-typed'

// A calendar is opened seldom, and every page has fields for days.
const Calendar = lazy(() => import('./calendar').then(({ Calendar }) => ({ default: Calendar })))

const MINUTE = 60_000
const STEPS: Readonly<Record<string, number>> = { ArrowUp: 1, ArrowDown: -1, PageUp: 7, PageDown: -7 }
const HERE = Intl.DateTimeFormat().resolvedOptions().timeZone

interface Props extends MomentFieldProps {
  /** ISO day, or '' for none. */
  readonly value: string
  readonly onDay: (day: string) => void
  /** Where it is that day; here without it. */
  readonly timeZone?: string | undefined
  readonly leans?: Leans
}

export function DayField({ value, onDay, timeZone = HERE, leans = 'ahead', problem = null, className = 'w-40', ...box }: Props) {
  const today = inZone(useNowMs(MINUTE), timeZone === '' ? HERE : timeZone, 'yyyy-MM-dd')
  const [isOpen, setIsOpen] = useState(false)
  const input = useRef<HTMLInputElement>(null)
  const typed = useTyped({
    value,
    onValue: onDay,
    read: (text) => readDay(text, today, leans),
    shown: (day) => (isDay(day) ? dayShown(day, today) : day),
    says: 'That is no day. Type it as 2.12., 2 Dec, Wednesday or tomorrow.',
    stepped: (day, key) => (STEPS[key] === undefined || !isDay(day) ? null : dayStepped(day, STEPS[key])),
  })
  const { onKeyDown } = typed.field
  const field = {
    ...typed.field,
    onKeyDown: (event: Parameters<typeof onKeyDown>[0]) => {
      if (event.altKey && event.key === 'ArrowDown') {
        event.preventDefault()
        setIsOpen(true)
      } else onKeyDown(event)
    },
  }
  return (
    <TextField {...box} {...field} spellCheck={false} className={className} problem={problem ?? typed.problem} inputRef={input}>
      <Popover
        label={`Calendar: ${box.label}`}
        className="w-auto"
        open={isOpen}
        onOpenChange={setIsOpen}
        onClosed={() => input.current?.focus()}
        trigger={
          <button
            type="button"
            // Typing and arrows are as quick: whoever goes round by Tab goes past it, and opens it from the field.
            tabIndex={-1}
            aria-label="Open the calendar"
            title="Alt+↓"
            className="absolute inset-y-0 right-0 flex w-7 items-center justify-center text-soft hover:text-ink"
          >
            <CalendarDays aria-hidden className="size-4" />
          </button>
        }
      >
        <Suspense fallback={<p className="text-soft">Opening…</p>}>
          <Calendar
            value={isDay(value) ? value : ''}
            today={today}
            onDay={(day) => {
              typed.show(day)
              setIsOpen(false)
            }}
          />
        </Suspense>
      </Popover>
    </TextField>
  )
}
