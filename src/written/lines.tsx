'use client'
// What was written, in order, as text and nothing else: no markup of anybody's takes effect. Who speaks stands before what they say, as in a play.
import clsx from 'clsx'
import { format } from 'date-fns'
import { memo, useEffect, useLayoutEffect, useRef, useState } from 'react'
import type { Line } from '@/core/threads'
import type { ThreadView } from '@/exchange/protocol'
import { useFloor } from '@/exchange/react'
import { Button } from '@/ui'
import { NumberLinks, threadName } from '@/words'
import { linesBefore } from './earlier-lines'

/** More of one line is shown when it is asked for. */
const CHARACTERS_SHOWN = 2_000

interface Props {
  readonly thread: ThreadView
  readonly me: string
  readonly nameOf: (agentId: string) => string
}

export function Lines({ thread, me, nameOf }: Props) {
  const { lines, lineCount, typing } = thread
  const { earlier, left, more } = useEarlier(thread)
  const name = threadName(thread)
  const end = useRef<HTMLDivElement>(null)
  const box = useRef<HTMLElement>(null)
  const atEnd = useRef(true)
  // Whoever reads further up is left there.
  // biome-ignore lint/correctness/useExhaustiveDependencies: a new line is what it follows
  useLayoutEffect(() => {
    if (atEnd.current) end.current?.scrollIntoView({ block: 'end' })
  }, [lineCount, typing])
  return (
    <section
      ref={box}
      role="log"
      aria-label="What was written"
      aria-live="off"
      // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls must be reachable by keyboard
      tabIndex={0}
      onScroll={() => {
        const { scrollTop = 0, clientHeight = 0, scrollHeight = 0 } = box.current ?? {}
        atEnd.current = scrollTop + clientHeight >= scrollHeight - 24
      }}
      className="min-h-0 flex-1 overflow-auto bg-raised px-5 py-3 -outline-offset-4"
    >
      {left > 0 && (
        <Button className="mb-2 !h-7" onClick={() => void more()}>
          Show earlier ({left.toLocaleString('en-GB')})
        </Button>
      )}
      <ol className="space-y-1">
        {[...earlier, ...lines].map((line) => (
          <OneLine key={line.no} line={line} who={line.byAgentId === null ? name : line.byAgentId === me ? 'You' : nameOf(line.byAgentId)} />
        ))}
      </ol>
      <p role="status" className="mt-1 h-5 text-soft">
        {typing ? `${name} is writing` : ''}
      </p>
      <div ref={end} />
    </section>
  )
}

/** Lines before those a tab holds, a page at a time. */
function useEarlier({ id, lines, lineCount }: ThreadView) {
  const floor = useFloor()
  const [pages, setPages] = useState<readonly Line[]>([])
  // biome-ignore lint/correctness/useExhaustiveDependencies: another thread begins without any
  useEffect(() => setPages([]), [id])
  const first = lines[0]?.no ?? lineCount + 1
  // What has left the tab's end since then is filled in by asking again.
  const kept = pages.filter((l) => l.no < first)
  const from = kept[0]?.no ?? first
  const gap = kept.length > 0 && (kept.at(-1)?.no ?? 0) < first - 1
  const more = async () => {
    const got = await linesBefore(floor, id, gap ? first : from)
    if (got === null) return
    const known = new Set(kept.map((l) => l.no))
    setPages([...kept, ...got.filter((l) => !known.has(l.no))].toSorted((a, b) => a.no - b.no))
  }
  return { earlier: kept, left: first - 1 - kept.length, more }
}

const OneLine = memo(function OneLine({ line, who }: { line: Line; who: string }) {
  const { atMs, byAgentId, text, aside, sent } = line
  const [whole, setWhole] = useState(false)
  const cut = !whole && text.length > CHARACTERS_SHOWN
  return (
    <li
      className={clsx(
        'grid grid-cols-[2.75rem_1fr] gap-x-3 py-1 [content-visibility:auto] [contain-intrinsic-size:auto_44px]',
        aside && 'border border-brass border-dashed bg-brass-wash px-2',
      )}
    >
      <time className="tabular pt-px text-soft text-xs" dateTime={new Date(atMs).toISOString()}>
        {format(atMs, 'HH:mm')}
      </time>
      <div className={clsx('min-w-0 border-l-2 pl-3', byAgentId === null ? 'border-ink' : 'border-green')}>
        <p className="text-xs">
          <strong className={byAgentId === null ? 'text-ink' : 'text-green'}>{who}</strong>
          {aside && <span className="text-brass-text"> · for colleagues only</span>}
          {sent?.state === 'sending' && <span className="text-soft"> · being sent</span>}
          {sent?.state === 'delivered' && <span className="text-soft"> · delivered</span>}
        </p>
        <p dir="auto" className="whitespace-pre-wrap break-words text-base leading-6 [overflow-wrap:anywhere]">
          {cut ? text.slice(0, CHARACTERS_SHOWN) : <NumberLinks text={text} />}
          {cut && '…'}
        </p>
        {cut && (
          <Button className="mt-1 !h-6" onClick={() => setWhole(true)}>
            Show all {text.length.toLocaleString('en-GB')} characters
          </Button>
        )}
        {sent?.state === 'failed' && (
          <p role="alert" className="border-red border-l-4 pl-2 text-red">
            Not delivered: {sent.why} They have not read this; call them, or write a mail.
          </p>
        )}
      </div>
    </li>
  )
})
