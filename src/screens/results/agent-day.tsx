'use client'
// One agent's day: its stretches in order, each with the calls it was about, and the events of the ledger it is made of.
import { scaleTime } from 'd3-scale'
import { format } from 'date-fns'
import Link from 'next/link'
import { useCallback, useState } from 'react'
import { overPlan, type Spell } from '@/core/sessions'
import { formatClock, SECOND } from '@/core/time'
import { Button } from '@/parts/ui'
import { callerWords, eventWords, outcomeLabel, useNumberWords } from '@/parts/words'
import { floorNow } from '@/services/exchange/floor-time'
import type { FloorView } from '@/services/exchange/protocol'
import type { AgentSessions, CallOfDay } from '@/services/history/client'
import { useHistory } from '@/services/history/react'
import { Lane } from './lane'
import { spellWords } from './state-looks'

interface Props {
  readonly agent: AgentSessions
  readonly view: FloorView
  readonly onClose: () => void
}

const WIDTH = 1232
const HEIGHT = 40

export function AgentDay({ agent, view, onClose }: Props) {
  useNumberWords()
  const spells = agent.days.flatMap((d) => d.spells)
  const [first, last] = [spells[0]?.fromMs ?? 0, spells.at(-1)?.toMs ?? 0]
  const { latest: calls } = useHistory(
    useCallback((api) => api.callsOfAgent({ span: { fromMs: first, toMs: last + SECOND }, only: agent.id, nowMs: floorNow() }), [first, last, agent.id]),
  )
  const [opened, setOpened] = useState<number | null>(null)
  const x = scaleTime([first, Math.max(last, first + 1)], [0, WIDTH])
  return (
    <section aria-label={`Day of ${agent.name}`} className="border border-line-strong bg-raised p-4">
      <div className="flex items-baseline justify-between gap-4">
        <h2 className="font-semibold text-lg">
          {agent.name} <span className="font-normal text-soft">· {format(first, 'EEEE d MMMM')}</span>
        </h2>
        <Button tone="quiet" onClick={onClose}>
          Close
        </Button>
      </div>
      <svg viewBox={`0 0 ${WIDTH} ${HEIGHT + 18}`} className="mt-2 w-full" aria-hidden>
        <Lane spells={spells} reasons={view.centre.notReadyReasons} x={x} height={HEIGHT - 4} />
        {x.ticks(10).map((tick) => (
          <text key={tick.getTime()} x={x(tick)} y={HEIGHT + 14} textAnchor="middle" fontSize="11" fill="var(--color-soft)">
            {format(tick, 'HH:mm')}
          </text>
        ))}
      </svg>
      <div className="mt-2 max-h-96 overflow-auto print:max-h-none print:overflow-visible">
        <table aria-label="Stretches" className="w-full">
          <thead className="sticky top-0 bg-raised">
            <tr className="border-line-strong border-b text-left">
              <th scope="col" className="eyebrow w-24 py-1">
                From
              </th>
              <th scope="col" className="eyebrow w-24 py-1">
                Lasted
              </th>
              <th scope="col" className="eyebrow w-64 py-1">
                State
              </th>
              <th scope="col" className="eyebrow py-1">
                Calls
              </th>
              <th scope="col" className="w-28 py-1">
                <span className="sr-only">Events</span>
              </th>
            </tr>
          </thead>
          {spells.map((spell) => (
            <StretchRow
              key={spell.fromMs}
              spell={spell}
              over={overPlan(spell, view.centre.notReadyReasons)}
              calls={(calls ?? []).filter((c) => c.fromMs < spell.toMs && c.toMs > spell.fromMs && ON_A_CALL.includes(spell.state))}
              agentId={agent.id}
              view={view}
              isOpen={opened === spell.fromMs}
              onOpen={() => setOpened(opened === spell.fromMs ? null : spell.fromMs)}
            />
          ))}
        </table>
      </div>
    </section>
  )
}

const ON_A_CALL: readonly string[] = ['onCall', 'dialling', 'ringing', 'wrapUp', 'internalCall']

interface RowProps {
  readonly spell: Spell
  readonly over: number
  readonly calls: readonly CallOfDay[]
  readonly agentId: AgentSessions['id']
  readonly view: FloorView
  readonly isOpen: boolean
  readonly onOpen: () => void
}

function StretchRow({ spell, over, calls, agentId, view, isOpen, onOpen }: RowProps) {
  return (
    <tbody>
      <tr className="border-line border-b align-baseline">
        <td className="py-1 tabular">{format(spell.fromMs, 'HH:mm:ss')}</td>
        <td className="tabular">{formatClock(spell.toMs - spell.fromMs)}</td>
        <td>
          {spellWords(spell)}
          {over > 0 && <span className="text-red"> · {formatClock(over)} over plan</span>}
        </td>
        <td>
          {calls.map((c) => (
            <Link key={c.callId} href={`/results/call/${c.callId}`} className="mr-3 underline underline-offset-2">
              {callerWords(c.customer, c.number, 'Withheld number')}
              {c.outcome !== null && <span className="text-soft"> · {outcomeLabel(view.centre, c)}</span>}
            </Link>
          ))}
        </td>
        <td className="text-right">
          <button type="button" aria-expanded={isOpen} className="underline decoration-dotted underline-offset-2" onClick={onOpen}>
            {isOpen ? 'Hide events' : 'Events'}
          </button>
        </td>
      </tr>
      {isOpen && (
        <tr>
          <td colSpan={5} className="pb-2 pl-4">
            <EventsOf spell={spell} agentId={agentId} view={view} />
          </td>
        </tr>
      )}
    </tbody>
  )
}

function EventsOf({ spell, agentId, view }: Pick<RowProps, 'spell' | 'agentId' | 'view'>) {
  const { fromMs, toMs } = spell
  const { value, problem } = useHistory(
    useCallback((api) => api.eventsOfAgent({ span: { fromMs, toMs }, only: agentId, nowMs: floorNow() }), [fromMs, toMs, agentId]),
  )
  if (problem !== null) return <p className="text-red">The events could not be read: {problem}</p>
  if (value === null) return <p className="text-soft">Reading the ledger…</p>
  if (value.length === 0) return <p className="text-soft">The ledger of this day is not kept here any more.</p>
  return (
    <ol>
      {value.map((entry) => (
        <li key={entry.seq} className="grid grid-cols-[4.75rem_4rem_1fr]">
          <span className="tabular text-soft">{format(entry.atMs, 'HH:mm:ss')}</span>
          <span className="tabular text-soft">#{entry.seq}</span>
          <span className="min-w-0 break-words">{eventWords(entry.event, view)}</span>
        </li>
      ))}
    </ol>
  )
}
