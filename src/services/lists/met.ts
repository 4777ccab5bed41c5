// What a campaign has met on its lists: what comes of attempts, by the hour, and how long it rings. What a shift to come is played with.
import type { Try } from '@/core/campaigns'
import type { Met } from '@/core/pacing'
import type { CodeCounts } from '@/core/reports'
import { localTime } from '@/core/time'

export type MetOnLists = Omit<Met, 'talks' | 'wraps'>

const MOST_RINGS = 2_000

export function metOn(people: Iterable<{ readonly zone: string; readonly tries: readonly Try[] }>, codes: Readonly<Record<string, CodeCounts>>): MetOnLists {
  const hours = Array.from({ length: 24 }, (_, hour) => ({ hour, ended: 0, live: 0 }))
  const count = { machines: 0, busy: 0, invalid: 0, inVain: 0, connected: 0, rightParty: 0 }
  const rings: number[] = []
  for (const { zone, tries } of people)
    for (const { result, atMs, answeredAtMs, code } of tries) {
      if (result === null || result === 'cancelled') continue
      const hour = hours[Math.floor(localTime(zone, atMs).minute / 60)]
      const isLive = result === 'live' || result === 'abandoned'
      if (hour !== undefined) {
        hour.ended++
        hour.live += isLive ? 1 : 0
      }
      if (answeredAtMs !== null && rings.length < MOST_RINGS) rings.push(answeredAtMs - atMs)
      if (result === 'machine') count.machines++
      else if (result === 'busy') count.busy++
      else if (result === 'invalid') count.invalid++
      else if (!isLive) count.inVain++
      if (result !== 'live') continue
      count.connected++
      if (code !== null && codes[code]?.rightParty === true) count.rightParty++
    }
  return { byHour: hours.filter((h) => h.ended > 0), ...count, rings }
}
