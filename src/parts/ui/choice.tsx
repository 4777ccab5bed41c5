'use client'
// One of a few, each with a line that says what it means: radio buttons on Radix.
import { RadioGroup } from 'radix-ui'
import { type ReactNode, useId } from 'react'

export interface ChoiceOption<T extends string> {
  readonly value: T
  readonly label: string
  readonly means?: ReactNode
}

interface Props<T extends string> {
  readonly label: string
  readonly value: T | ''
  readonly options: readonly ChoiceOption<T>[]
  readonly onChange: (value: T) => void
  readonly className?: string
}

export function Choice<T extends string>({ label, value, options, onChange, className = 'space-y-1' }: Props<T>) {
  const id = useId()
  return (
    <RadioGroup.Root aria-label={label} value={value} onValueChange={(next) => onChange(next as T)} className={className}>
      {options.map((option) => (
        <div key={option.value} className="flex items-baseline gap-2">
          <RadioGroup.Item
            id={`${id}-${option.value}`}
            value={option.value}
            aria-label={option.label}
            className="relative top-0.5 size-4 shrink-0 rounded-full border border-line-strong bg-raised data-[state=checked]:border-[5px] data-[state=checked]:border-green"
          />
          <label htmlFor={`${id}-${option.value}`} className="cursor-pointer">
            <span className="font-semibold">{option.label}</span>
            {option.means !== undefined && <span className="text-soft"> {option.means}</span>}
          </label>
        </div>
      ))}
    </RadioGroup.Root>
  )
}
