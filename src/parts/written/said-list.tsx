'use client'
// What was said in a piece, to be read and not to be answered.
import { format } from 'date-fns'
import { useEffect, useRef, useState } from 'react'
import type { Line } from '@/core/threads'
import { Button } from '@/parts/ui'
import { LongText } from './long-text'
import { STRETCH } from './stretch'
import { useStays } from './use-stays'

interface Props {
  readonly label: string
  readonly lines: readonly Line[]
  /** null: the other side. */
  readonly nameOf: (byAgentId: Line['byAgentId']) => string
}

/** Turned by so many lines. */
const PAGE = 200

export function SaidList({ label, lines, nameOf }: Props) {
  /** The line behind the last one that is shown; null at the end. */
  const [until, setUntil] = useState<number | null>(null)
  const to = until ?? lines.length
  const shown = lines.slice(Math.max(0, to - STRETCH), to)
  const [before, after] = [to - shown.length, lines.length - to]
  const box = useRef<HTMLOListElement>(null)
  const end = useRef<HTMLLIElement>(null)
  const stay = useStays(box)
  // Whoever reads along is at its end.
  // biome-ignore lint/correctness/useExhaustiveDependencies: a new line is what it follows
  useEffect(() => {
    if (until === null) end.current?.scrollIntoView({ block: 'nearest' })
  }, [lines.length, until])
  return (
    <>
      {before > 0 && (
        <Button
          className="mb-1 !h-7"
          onClick={() => {
            stay(shown[0]?.no, 'start')
            setUntil(Math.max(STRETCH, to - PAGE))
          }}
        >
          Show earlier ({before.toLocaleString('en-GB')})
        </Button>
      )}
      {/* biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls must be reachable by keyboard */}
      <ol ref={box} aria-label={label} tabIndex={0} className="max-h-96 overflow-auto -outline-offset-4">
        {shown.map((line) => (
          <li key={line.no} data-no={line.no} className="py-1 [contain-intrinsic-size:auto_44px] [content-visibility:auto]">
            <span className="tabular text-soft text-xs">{format(line.atMs, 'HH:mm:ss')}</span>{' '}
            <strong className={line.byAgentId === null ? '' : 'text-green'}>{nameOf(line.byAgentId)}</strong>
            {line.aside && <span className="text-brass-text"> · for colleagues only</span>}
            {line.sent?.state === 'failed' && <span className="text-red"> · not delivered: {line.sent.why}</span>}
            <LongText text={line.text} />
          </li>
        ))}
        <li ref={end} aria-hidden="true" />
      </ol>
      {after > 0 && (
        <Button
          className="mt-1 !h-7"
          onClick={() => {
            stay(shown.at(-1)?.no, 'end')
            setUntil(to + PAGE < lines.length ? to + PAGE : null)
          }}
        >
          Show later ({after.toLocaleString('en-GB')})
        </Button>
      )}
    </>
  )
}
