'use client'
// The one field for a time of the day: typed in any usual form, stepped with the arrows, shown back as `14:30`.
import { TextField } from '@/parts/ui/field'
import type { MomentFieldProps } from './moment-field'
import { readTime, timeStepped } from './read'
import { useTyped } from './use-typed'

const STEPS: Readonly<Record<string, number>> = { ArrowUp: 5, ArrowDown: -5, PageUp: 60, PageDown: -60 }

interface Props extends MomentFieldProps {
  /** `HH:mm`, or '' for none. */
  readonly value: string
  readonly onTime: (time: string) => void
}

export function TimeField({ value, onTime, problem = null, className = 'w-24', ...box }: Props) {
  const typed = useTyped({
    value,
    onValue: onTime,
    read: readTime,
    shown: (time) => time,
    says: 'That is no time of day. Type it as 9:30, 14:30 or 2:30 pm.',
    stepped: (time, key) => (STEPS[key] === undefined ? null : timeStepped(time, STEPS[key])),
  })
  return <TextField {...box} {...typed.field} className={className} inputClassName="tabular" problem={problem ?? typed.problem} />
}
