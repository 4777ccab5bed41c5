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

/** What joins two other parties whose plates stand next to each other; null when nothing does. */
export function linkOf({ ears }: CallView, a: Connection, b: Connection): 'talking' | 'ringing' | null {
  const between = ears.filter((e) => (e.listener === a.deviceId && e.speaker === b.deviceId) || (e.listener === b.deviceId && e.speaker === a.deviceId))
  if (between.some((e) => e.hears === 'voice')) return 'talking'
  return between.some((e) => e.hears === 'ringing') ? 'ringing' : null
}
