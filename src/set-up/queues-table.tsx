'use client'
// The rules of routing as a table a person can read across: whom a queue needs, who goes first, where it overflows to, when it
// is open. The storm switch works on the floor at once; everything else waits until the set-up is put into use.
import clsx from 'clsx'
import type { QueueSetUp, SetUp } from '@/core/set-up'
import type { QueueView } from '@/exchange/protocol'
import { Button, nameIn, TableHead } from '@/ui'
import { hoursInWords, lengthInWords } from './queue-form'

interface Props {
  readonly setUp: SetUp
  readonly views: readonly QueueView[]
  readonly onEdit: (queue: QueueSetUp) => void
  readonly onAdd: () => void
  readonly onStorm: (queue: QueueSetUp, on: boolean) => void
}

export function QueuesTable({ setUp, views, onEdit, onAdd, onStorm }: Props) {
  return (
    <section aria-label="Queues">
      <div className="flex items-baseline justify-between">
        <h2 className="font-semibold text-lg">Queues</h2>
        <Button onClick={onAdd}>Add a queue</Button>
      </div>
      <table className="mt-1 w-full table-fixed">
        <TableHead headings={HEADINGS} className="align-bottom" />
        <tbody>
          {setUp.queues.map((queue) => (
            <QueueRow
              key={queue.id}
              queue={queue}
              setUp={setUp}
              storm={views.find((v) => v.id === queue.id)?.storm ?? false}
              onEdit={onEdit}
              onStorm={onStorm}
            />
          ))}
        </tbody>
      </table>
    </section>
  )
}

const whenInWords = (ms: number) => (ms === 0 ? 'at once' : `after ${lengthInWords(ms)}`)

const HEADINGS = [
  ['Queue', 'w-[104px]'],
  ['Goes first', 'w-[172px]'],
  ['Needs', 'w-[134px]'],
  ['Overflow', ''],
  ['Open', 'w-[110px]'],
  ['Agents', 'w-[72px]'],
  ['', 'w-[132px]'],
] as const

function QueueRow({ queue, setUp, storm, onEdit, onStorm }: Omit<Props, 'views' | 'onAdd'> & { queue: QueueSetUp; storm: boolean }) {
  const skill = (id: string) => nameIn(setUp.skills, id)
  const name = (to: QueueSetUp['overflow'][number]['to']) => (to === 'anyLevel' ? 'any level' : nameIn(setUp.queues, to))
  const serving = setUp.agents.filter((a) => !a.retired && a.queueIds.includes(queue.id))
  const fit = serving.filter((a) => queue.needs.every((n) => a.skills.some((s) => s.skillId === n.skillId && s.level >= n.level)))
  const cell = 'py-2 pr-3 align-top'
  return (
    <tr className={clsx('border-line border-b', queue.retired && 'text-soft')}>
      <th scope="row" className={`${cell} text-left`}>
        {queue.name}
        {queue.retired && <span className="block font-normal">retired</span>}
        {storm && <span className="block w-fit border border-brass bg-brass-wash px-1 font-normal text-brass-text">storm</span>}
      </th>
      <td className={cell}>
        {queue.headStartMs > 0 && <div>by {lengthInWords(queue.headStartMs)}</div>}
        {queue.goesFirst.map((g) => (
          <div key={g.group} className="text-soft">
            {g.group} +{lengthInWords(g.headStartMs).replace(' ', '\u00a0')}
          </div>
        ))}
        {queue.headStartMs === 0 && queue.goesFirst.length === 0 && <span className="text-soft">in turn</span>}
      </td>
      <td className={cell}>
        {queue.needs.length === 0 ? (
          <span className="text-soft">nothing</span>
        ) : (
          queue.needs.map((n) => <div key={n.skillId}>{`${skill(n.skillId)}, ${n.level}\u00a0up`}</div>)
        )}
      </td>
      <td className={cell}>
        {queue.overflow.length === 0 && <span className="text-soft">none</span>}
        {queue.overflow.map((o) => (
          <div key={o.to}>
            {whenInWords(o.afterMs)} to {name(o.to)}
          </div>
        ))}
        {queue.storm.overflow.map((o) => (
          <div key={`storm ${o.to}`} className={storm ? 'text-brass-text' : 'text-soft'}>
            storm: {whenInWords(o.afterMs)} to {name(o.to)}
          </div>
        ))}
      </td>
      <td className={cell}>
        {hoursInWords(queue.hours)}
        {queue.fullLimit !== null && <div className="text-soft">full at {queue.fullLimit}</div>}
      </td>
      <td className={`${cell} tabular`}>{fit.length === serving.length ? serving.length : `${fit.length} of ${serving.length}`}</td>
      <td className="py-2 align-top">
        <div className="flex flex-col items-end gap-1">
          <Button aria-label={`Edit ${queue.name}`} onClick={() => onEdit(queue)}>
            Edit
          </Button>
          {!queue.retired && (
            <Button
              tone={storm ? 'brass' : 'plain'}
              aria-label={`${storm ? 'End storm' : 'Switch to storm'}: ${queue.name}`}
              onClick={() => onStorm(queue, !storm)}
            >
              {storm ? 'End storm' : 'Switch to storm'}
            </Button>
          )}
        </div>
      </td>
    </tr>
  )
}
