'use client'
// The rules of routing as a table a person can read across: whom a queue needs, who goes first, where it overflows to, when it
// is open. The storm switch works on the floor at once; everything else waits until the set-up is put into use.
import type { QueueSetUp, SetUp } from '@/core/set-up'
import { Button, type Column, nameIn, OfHowMany, Table } from '@/parts/ui'
import type { QueueView } from '@/services/exchange/protocol'
import { hoursInWords, lengthInWords } from './queue-form'

interface Props {
  readonly setUp: SetUp
  /** Whether what is said of it here is sought. */
  readonly isSought: (words: string) => boolean
  readonly views: readonly QueueView[]
  readonly onEdit: (queue: QueueSetUp) => void
  readonly onAdd: () => void
  readonly onStorm: (queue: QueueSetUp, on: boolean) => void
}

export function QueuesTable({ setUp, isSought, views, onEdit, onAdd, onStorm }: Props) {
  const inStorm = (queue: QueueSetUp) => views.find((v) => v.id === queue.id)?.storm ?? false
  const name = (to: QueueSetUp['overflow'][number]['to']) => (to === 'anyLevel' ? 'any level' : nameIn(setUp.queues, to))
  const serving = (queue: QueueSetUp) => setUp.agents.filter((a) => !a.retired && a.queueIds.includes(queue.id))
  const able = (queue: QueueSetUp) =>
    serving(queue).filter((a) => queue.needs.every((n) => a.skills.some((s) => s.skillId === n.skillId && s.level >= n.level)))
  const columns: readonly Column<QueueSetUp>[] = [
    {
      id: 'queue',
      heading: 'Queue',
      width: 'w-[6.5rem]',
      isName: true,
      sortBy: (queue) => queue.name,
      cell: (queue) => (
        <>
          {queue.name}
          {queue.retired && <span className="block font-normal">retired</span>}
          {inStorm(queue) && <span className="block w-fit border border-brass bg-brass-wash px-1 font-normal text-brass-text">storm</span>}
        </>
      ),
    },
    {
      id: 'goesFirst',
      heading: 'Priority',
      width: 'w-[10.25rem]',
      sortBy: (queue) => queue.headStartMs,
      cell: (queue) => (
        <>
          {queue.headStartMs > 0 && <div>+{lengthInWords(queue.headStartMs)}</div>}
          {queue.goesFirst.map((g) => (
            <div key={g.group} className="text-soft">
              {g.group} +{lengthInWords(g.headStartMs).replace(' ', '\u00a0')}
            </div>
          ))}
          {queue.headStartMs === 0 && queue.goesFirst.length === 0 && <span className="text-soft">in turn</span>}
        </>
      ),
    },
    {
      id: 'needs',
      heading: 'Needs',
      width: 'w-[8.375rem]',
      cell: (queue) =>
        queue.needs.length === 0 ? (
          <span className="text-soft">nothing</span>
        ) : (
          queue.needs.map((n) => <div key={n.skillId}>{`${nameIn(setUp.skills, n.skillId)}, ${n.level}\u00a0up`}</div>)
        ),
    },
    {
      id: 'overflow',
      heading: 'Overflow',
      cell: (queue) => (
        <>
          {queue.overflow.length === 0 && <span className="text-soft">none</span>}
          {queue.overflow.map((o) => (
            <div key={o.to}>
              {whenInWords(o.afterMs)} to {name(o.to)}
            </div>
          ))}
          {queue.storm.overflow.map((o) => (
            <div key={`storm ${o.to}`} className={inStorm(queue) ? 'text-brass-text' : 'text-soft'}>
              storm: {whenInWords(o.afterMs)} to {name(o.to)}
            </div>
          ))}
        </>
      ),
    },
    {
      id: 'open',
      heading: 'Open',
      width: 'w-[6.875rem]',
      cell: (queue) => (
        <>
          {hoursInWords(queue.hours)}
          {queue.fullLimit !== null && <div className="text-soft">full at {queue.fullLimit}</div>}
        </>
      ),
    },
    {
      id: 'agents',
      heading: 'Agents',
      width: 'w-[5.5rem]',
      className: 'tabular',
      sortBy: (queue) => able(queue).length,
      cell: (queue) => {
        const [those, all] = [able(queue).length, serving(queue).length]
        return those === all ? all : `${those} of ${all}`
      },
    },
    {
      id: 'acts',
      heading: '',
      width: 'w-[8rem]',
      align: 'right',
      cell: (queue) => (
        <div className="flex flex-col items-end gap-1">
          <Button aria-label={`Edit ${queue.name}`} onClick={() => onEdit(queue)}>
            Edit
          </Button>
          {!queue.retired && (
            <Button
              tone={inStorm(queue) ? 'brass' : 'plain'}
              aria-label={`${inStorm(queue) ? 'End storm' : 'Switch to storm'}: ${queue.name}`}
              onClick={() => onStorm(queue, !inStorm(queue))}
            >
              {inStorm(queue) ? 'End storm' : 'Switch to storm'}
            </Button>
          )}
        </div>
      ),
    },
  ]
  const rows = setUp.queues.filter((q) => isSought(`${q.name} ${q.needs.map((n) => nameIn(setUp.skills, n.skillId)).join(' ')}`))
  return (
    <section aria-label="Queues">
      <div className="flex items-baseline justify-between">
        <h2 className="font-semibold text-lg">
          Queues <OfHowMany shown={rows.length} of={setUp.queues.length} />
        </h2>
        <Button onClick={onAdd}>Add a queue</Button>
      </div>
      <Table className="mt-1" columns={columns} rows={rows} keyOf={(queue) => queue.id} rowClass={(queue) => queue.retired && 'text-soft'} />
    </section>
  )
}

const whenInWords = (ms: number) => (ms === 0 ? 'from the start' : `after ${lengthInWords(ms)}`)
