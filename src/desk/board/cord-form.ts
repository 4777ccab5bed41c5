// How the cord between me and another party is drawn: read from who hears whom and from both ends, never guessed.
import type { Connection } from '@/core/calls'
import type { CallView } from '@/exchange/protocol'

export type CordForm = 'talking' | 'held' | 'ringing' | 'apart' | 'cut' | 'none'

export interface Cord {
  readonly form: CordForm
  /** My voice does not reach them, or theirs does not reach me: a cross-bar at that end. */
  readonly mutedHere: boolean
  readonly mutedThere: boolean
}

export function cordOf({ call, ears }: CallView, mine: Connection | undefined, theirs: Connection, iAmMuted: boolean): Cord {
  const form = formOf({ call, ears }, mine, theirs)
  return { form, mutedHere: iAmMuted && form === 'talking', mutedThere: theirs.silenced && form === 'talking' }
}

function formOf({ call, ears }: CallView, mine: Connection | undefined, theirs: Connection): CordForm {
  if (mine === undefined || theirs.state === 'failed') return 'none'
  const { clearing } = call
  if (clearing !== null && clearing.what !== 'decline' && (clearing.what !== 'remove' || clearing.deviceId === theirs.deviceId)) return 'cut'
  if ([mine.state, theirs.state].some((s) => s === 'alerting' || s === 'initiated')) return 'ringing'
  if (mine.state === 'held' || theirs.state === 'held') return 'held'
  const hears = ears.find((e) => e.listener === mine.deviceId && e.speaker === theirs.deviceId)?.hears
  // Both on the line and not in each other's ear, although nobody is muted: an aside lies between them.
  if (call.aside !== null && hears !== 'voice' && !theirs.silenced) return 'apart'
  return 'talking'
}

/** Parties other than me who hear each other: what the bar beside their plates joins. */
export function linkedPairs({ ears }: CallView, others: readonly Connection[]): number {
  const ids = new Set(others.map((c) => c.deviceId))
  return ears.filter((e) => e.hears === 'voice' && ids.has(e.listener) && ids.has(e.speaker)).length
}
