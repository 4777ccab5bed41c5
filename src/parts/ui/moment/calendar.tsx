'use client'
// A month of days to choose from, on react-day-picker; in the looks of the house.
import { format, parseISO } from 'date-fns'
import { DayPicker } from 'react-day-picker'

const STYLES = {
  root: 'relative text-sm',
  months: 'flex',
  nav: 'absolute top-0 right-0 flex gap-1',
  button_previous: 'flex size-8 items-center justify-center rounded-sm border border-line-strong hover:bg-paper',
  button_next: 'flex size-8 items-center justify-center rounded-sm border border-line-strong hover:bg-paper',
  chevron: 'size-4 fill-current',
  month_caption: 'flex h-8 items-center font-semibold',
  weekday: 'h-7 w-9 font-normal text-soft text-xs',
  day: 'p-0 text-center',
  day_button: 'tabular size-9 rounded-sm hover:bg-paper',
  today: '[&>button]:font-bold [&>button]:underline',
  outside: 'text-soft',
  selected: '[&>button]:bg-green [&>button]:text-on-fill [&>button]:hover:bg-green-deep',
} as const

/** As they are written beside everything else; the number that is seen is a word of what is read. */
const LABELS = {
  labelDayButton: (day: Date) => format(day, 'EEEE d MMMM yyyy'),
  labelNext: () => 'Next month',
  labelPrevious: () => 'Month before',
} as const

export function Calendar({ value, today, onDay }: { value: string; today: string; onDay: (day: string) => void }) {
  const chosen = value === '' ? undefined : parseISO(value)
  return (
    <DayPicker
      mode="single"
      required
      autoFocus
      showOutsideDays
      weekStartsOn={1}
      today={parseISO(today)}
      defaultMonth={chosen ?? parseISO(today)}
      selected={chosen}
      onSelect={(day: Date) => onDay(format(day, 'yyyy-MM-dd'))}
      classNames={STYLES}
      labels={LABELS}
    />
  )
}
