'use client'
// Messages with colleagues, beside whatever page is open: to one, to a team, to whoever serves a queue. Nothing of a call is left for them.
import clsx from 'clsx'
import { format, isSameDay } from 'date-fns'
import { usePathname } from 'next/navigation'
import { type KeyboardEvent, useEffect, useId, useLayoutEffect, useRef, useState } from 'react'
import { type CircleLine, type CircleOf, circleKey, pairOf, partnerIn } from '@/core/circles'
import type { AgentId } from '@/core/ids'
import { folded } from '@/core/people'
import { Button, nameIn, Problem, TextField, useDraft } from '@/parts/ui'
import { NumberLinks, stateWords } from '@/parts/words'
import { floorNow } from '@/services/exchange/floor-time'
import type { CentreView, CircleView, FoundLine, SeatView } from '@/services/exchange/protocol'
import { useAllSeen, useCommand, useFloor } from '@/services/exchange/react'
import { Line } from './line'
import { openMessages, useMessagesOpen } from './messages-panel'
import { StateMark } from './state-mark'

interface Seen {
  readonly me: AgentId
  readonly circles: readonly CircleView[]
  readonly seats: readonly SeatView[]
  readonly centre: CentreView
}

const useSeenCircles = (): Seen | null => useAllSeen(({ account, circles, seats, centre }) => ({ me: account.id, circles, seats, centre }))

function nameOfCircle(of: CircleOf, { me, seats, centre }: Pick<Seen, 'me' | 'seats' | 'centre'>): string {
  if (of.kind === 'team') return `Team ${of.team}`
  if (of.kind === 'queue') return `Everybody on ${nameIn(centre.queues, of.queueId)}`
  return nameIn(seats, partnerIn(of, me) ?? of.agentIds[0]) || 'A colleague'
}

/** On the places bar: how many are unread. */
export function MessagesButton() {
  const circles = useAllSeen(({ circles: all }) => ({ unread: all.reduce((sum, c) => sum + c.unread, 0) }))
  const open = useMessagesOpen()
  const unread = circles?.unread ?? 0
  return (
    <Button tone="quiet" className="!h-7 !px-1" aria-expanded={open !== null} onClick={() => openMessages(open === null ? { circle: null } : null)}>
      Messages
      {unread > 0 && (
        <strong className="bg-brass-text px-1.5 text-on-fill no-underline">
          {unread}
          <span className="sr-only"> unread</span>
        </strong>
      )}
    </Button>
  )
}

/** What has come and is not read: a line each, while the messages themselves are closed. */
export function MessageLines() {
  const seen = useSeenCircles()
  const command = useCommand()
  const open = useMessagesOpen()
  if (seen === null || open !== null) return null
  return seen.circles
    .filter((c) => c.unread > 0)
    .slice(0, 2)
    .map((circle) => {
      const last = circle.lines.findLast((l) => l.byAgentId !== seen.me)
      if (last === undefined) return null
      const by = nameIn(seen.seats, last.byAgentId) || 'A colleague'
      const group = circle.of.kind === 'pair' ? '' : ` to ${nameOfCircle(circle.of, seen)}`
      return (
        <Line key={circle.key} label={`Message from ${by}`} alert>
          <span className="min-w-0 flex-1 truncate" title={last.text.slice(0, 500)}>
            <strong>{by}</strong>
            {group}: “{last.text.slice(0, 200)}”{circle.unread > 1 && <span className="text-soft"> and {circle.unread - 1} more</span>}
          </span>
          <Button className="!h-6" tone="primary" onClick={() => openMessages({ circle: circle.of })}>
            Answer
          </Button>
          <Button className="!h-6" onClick={() => void command({ kind: 'readCircle', circle: circle.of, throughNo: circle.lineCount })}>
            Read
          </Button>
        </Line>
      )
    })
}

/** Over the page that is read: the board, the record and the outcome of a call stay in view beside it. */
export function MessagesPane() {
  const seen = useSeenCircles()
  const open = useMessagesOpen()
  const atDesk = usePathname() === '/'
  if (seen === null || open === null) return null
  return (
    <aside
      aria-label="Messages"
      onKeyDown={(event) => event.key === 'Escape' && openMessages(null)}
      className={clsx(
        'fixed bottom-14 z-30 flex h-[min(24rem,52vh)] w-[22rem] max-w-full flex-col rounded-sm border border-line-strong bg-raised shadow-lg print:hidden',
        atDesk ? 'right-[27.25rem] max-lg:right-2' : 'right-4',
      )}
    >
      <header className="flex items-center gap-2 border-line border-b px-4 py-2">
        <h2 className="min-w-0 flex-1 truncate font-semibold text-lg">{open.circle === null ? 'Messages' : nameOfCircle(open.circle, seen)}</h2>
        {open.circle !== null && (
          <Button className="!h-7" onClick={() => openMessages({ circle: null })}>
            All messages
          </Button>
        )}
        <Button tone="quiet" className="!h-7 !px-1" onClick={() => openMessages(null)}>
          Close
        </Button>
      </header>
      {open.circle === null ? <AllCircles {...seen} /> : <OneCircle key={circleKey(open.circle)} of={open.circle} {...seen} />}
    </aside>
  )
}

