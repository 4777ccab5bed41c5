// How the cord between me and another party is drawn: read from who hears whom and from both ends, never guessed.
import { type Connection, takesPart } from '@/core/calls'
import type { CallView } from '@/services/exchange/protocol'

/** `toMe` and `toThem`: one hears the other and is not heard, because one of them only listens. */
export type CordForm = 'talking' | 'whisper' | 'toMe' | 'toThem' | 'held' | 'ringing' | 'apart' | 'cut' | 'none'

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
  if (!takesPart(mine) || !takesPart(theirs)) return oneWay(ears, mine, theirs)
  const hears = ears.find((e) => e.listener === mine.deviceId && e.speaker === theirs.deviceId)?.hears
  // Both on the line and not in each other's ear, although nobody is muted: an aside lies between them.
  if (call.aside !== null && hears !== 'voice' && !theirs.silenced) return 'apart'
  return 'talking'
}

/** Between whoever listens in or whispers and whom they hear. */
function oneWay(ears: CallView['ears'], mine: Connection, theirs: Connection): CordForm {
  const hears = (listener: Connection, speaker: Connection) =>
    ears.some((e) => e.listener === listener.deviceId && e.speaker === speaker.deviceId && e.hears === 'voice')
  const [in_, out] = [hears(mine, theirs), hears(theirs, mine)]
  if (in_ && out) return 'whisper'
  if (in_) return 'toMe'
  return out ? 'toThem' : 'none'
}

/** Between two others, of whom one only listens: the ear is at the upper or the lower plate. */
export type LinkForm = 'talking' | 'ringing' | 'toUpper' | 'toLower'

/** What joins two other parties whose plates stand next to each other, the upper one first; null when nothing does. */
export function linkOf({ ears }: CallView, a: Connection, b: Connection): LinkForm | null {
  const between = ears.filter((e) => (e.listener === a.deviceId && e.speaker === b.deviceId) || (e.listener === b.deviceId && e.speaker === a.deviceId))
  const voice = between.filter((e) => e.hears === 'voice')
  if (voice.length === 1 && !(takesPart(a) && takesPart(b))) return voice[0]?.listener === a.deviceId ? 'toUpper' : 'toLower'
  if (voice.length > 0) return 'talking'
  return between.some((e) => e.hears === 'ringing') ? 'ringing' : null
}
