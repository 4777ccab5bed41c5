// What needs a person, in words: whom it is about, what is the matter, and what could be done about it.
import type { Need, WatchedQueue } from '@/core/attention'
import { formatClock, MINUTE } from '@/core/time'
import { countWords } from './pieces-words'

interface Names {
  readonly queue: (id: string) => string
  readonly agent: (id: string) => string
  /** The queue as it stands. */
  readonly standing: (id: string) => WatchedQueue | undefined
  readonly reason: (agentId: string) => string | null
}

export interface NeedWords {
  readonly about: string
  readonly says: string
}

const waits = (count: number, lastsMs: number): string =>
  count === 1 ? `1 waiting, for ${formatClock(lastsMs)}` : `${count} waiting, longest ${formatClock(lastsMs)}`

export function needWords(need: Need, names: Names): NeedWords {
  if (need.kind === 'belowAim')
    return { about: names.queue(need.queueId), says: `${Math.round(need.share * 100)} % answered in time today, below ${Math.round(need.aim * 100)} %` }
  if (need.kind === 'writtenWaits') {
    const { count, waitedMs, overMs, channel } = need
    return {
      about: names.queue(need.queueId),
      says: `${countWords(Array.from({ length: count }, () => ({ channel })))} without an answer, longest ${formatClock(waitedMs)}, over by ${formatClock(overMs)}`,
    }
  }
  if ('queueId' in need) {
    const queue = names.standing(need.queueId)
    return {
      about: names.queue(need.queueId),
      says: `${waits(queue?.waiting ?? 1, need.waitedMs)}, ${need.kind === 'nobodyServes' ? 'nobody on shift serves it' : untilFree(queue?.expectedWaitMs ?? null)}`,
    }
  }
  const about = names.agent(need.agentId)
  const over = `over by ${formatClock(need.overMs)}`
  if (need.kind === 'asksForHelp') return { about, says: `asks for help, for ${formatClock(need.lastsMs)}` }
  if (need.kind === 'deskLost') return { about, says: `desk lost, for ${formatClock(need.lastsMs)}` }
  if (need.kind === 'heldTooLong') return { about, says: `the caller is on hold for ${formatClock(need.lastsMs)}, ${over}` }
  if (need.kind === 'wrapUpTooLong') return { about, says: `in wrap-up for ${formatClock(need.lastsMs)}, ${over}` }
  return { about, says: `${names.reason(need.agentId) ?? 'not ready'} for ${formatClock(need.lastsMs)}, ${over}` }
}

function untilFree(expectedWaitMs: number | null): string {
  if (expectedWaitMs === null) return 'nobody is free'
  if (expectedWaitMs < MINUTE / 2) return 'somebody is free in a moment'
  const minutes = Math.max(1, Math.round(expectedWaitMs / MINUTE))
  return `nobody is free for about ${minutes} min`
}
