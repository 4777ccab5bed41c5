'use client'
// Which made-up caller the script is read to.
import clsx from 'clsx'
import { CALLERS } from './callers'

interface Props {
  readonly label: string
  readonly callerNo: number
  readonly onCaller: (no: number) => void
  readonly className: string
  readonly fieldClassName: string
}

export function CallerChoice({ label, callerNo, onCaller, className, fieldClassName }: Props) {
  return (
    <label className={className}>
      <span className="text-soft">{label}</span>
      <select
        className={clsx('rounded-sm border border-line-strong bg-raised', fieldClassName)}
        value={callerNo}
        onChange={(e) => onCaller(Number(e.target.value))}
      >
        {CALLERS.map((c, i) => (
          <option key={c.label} value={i}>
            {c.label}
          </option>
        ))}
      </select>
    </label>
  )
}