/** Those there are, and whom else one could write to. */
function AllCircles(seen: Seen) {
  const { me, circles, seats, centre } = seen
  const floor = useFloor()
  const [typed, setTyped] = useState('')
  const [found, setFound] = useState<readonly FoundLine[]>([])
  const wanted = folded(typed)
  useEffect(() => {
    if (wanted === '') return setFound([])
    let alive = true
    void floor?.ask({ kind: 'searchCircles', search: wanted }).then((reply) => {
      if (alive && reply.ok && reply.text !== null) setFound(JSON.parse(reply.text) as readonly FoundLine[])
    })
    return () => {
      alive = false
    }
  }, [floor, wanted])
  const colleagues = seats
    .filter((s) => s.id !== me && folded(s.name).includes(wanted))
    .toSorted((a, b) => Number(a.state === 'signedOut') - Number(b.state === 'signedOut') || a.name.localeCompare(b.name))
  const own = seats.find((s) => s.id === me)
  const teams = own === undefined || own.team === '' ? [] : [own.team]
  const queues = centre.queues.filter((q) => own?.serves.includes(q.id))
  return (
    <div className="min-h-0 flex-1 overflow-auto px-4 py-2">
      <TextField label="Find a colleague or words" type="search" autoComplete="off" value={typed} onChange={(e) => setTyped(e.target.value)} />
      {wanted === '' && circles.length > 0 && (
        <ul aria-label="Conversations" className="mt-2 divide-y divide-line">
          {circles.map((c) => (
            <li key={c.key}>
              <button type="button" className="block w-full py-1.5 text-left hover:bg-paper" onClick={() => openMessages({ circle: c.of })}>
                <span className="flex items-baseline gap-2">
                  <strong className="min-w-0 flex-1 truncate">{nameOfCircle(c.of, seen)}</strong>
                  {c.unread > 0 && <strong className="bg-brass-text px-1.5 text-on-fill">{c.unread} unread</strong>}
                  <span className="tabular text-soft text-xs">{when(c.lines.at(-1)?.atMs ?? 0)}</span>
                </span>
                <span className="block truncate text-soft">{c.lines.at(-1)?.text.slice(0, 120)}</span>
              </button>
            </li>
          ))}
        </ul>
      )}
      {found.length > 0 && (
        <ul aria-label="Found" className="mt-2 divide-y divide-line">
          {found.map(({ key, of, line }) => (
            <li key={`${key} ${line.no}`}>
              <button type="button" className="block w-full py-1.5 text-left hover:bg-paper" onClick={() => openMessages({ circle: of })}>
                <strong>{nameOfCircle(of, seen)}</strong> <span className="tabular text-soft text-xs">{when(line.atMs)}</span>
                <span className="line-clamp-2">{line.text.slice(0, 300)}</span>
              </button>
            </li>
          ))}
        </ul>
      )}
      <h3 className="eyebrow mt-4">Write to</h3>
      <ul aria-label="Write to" className="mt-1">
        {[...teams.map((team): readonly [CircleOf, string] => [{ kind: 'team', team }, `Team ${team}`])]
          .concat(queues.map((q): readonly [CircleOf, string] => [{ kind: 'queue', queueId: q.id }, `Everybody on ${q.name}`]))
          .filter(([, name]) => folded(name).includes(wanted))
          .map(([of, name]) => (
            <li key={name}>
              <button type="button" className="block w-full truncate py-1 text-left font-semibold hover:bg-paper" onClick={() => openMessages({ circle: of })}>
                {name}
              </button>
            </li>
          ))}
        {colleagues.map((s) => (
          <li key={s.id}>
            <button
              type="button"
              className="flex w-full items-center gap-2 py-1 text-left hover:bg-paper"
              onClick={() => openMessages({ circle: pairOf(me, s.id) })}
            >
              <StateMark state={s.state} />
              <span className="min-w-0 truncate font-semibold">{s.name}</span>
              <span className="truncate text-soft">{stateWords(s.state, s.reason)}</span>
            </button>
          </li>
        ))}
      </ul>
      {colleagues.length === 0 && found.length === 0 && wanted !== '' && (
        <p className="mt-2 text-soft">No colleague and no message has “{typed.trim()}” in it.</p>
      )}
    </div>
  )
}

