'use client'
// Chats, mails and texts of the span: the figures of each channel, each piece, and what was said in it.
import { format } from 'date-fns'
import { useCallback, useMemo, useState } from 'react'
import type { WrittenRecord } from '@/core/ledger'
import { DEFINITIONS, type WrittenMeasures } from '@/core/reports'
import type { Line } from '@/core/threads'
import { formatClock } from '@/core/time'
import { Button, type Column, nameIn, Table } from '@/parts/ui'
import { CHANNEL_WORDS, outcomeLabels } from '@/parts/words'
import { queueAddress, SaidList, SaveMail } from '@/parts/written'
import { floorNow } from '@/services/exchange/floor-time'
import type { FloorView } from '@/services/exchange/protocol'
import type { Span } from '@/services/history/client'
import { useHistory, useHistoryApi } from '@/services/history/react'
import { percent } from './format'

interface Props {
  readonly view: FloorView
  readonly span: Span
  readonly only: FloorView['account']['id'] | null
}

type Row = WrittenMeasures & { readonly id: string; readonly name: string }

const none = <span className="text-soft">none</span>
const clock = (ms: number | null | undefined) => (ms == null ? none : formatClock(ms))
const RIGHT = { align: 'right', className: 'tabular text-right' } as const

const CHANNELS: readonly Column<Row>[] = [
  { id: 'name', heading: 'Channel', isName: true, cell: (r) => r.name },
  { ...RIGHT, id: 'offered', heading: 'Offered', width: 'w-20', cell: (r) => <span title={DEFINITIONS.writtenOffered}>{r.offered}</span> },
  { ...RIGHT, id: 'answered', heading: 'Answered', width: 'w-20', cell: (r) => r.answered },
  { ...RIGHT, id: 'abandoned', heading: 'Abandoned', width: 'w-24', cell: (r) => <span title={DEFINITIONS.writtenAbandoned}>{r.abandoned}</span> },
  { ...RIGHT, id: 'now', heading: 'Under way', width: 'w-24', cell: (r) => r.underWay },
  {
    ...RIGHT,
    id: 'response',
    heading: 'First response',
    width: 'w-28',
    cell: (r) => <span title={DEFINITIONS.firstResponse}>{clock(r.firstResponseMs?.mean)}</span>,
  },
  { ...RIGHT, id: 'p90', heading: '90 % within', width: 'w-24', cell: (r) => clock(r.firstResponseMs?.p90) },
  {
    ...RIGHT,
    id: 'level',
    heading: 'In time',
    width: 'w-20',
    cell: (r) => <span title={DEFINITIONS.writtenServiceLevel}>{r.serviceLevelRatio === null ? none : percent(r.serviceLevelRatio)}</span>,
  },
  { ...RIGHT, id: 'handle', heading: 'Handle time', width: 'w-24', cell: (r) => <span title={DEFINITIONS.sharedHandleTime}>{clock(r.handleMs)}</span> },
  { ...RIGHT, id: 'at-once', heading: 'At once', width: 'w-20', cell: (r) => <span title={DEFINITIONS.concurrency}>{r.concurrency?.toFixed(2) ?? none}</span> },
  { ...RIGHT, id: 'uncoded', heading: 'Uncoded', width: 'w-20', cell: (r) => r.uncoded },
]

/** So many more with each press. */
const MORE = 40

