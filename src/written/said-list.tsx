'use client'
// What was said in a piece, to be read and not to be answered.
import { format } from 'date-fns'
import { useEffect, useRef } from 'react'
import type { Line } from '@/core/threads'

/** Of one line as many characters as somebody reads. */
const CHARACTERS_SHOWN = 2_000

interface Props {
  readonly label: string
  readonly lines: readonly Line[]
  /** null: the other side. */
  readonly nameOf: (byAgentId: Line['byAgentId']) => string
}

export function SaidList({ label, lines, nameOf }: Props) {
  const end = useRef<HTMLLIElement>(null)
  // Whoever reads along is at its end.
  // biome-ignore lint/correctness/useExhaustiveDependencies: a new line is what it follows
  useEffect(() => {
    end.current?.scrollIntoView({ block: 'nearest' })
  }, [lines.length])
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls must be reachable by keyboard
    <ol aria-label={label} tabIndex={0} className="max-h-96 overflow-auto -outline-offset-4">
      {lines.map((line) => (
        <li key={line.no} className="py-1 [contain-intrinsic-size:auto_44px] [content-visibility:auto]">
          <span className="tabular text-soft text-xs">{format(line.atMs, 'HH:mm:ss')}</span>{' '}
          <strong className={line.byAgentId === null ? '' : 'text-green'}>{nameOf(line.byAgentId)}</strong>
          {line.aside && <span className="text-brass-text"> · for colleagues only</span>}
          {line.sent?.state === 'failed' && <span className="text-red"> · not delivered: {line.sent.why}</span>}
          <p dir="auto" className="whitespace-pre-wrap [overflow-wrap:anywhere]">
            {line.text.slice(0, CHARACTERS_SHOWN)}
            {line.text.length > CHARACTERS_SHOWN && ` … and ${(line.text.length - CHARACTERS_SHOWN).toLocaleString('en-GB')} more characters`}
          </p>
        </li>
      ))}
      <li ref={end} aria-hidden="true" />
    </ol>
  )
}