function OneCircle({ of, ...seen }: Seen & { of: CircleOf }) {
  const { me, circles, seats } = seen
  const command = useCommand()
  const key = circleKey(of)
  const circle = circles.find((c) => c.key === key)
  const [text, setText, forget] = useDraft(`message ${key}`, '')
  const [problem, setProblem] = useState<string | null>(null)
  const end = useRef<HTMLDivElement>(null)
  const field = useRef<HTMLTextAreaElement>(null)
  const id = useId()
  const count = circle?.lineCount ?? 0
  const unread = circle?.unread ?? 0
  useEffect(() => field.current?.focus(), [])
  // What stands before one's eyes is read.
  useEffect(() => {
    if (unread > 0) void command({ kind: 'readCircle', circle: of, throughNo: count })
  }, [command, of, unread, count])
  // biome-ignore lint/correctness/useExhaustiveDependencies: a new line is what it follows
  useLayoutEffect(() => {
    end.current?.scrollIntoView({ block: 'end' })
  }, [count])
  const partner = partnerIn(of, me)
  const seat = seats.find((s) => s.id === partner)
  const send = async () => {
    const to = of.kind === 'pair' ? (partner === null ? null : ({ kind: 'agent', agentId: partner } as const)) : of
    if (to === null) return
    const reply = await command({ kind: 'writeToColleagues', to, text })
    setProblem(reply.ok ? null : `${reply.refusal.says} ${reply.refusal.next}`)
    if (reply.ok && field.current?.value === text) forget()
  }
  const onKey = (event: KeyboardEvent) => {
    if (event.key !== 'Enter' || event.shiftKey || event.altKey || event.nativeEvent.isComposing) return
    event.preventDefault()
    void send()
  }
  return (
    <>
      {seat !== undefined && (
        <p className="flex items-center gap-2 border-line border-b px-4 py-1 text-soft">
          <StateMark state={seat.state} /> {stateWords(seat.state, seat.reason)}
          {seat.note !== null && <span className="truncate">· {seat.note.text}</span>}
        </p>
      )}
      <section
        role="log"
        aria-label="What was written"
        // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls must be reachable by keyboard
        tabIndex={0}
        className="min-h-0 flex-1 overflow-auto px-4 py-2 -outline-offset-4"
      >
        {count === 0 && <p className="text-soft">Nothing has been written yet.</p>}
        <ol className="space-y-1">
          {circle?.lines.map((line) => (
            <li key={line.no} className={clsx('border-l-2 py-0.5 pl-3 [content-visibility:auto]', line.byAgentId === me ? 'border-green' : 'border-ink')}>
              <p className="text-xs">
                <strong className={line.byAgentId === me ? 'text-green' : ''}>
                  {line.byAgentId === me ? 'You' : nameIn(seats, line.byAgentId) || 'A colleague'}
                </strong>{' '}
                <span className="tabular text-soft">{when(line.atMs)}</span>
                {line.byAgentId === me && <span className="text-soft"> · {stands(line, circle.readTo, partner)}</span>}
              </p>
              <p dir="auto" className="whitespace-pre-wrap [overflow-wrap:anywhere]">
                <NumberLinks text={line.text.slice(0, 2_000)} />
                {line.text.length > 2_000 && '…'}
              </p>
            </li>
          ))}
        </ol>
        <div ref={end} />
      </section>
      <div className="border-line-strong border-t bg-paper px-4 py-2">
        <label htmlFor={id} className="font-semibold">
          Message to {nameOfCircle(of, seen)}
        </label>
        <textarea
          id={id}
          ref={field}
          rows={2}
          dir="auto"
          value={text}
          aria-invalid={problem !== null || undefined}
          onChange={(e) => setText(e.target.value)}
          onKeyDown={onKey}
          className="mt-1 block max-h-40 w-full resize-none rounded-sm border border-line-strong bg-raised px-2 py-1 [field-sizing:content]"
        />
        {problem !== null && <Problem of="Message to">{problem}</Problem>}
        <div className="mt-1 flex items-center justify-between gap-2">
          <span className="text-soft text-xs">Enter sends it.</span>
          <Button tone="primary" onClick={() => void send()}>
            Send
          </Button>
        </div>
      </div>
    </>
  )
}

/** How far a line of one's own has come. */
function stands(line: CircleLine, readTo: CircleView['readTo'], partner: AgentId | null): string {
  const read = line.to.filter((id) => (readTo[id] ?? 0) >= line.no).length
  if (partner !== null) return read > 0 ? 'read' : line.deliveredTo.length > 0 ? 'delivered' : 'waiting until they are on shift'
  return `read by ${read} of ${line.to.length}`
}

const when = (atMs: number): string => format(atMs, isSameDay(atMs, floorNow()) ? 'HH:mm' : 'd MMM HH:mm')
