// Everybody on shift: what they do, for how long against what is planned, and whom they have on the line.
import clsx from 'clsx'
import { useMemo } from 'react'
import type { Role } from '@/core/calls'
import type { Reason } from '@/core/set-up'
import { formatClock } from '@/core/time'
import { StateMark } from '@/parts/frame'
import { Clock, type Column, Table, useSameRows } from '@/parts/ui'
import { CHANNEL_WORDS, stateWords } from '@/parts/words'
import { useMayAct } from './acts'
import { AgentMenu } from './agent-menu'
import type { AgentRow } from './agent-row'
import { countWords, pieceName } from './pieces-words'

const BESIDE_WORDS: Readonly<Record<Role, string>> = { listens: 'listens', whispers: 'whispers', talks: 'has stepped in' }

const isLost = (a: AgentRow): boolean => (a.watched?.deskLostSinceMs ?? null) !== null
/** That nothing is heard of somebody comes before what they were doing. */
const nowWords = (a: AgentRow): string =>
  isLost(a) ? `Desk lost${a.state === 'notReady' ? '' : ` · ${stateWords(a.state, a.reason)}`}` : stateWords(a.state, a.reason)

export const GROUPINGS = ['nothing', 'team', 'state', 'queue'] as const
export type Grouping = (typeof GROUPINGS)[number]

interface Acting {
  readonly chosen: ReadonlySet<string>
  readonly onChoose: (id: string) => void
  readonly reasons: readonly Reason[]
  readonly onWork: (agents: readonly AgentRow[]) => void
  readonly onWord: (agents: readonly AgentRow[]) => void
}

const besidesWords = (pieces: AgentRow['pieces']): string => (pieces.length === 0 ? '' : ` · ${countWords(pieces)}`)

/** Of somebody who writes: with whom, or with how many. */
function Writes({ pieces }: { pieces: AgentRow['pieces'] }) {
  const [first] = pieces
  if (first === undefined) return null
  const names = pieces.map((p) => `${pieceName(p)} (${CHANNEL_WORDS[p.channel].toLowerCase()})`).join(', ')
  return (
    <span className="block truncate" title={names}>
      {pieceName(first)}
      <span className="text-sea"> · {pieces.length === 1 ? CHANNEL_WORDS[first.channel].toLowerCase() : countWords(pieces)}</span>
    </span>
  )
}

function Chooses({ agent, isChosen, onChoose }: { agent: AgentRow; isChosen: boolean; onChoose: (id: string) => void }) {
  if (!useMayAct()) return null
  return (
    <input
      type="checkbox"
      aria-label={`Choose ${agent.name}`}
      className="my-0.5 block size-3.5 accent-green"
      checked={isChosen}
      onChange={() => onChoose(agent.id)}
    />
  )
}

const columnsFor = ({ chosen, onChoose, ...acting }: Acting): readonly Column<AgentRow>[] => [
  {
    id: 'chosen',
    heading: '',
    width: 'w-6',
    cell: (a) => <Chooses agent={a} isChosen={chosen.has(a.id)} onChoose={onChoose} />,
  },
  {
    id: 'name',
    heading: 'Agent',
    isName: true,
    sortBy: (a) => a.name,
    width: 'w-36',
    cell: (a) => <AgentMenu agent={a} {...acting} />,
  },
  {
    id: 'state',
    heading: 'State',
    sortBy: (a) => stateWords(a.state, a.reason),
    width: 'w-48',
    cell: (a) => (
      <span className="flex min-w-0 items-center gap-2">
        <StateMark state={a.state} />
        <span title={nowWords(a)} className={clsx('truncate', a.state === 'ready' && 'font-semibold text-green', isLost(a) && 'font-semibold text-red')}>
          {nowWords(a)}
        </span>
      </span>
    ),
  },
  {
    id: 'for',
    heading: 'For',
    align: 'right',
    sortBy: (a) => -a.sinceMs,
    className: 'pr-4 text-right',
    width: 'w-26 pr-4',
    cell: (a) => (
      <span className={clsx('whitespace-nowrap', a.isPressing && 'font-semibold text-red')}>
        <Clock sinceMs={a.sinceMs} />
        {a.plannedMs !== null && <span className="text-soft"> of {formatClock(a.plannedMs)}</span>}
      </span>
    ),
  },
  {
    id: 'with',
    heading: 'With',
    sortBy: (a) => a.watched?.with ?? (a.pieces[0] === undefined ? null : pieceName(a.pieces[0])),
    cell: (a) =>
      a.watched?.with == null ? (
        <Writes pieces={a.pieces} />
      ) : (
        <span className="block truncate" title={`${a.watched.with}${a.behalf === null ? '' : `, ${a.behalf}`}${besidesWords(a.pieces)}`}>
          {/* What matters most comes first: the end of it may be cut. */}
          {a.watched.help !== null && <strong className="text-red">{a.watched.help.emergency === null ? 'asks for help' : 'emergency'} · </strong>}
          {a.watched.with}
          {a.watched.heldSinceMs !== null && <span className="text-brass-text"> · on hold</span>}
          {a.besides.map((b) => (
            <span key={b.name} className="text-sea">
              {' '}
              · {b.name} {BESIDE_WORDS[b.role]}
            </span>
          ))}
          {a.pieces.length > 0 && <span className="text-sea">{besidesWords(a.pieces)}</span>}
          {a.behalf !== null && <span className="text-soft"> · {a.behalf}</span>}
        </span>
      ),
  },
  {
    id: 'coded',
    heading: 'Coded',
    align: 'right',
    sortBy: (a) => a.watched?.codedCount ?? 0,
    className: 'tabular text-right',
    width: 'w-12',
    cell: (a) => a.watched?.codedCount ?? 0,
  },
]

const GROUP_OF: Readonly<Record<Exclude<Grouping, 'nothing'>, (a: AgentRow) => string>> = {
  team: (a) => (a.team === '' ? 'No team' : a.team),
  state: (a) => stateWords(a.state, null),
  queue: (a) => a.behalf ?? 'Nobody on the line',
}

const keyOf = (a: AgentRow) => a.id

export function AgentsNow({ rows, grouping, ...acting }: { rows: readonly AgentRow[]; grouping: Grouping } & Acting) {
  const { chosen, onChoose, reasons, onWork, onWord } = acting
  const columns = useMemo(() => columnsFor({ chosen, onChoose, reasons, onWork, onWord }), [chosen, onChoose, reasons, onWork, onWord])
  const same = useSameRows(rows, keyOf)
  const grouped = grouping === 'nothing' ? {} : { groupOf: GROUP_OF[grouping] }
  return <Table label="Agents" columns={columns} rows={same} keyOf={keyOf} {...grouped} compact className="mt-2 leading-[1.125rem]" />
}
