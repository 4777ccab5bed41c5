'use client'
import { Clock, Problem } from '@/parts/ui'
// The queues an agent may tick, each with how it stands; below them those the account does not serve, and who can change that.
import type { AccountView, CentreView, QueueView, SeatView } from '@/services/exchange/protocol'

interface Props {
  readonly centre: CentreView
  readonly queues: readonly QueueView[]
  readonly seats: readonly SeatView[]
  readonly seat: Pick<AccountView, 'queueIds'>
  readonly ticked: readonly string[]
  readonly onTick: (ticked: readonly string[]) => void
  readonly problem: string | null
}

export function QueueChoice({ centre, queues, seats, seat, ticked, onTick, problem }: Props) {
  const may = (id: string) => (seat.queueIds as readonly string[]).includes(id)
  const mine = centre.queues.filter((q) => may(q.id))
  const others = centre.queues.filter((q) => !may(q.id))
  const tick = (id: string, on: boolean) => onTick(on ? [...ticked, id] : ticked.filter((t) => t !== id))
  return (
    <fieldset className="mt-5" aria-describedby={problem === null ? undefined : 'queues-problem'}>
      <legend className="font-semibold">Queues</legend>
      {mine.length === 0 && <p className="mb-1">Your account serves no queue. On shift you listen in from the Floor, call, and can be called by colleagues.</p>}
      <ul className="mt-1 divide-y divide-line border-line border-y">
        {mine.map((queue) => (
          <li key={queue.id}>
            <label className="grid grid-cols-[1.5rem_6.875rem_1fr] items-center py-1.5">
              <input
                type="checkbox"
                aria-label={queue.name}
                className="size-4 accent-green"
                checked={ticked.includes(queue.id)}
                onChange={(e) => tick(queue.id, e.target.checked)}
              />
              <span className="font-semibold">{queue.name}</span>
              <Standing view={queues.find((q) => q.id === queue.id)} servedBy={namesOf(seats, queue.id)} />
            </label>
          </li>
        ))}
        {others.map((queue) => (
          <li key={queue.id} className="grid grid-cols-[1.5rem_6.875rem_1fr] items-center py-1.5 text-soft">
            <input type="checkbox" aria-label={queue.name} className="size-4" checked={false} disabled readOnly />
            <span className="font-semibold">{queue.name}</span>
            <span>Not on your account. {centre.owners.join(' or ')} can add it in Set-up.</span>
          </li>
        ))}
      </ul>
      {problem !== null && <Problem id="queues-problem">{problem}</Problem>}
    </fieldset>
  )
}

const NAMED = 3

/** Those who have ticked the queue for their shift, whatever their level. */
const namesOf = (seats: readonly SeatView[], queueId: QueueView['id']): readonly string[] =>
  seats.flatMap((s) => (s.serves.includes(queueId) ? [s.name] : [])).toSorted()

/** Who serves it now, by name as far as there is room. */
function served(servedBy: readonly string[]): string {
  return servedBy.length <= NAMED + 1 ? servedBy.join(', ') : `${servedBy.slice(0, NAMED).join(', ')} and ${servedBy.length - NAMED} more`
}

function Standing({ view, servedBy }: { view: QueueView | undefined; servedBy: readonly string[] }) {
  if (view === undefined) return null
  return (
    <span className="text-soft" title={servedBy.join(', ')}>
      {!view.open && <strong className="text-ink">closed now · </strong>}
      {view.storm && <strong className="text-brass-text">storm · </strong>}
      {view.waiting === 0 ? 'nobody waiting' : `${view.waiting} waiting`}
      {view.longestSinceMs != null && (
        <>
          , longest <Clock sinceMs={view.longestSinceMs} />
        </>
      )}
      {servedBy.length === 0 ? ' · nobody serves it now' : ` · ${view.onShift} on shift, ${view.ready} ready`}
      {servedBy.length > 0 && <span className="block truncate text-xs">{served(servedBy)}</span>}
    </span>
  )
}
