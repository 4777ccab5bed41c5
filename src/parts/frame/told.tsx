'use client'
// What whoever answers for the floor has done about somebody, or said to them: a line each until it is put away.
import { format } from 'date-fns'
import type { Told } from '@/core/agents'
import { Button, nameIn } from '@/parts/ui'
import { listed } from '@/parts/words'
import type { CentreView } from '@/services/exchange/protocol'
import { useAllSeen, useCommand } from '@/services/exchange/react'
import { Line } from './line'

/** Older ones come into view as later ones are put away. */
const SHOWN = 3

export function ToldLines() {
  const command = useCommand()
  const seen = useAllSeen(({ account, centre, seats }) => ({ told: account.told, centre, seats: account.told.length === 0 ? NOBODY : seats }))
  if (seen === null) return null
  const { told, centre, seats } = seen
  return told.slice(-SHOWN).map((one) => {
    const by = nameIn(seats, one.byAgentId)
    return (
      <Line key={one.no} label={`From ${by}`} alert={one.what.is === 'word'}>
        <span className="min-w-0 flex-1 truncate" title={toldWords(one.what, centre)}>
          <strong>{by}</strong> {toldWords(one.what, centre)} <span className="text-soft tabular-nums">{format(one.atMs, 'HH:mm')}</span>
        </span>
        <Button className="!h-6" onClick={() => void command({ kind: 'putAwayTold', no: one.no })}>
          Put it away
        </Button>
      </Line>
    )
  })
}

const NOBODY = [] as const

function toldWords(what: Told['what'], centre: CentreView): string {
  const queues = (ids: readonly string[]) => listed(ids.map((id) => nameIn(centre.queues, id)))
  switch (what.is) {
    case 'queues':
      return what.dropped.length === 0
        ? `gave you ${queues(what.added)}.`
        : what.added.length === 0
          ? `took you off ${queues(what.dropped)}.`
          : `gave you ${queues(what.added)} and took you off ${queues(what.dropped)}.`
    case 'campaign':
      return what.campaignId === null ? 'took you off the campaign.' : `put you on ${nameIn(centre.campaigns, what.campaignId)}.`
    case 'levels':
      return 'changed your skills for this shift.'
    case 'ready':
      return 'set you ready.'
    case 'notReady':
      return `set you not ready: ${what.reason}.`
    case 'shiftEnded':
      return 'ended your shift.'
    case 'word':
      return `says: “${what.text}”`
  }
}
