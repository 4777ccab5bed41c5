'use client'
// What fields for days and times look like, with a label above them or in a row of others that name themselves.
import clsx from 'clsx'
import { type InputHTMLAttributes, type ReactNode, type Ref, useId, useRef } from 'react'
import { About } from '@/parts/ui/field'
import { useLedTo } from '@/parts/ui/use-invalid'

export interface MomentFieldProps {
  readonly label: string
  /** In a row the name is not shown: what stands around it says it. */
  readonly inRow?: boolean
  readonly problem?: string | null
  readonly hint?: string | undefined
  readonly className?: string
  readonly disabled?: boolean
  readonly id?: string
}

interface Props extends MomentFieldProps {
  readonly field: InputHTMLAttributes<HTMLInputElement>
  readonly inputRef?: Ref<HTMLInputElement>
  /** Stands in the field, at its end. */
  readonly children?: ReactNode
}

export function MomentBox({ label, inRow = false, problem = null, hint, className, disabled, id, field, inputRef, children }: Props) {
  const own = useId()
  const home = useRef<HTMLDivElement>(null)
  useLedTo(home, problem)
  const fieldId = id ?? own
  const isDescribed = problem !== null || hint !== undefined
  return (
    <div ref={home} className={className}>
      {!inRow && (
        <label htmlFor={fieldId} className="font-semibold">
          {label}
        </label>
      )}
      <div className={clsx('relative', !inRow && 'mt-1')}>
        <input
          ref={inputRef}
          id={fieldId}
          type="text"
          spellCheck={false}
          aria-label={inRow ? label : undefined}
          aria-invalid={problem !== null || undefined}
          aria-describedby={isDescribed ? `${fieldId}-about` : undefined}
          disabled={disabled}
          className={clsx(
            'h-8 w-full rounded-sm border border-line-strong bg-raised pl-2 text-ink aria-invalid:border-2 aria-invalid:border-red',
            children === undefined ? 'tabular pr-2' : 'pr-7',
          )}
          {...field}
        />
        {children}
      </div>
      <About id={`${fieldId}-about`} problem={problem} hint={hint} />
    </div>
  )
}
