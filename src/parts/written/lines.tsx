'use client'
// What was written, in order, as text and nothing else: no markup of anybody's takes effect. Who speaks stands before what they say, as in a play.
import clsx from 'clsx'
import { format } from 'date-fns'
import { memo, useLayoutEffect, useRef } from 'react'
import type { Line } from '@/core/threads'
import { Button } from '@/parts/ui'
import { NumberLinks, threadName } from '@/parts/words'
import type { ThreadView } from '@/services/exchange/protocol'
import { LongText } from './long-text'
import { useLinesRead } from './use-lines-read'
import { useStays } from './use-stays'

interface Props {
  readonly thread: ThreadView
  readonly me: string
  readonly nameOf: (agentId: string) => string
}

export function Lines({ thread, me, nameOf }: Props) {
  const { lineCount, typing } = thread
  const { shown, before, after, earlier, later, toEnd } = useLinesRead(thread)
  const name = threadName(thread)
  const end = useRef<HTMLDivElement>(null)
  const box = useRef<HTMLElement>(null)
  const atEnd = useRef(true)
  // Whoever reads further up is left there, until they write something themselves.
  const own = thread.lines.findLast((l) => l.byAgentId === me)?.no
  const wrote = useRef(own)
  useLayoutEffect(() => {
    if (wrote.current === own) return
    wrote.current = own
    atEnd.current = true
    toEnd()
    end.current?.scrollIntoView({ block: 'end' })
  })
  // biome-ignore lint/correctness/useExhaustiveDependencies: a new line is what it follows
  useLayoutEffect(() => {
    if (atEnd.current && after === 0) end.current?.scrollIntoView({ block: 'end' })
  }, [lineCount, typing, after])
  const stay = useStays(box)
  const turn = async (page: () => Promise<(() => void) | null>, no: number | undefined, block: 'start' | 'end') => {
    const show = await page()
    if (show === null) return
    stay(no, block)
    show()
  }
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
      {before > 0 && (
        <Button className="mb-2 !h-7" onClick={() => void turn(earlier, shown[0]?.no, 'start')}>
          Show earlier ({before.toLocaleString('en-GB')})
        </Button>
      )}
      <ol className="space-y-1">
        {shown.map((line) => (
          <OneLine key={line.no} line={line} who={line.byAgentId === null ? name : line.byAgentId === me ? 'You' : nameOf(line.byAgentId)} />
        ))}
      </ol>
      {after > 0 && (
        <p className="mt-2 flex gap-2">
          <Button className="!h-7" onClick={() => void turn(later, shown.at(-1)?.no, 'end')}>
            Show later ({after.toLocaleString('en-GB')})
          </Button>
          <Button
            className="!h-7"
            onClick={() => {
              atEnd.current = true
              toEnd()
            }}
          >
            To the end
          </Button>
        </p>
      )}
      <p role="status" className="mt-1 h-5 text-soft">
        {typing ? `${name} is writing` : ''}
      </p>
      <div ref={end} />
    </section>
  )
}

const OneLine = memo(function OneLine({ line, who }: { line: Line; who: string }) {
  const { atMs, byAgentId, text, aside, sent } = line
  return (
    <li
      data-no={line.no}
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
        <LongText text={text} className="text-base leading-6">
          {(part) => <NumberLinks text={part} />}
        </LongText>
        {sent?.state === 'failed' && (
          <p role="alert" className="border-red border-l-4 pl-2 text-red">
            Not delivered: {sent.why} They have not read this; call them, or write a mail.
          </p>
        )}
      </div>
    </li>
  )
})
