// The product's button. Says what will happen when pressed; shows its shortcut while Alt is held.
import clsx from 'clsx'
import type { ButtonHTMLAttributes, ReactNode } from 'react'
import { useOwnKey } from './keys'
import { ShortcutHint } from './shortcut-hint'

export type Tone = 'plain' | 'primary' | 'loss' | 'brass' | 'quiet'

const TONES: Record<Tone, string> = {
  plain: 'border-line-strong bg-raised text-ink hover:bg-paper',
  primary: 'border-green bg-green text-on-fill hover:bg-green-deep',
  loss: 'border-red bg-raised text-red hover:bg-red-wash',
  brass: 'border-brass bg-brass-wash text-brass-text hover:bg-raised',
  quiet: 'border-transparent bg-transparent text-ink underline decoration-line-strong underline-offset-4 hover:decoration-ink',
}

export interface ButtonProps extends ButtonHTMLAttributes<HTMLButtonElement> {
  readonly tone?: Tone
  readonly size?: 'regular' | 'large'
  /** As shown to people: `Alt+H`. */
  readonly shortcut?: string
  readonly children: ReactNode
}

export function Button({ tone = 'plain', size = 'regular', shortcut, className, children, type = 'button', onKeyDown, ...rest }: ButtonProps) {
  const keys = useOwnKey(shortcut)
  return (
    <button
      type={type}
      data-acts
      aria-keyshortcuts={keys}
      onKeyDown={(event) => {
        // A key that is held down is one press, whatever has come to stand under the finger meanwhile.
        if (event.repeat && (event.key === 'Enter' || event.key === ' ')) event.preventDefault()
        onKeyDown?.(event)
      }}
      className={clsx(
        'relative inline-flex items-center justify-center gap-2 whitespace-nowrap rounded-sm border font-semibold',
        'disabled:border-line disabled:bg-paper disabled:text-soft',
        'aria-disabled:cursor-not-allowed aria-disabled:border-line aria-disabled:bg-paper aria-disabled:text-soft',
        size === 'large' ? 'h-10 px-5 text-base' : 'h-8 px-3 text-sm',
        TONES[tone],
        className,
      )}
      {...rest}
    >
      {children}
      {keys !== undefined && <ShortcutHint keys={keys} />}
    </button>
  )
}
