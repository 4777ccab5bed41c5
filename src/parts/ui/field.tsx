// A labelled field with room for one clear sentence when something is wrong.
import clsx from 'clsx'
import { type InputHTMLAttributes, type ReactNode, type Ref, type SelectHTMLAttributes, useId, useRef } from 'react'
import { useLedTo, useSaysOf } from './use-invalid'

const BOX = 'w-full rounded-sm border border-line-strong bg-raised px-2 text-ink aria-invalid:border-2 aria-invalid:border-red'

interface FieldProps {
  readonly label: string
  readonly problem?: string | null
  readonly hint?: string | undefined
}

interface TextFieldProps extends FieldProps, InputHTMLAttributes<HTMLInputElement> {
  /** In a row the name is not shown: what stands around it says it. */
  readonly inRow?: boolean
  readonly inputRef?: Ref<HTMLInputElement>
  readonly inputClassName?: string
  /** Stands in the field, at its end. */
  readonly children?: ReactNode
}

export function TextField({ label, inRow = false, problem = null, hint, className, inputRef, inputClassName, children, ...rest }: TextFieldProps) {
  const id = useId()
  const home = useRef<HTMLDivElement>(null)
  useLedTo(home, problem)
  return (
    <div ref={home} className={className}>
      {!inRow && (
        <label htmlFor={id} className="font-semibold">
          {label}
        </label>
      )}
      <div className={clsx('relative', !inRow && 'mt-1')}>
        <input
          ref={inputRef}
          id={id}
          className={clsx(BOX, 'h-8', children !== undefined && 'pr-7', inputClassName)}
          aria-label={inRow ? label : undefined}
          aria-invalid={problem !== null || undefined}
          aria-describedby={problem !== null || hint !== undefined ? `${id}-about` : undefined}
          {...rest}
        />
        {children}
      </div>
      <About id={`${id}-about`} problem={problem} hint={hint} />
    </div>
  )
}

/** The digits of an account: hidden, and never remembered by the browser. */
export function PinField({ label = 'PIN', value, onChange }: { label?: string; value: string; onChange: (pin: string) => void }) {
  return <TextField label={label} name="pin" type="password" inputMode="numeric" autoComplete="off" value={value} onChange={(e) => onChange(e.target.value)} />
}

export function SelectField({
  label,
  problem = null,
  hint,
  className,
  children,
  ...rest
}: FieldProps & SelectHTMLAttributes<HTMLSelectElement> & { children: ReactNode }) {
  const id = useId()
  return (
    <div className={className}>
      <label htmlFor={id} className="font-semibold">
        {label}
      </label>
      <select
        id={id}
        className={clsx(BOX, 'mt-1 h-8')}
        aria-invalid={problem !== null || undefined}
        aria-describedby={problem !== null || hint !== undefined ? `${id}-about` : undefined}
        {...rest}
      >
        {children}
      </select>
      <About id={`${id}-about`} problem={problem} hint={hint} />
    </div>
  )
}

export function About({ id, problem, hint }: { id: string; problem: string | null; hint?: string | undefined }) {
  if (problem !== null) return <Problem id={id}>{problem}</Problem>
  return hint === undefined ? null : (
    <p id={id} className="mt-1 text-soft text-xs">
      {hint}
    </p>
  )
}

/** Several things that are wrong, one to a line; nothing when there are none. */
export function Problems({ problems, label, className }: { problems: readonly string[]; label?: string; className?: string }) {
  if (problems.length === 0) return null
  return (
    <ul role="alert" aria-label={label} className={clsx('space-y-1 overflow-auto', className)}>
      {problems.map((says) => (
        <li key={says} className="border-red border-l-4 pl-2 text-red">
          {says}
        </li>
      ))}
    </ul>
  )
}

interface ProblemProps {
  readonly id?: string
  /** Label or name of the field it is about, in the form it stands in; `focused` for the one the keyboard is in. */
  readonly of?: string | undefined
  readonly className?: string
  readonly children: ReactNode
}

/** What is wrong and what to do; read out when it appears. */
export function Problem({ id, of, children, className }: ProblemProps) {
  const own = useId()
  const self = useRef<HTMLParagraphElement>(null)
  useSaysOf(self, of, children)
  return (
    <p ref={self} id={id ?? own} role="alert" className={clsx('mt-1 border-red border-l-4 pl-2 text-red', className)}>
      {children}
    </p>
  )
}