export function Written({ view, span, only }: Props) {
  const { centre, seats } = view
  const { fromMs, toMs } = span
  const [atMost, setAtMost] = useState(MORE)
  const { latest } = useHistory(useCallback((api) => api.written({ span: { fromMs, toMs }, nowMs: floorNow(), only, atMost }), [fromMs, toMs, only, atMost]))
  const [opened, setOpened] = useState<string | null>(null)
  const columns = useMemo((): readonly Column<WrittenRecord>[] => {
    const labels = outcomeLabels(centre)
    return [
      { id: 'began', heading: 'Began', width: 'w-32', cell: (r) => <span className="tabular whitespace-nowrap">{format(r.offeredAtMs, 'd MMM HH:mm')}</span> },
      { id: 'channel', heading: 'Channel', width: 'w-20', cell: (r) => CHANNEL_WORDS[r.channel] },
      { id: 'with', heading: 'With', isName: true, cell: (r) => r.customer ?? r.address },
      { id: 'queue', heading: 'Queue', width: 'w-28', cell: (r) => r.queue },
      { id: 'agents', heading: 'Agents', cell: (r) => (r.agents.length === 0 ? none : r.agents.map((l) => nameIn(seats, l.agentId) || l.agent).join(', ')) },
      {
        ...RIGHT,
        id: 'response',
        heading: 'First response',
        width: 'w-28',
        cell: (r) => clock(r.firstResponseAtMs === null ? null : r.firstResponseAtMs - r.offeredAtMs),
      },
      { ...RIGHT, id: 'handle', heading: 'Handle time', width: 'w-24', cell: (r) => clock(r.agents.reduce((sum, l) => sum + l.handleMs, 0)) },
      {
        id: 'outcome',
        heading: 'Outcome',
        width: 'w-40 pl-4',
        className: 'pl-4',
        cell: (r) =>
          r.calledAs !== null ? (
            <span className="text-soft">went on as a call</span>
          ) : r.outcome === null ? (
            <span className="text-soft">{UNCODED[r.result]}</span>
          ) : (
            (labels[r.outcome] ?? r.outcome)
          ),
      },
      {
        id: 'words',
        heading: '',
        width: 'w-24',
        cell: (r) => (
          <Button className="!h-6" aria-expanded={opened === r.workId} onClick={() => setOpened(opened === r.workId ? null : r.workId)}>
            {opened === r.workId ? 'Close' : 'Words'}
          </Button>
        ),
      },
    ]
  }, [centre, seats, opened])
  if (latest === null || latest.count === 0) return null
  const rows = latest.channels.map(({ channel, ...figures }): Row => ({ id: channel, name: `${CHANNEL_WORDS[channel]}s`, ...figures }))
  const left = latest.count - latest.latest.length
  return (
    <section aria-label="Chats, mails and texts">
      <h2 className="font-semibold text-lg">Chats, mails and texts</h2>
      <Table label="Figures by channel" columns={CHANNELS} rows={rows} keyOf={(r) => r.id} className="mt-2" />
      <Table
        label="Chats, mails and texts, the latest first"
        columns={columns}
        rows={latest.latest}
        keyOf={(r) => r.workId}
        below={(r) => (r.workId === opened ? <Words record={r} view={view} /> : null)}
        className="mt-4"
      />
      {left > 0 && (
        <p className="mt-2 flex items-center gap-3 text-soft">
          <Button onClick={() => setAtMost(atMost + MORE)}>Show {Math.min(MORE, left)} more</Button>
          {left} earlier {left === 1 ? 'one is' : 'ones are'} not shown here.
        </p>
      )}
    </section>
  )
}

const UNCODED: Readonly<Record<WrittenRecord['result'], string>> = { underWay: 'under way', handled: 'not coded', abandoned: 'left' }

/** One piece, down to its words. */
function Words({ record, view }: { record: WrittenRecord; view: FloorView }) {
  const api = useHistoryApi()
  const { workId, subject, address, customer, queue } = record
  const { latest: lines } = useHistory(useCallback((from) => from.linesOf(workId), [workId]))
  const nameOf = (by: Line['byAgentId']) => (by === null ? (customer ?? address) : nameIn(view.seats, by) || 'A colleague')
  return (
    <div className="border-line border-l-2 pl-4">
      {subject !== null && <p className="font-semibold">{subject}</p>}
      <SaidList label={`What was said with ${customer ?? address}`} lines={lines ?? []} nameOf={nameOf} />
      {record.notes !== '' && (
        <p>
          <span className="text-soft">Notes: </span>
          {record.notes}
        </p>
      )}
      {record.channel === 'mail' && api !== null && (
        <SaveMail
          thread={{
            ...{ workId, subject, theirAddress: address, theirName: customer ?? address },
            ourAddress: queueAddress(queue, view.centre.name),
            ourName: view.centre.name,
            nameOf: (id) => nameIn(view.seats, id) || 'A colleague',
            lines: () => api.linesOf(workId),
          }}
        />
      )}
    </div>
  )
}
