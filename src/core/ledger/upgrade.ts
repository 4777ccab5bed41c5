// Opens entries of every version ever written. One upgrade per version, checked for gaps when the list is made.
import * as z from 'zod'
import { DESK_LOST, MISSED_RING, OUTCOME_OWED } from '@/core/set-up'
import { HOUR, MINUTE, wholeMs } from '@/core/time'
import { LEDGER_VERSION, type LedgerEntry, LedgerEntrySchema } from './entry'

type Upgrade = { readonly from: number; readonly apply: (stored: Record<string, unknown>) => Record<string, unknown> }

/** `from: 1` turns a version 1 entry into version 2, and so on. */
const UPGRADES: readonly Upgrade[] = [
  // Version 2 only adds kinds of event, and settings of the centre that have a default.
  { from: 1, apply: (stored) => ({ ...stored, version: 2 }) },
  { from: 2, apply: (stored) => ({ ...stored, version: 3, event: withHeadStarts(stored.event) }) },
  { from: 3, apply: (stored) => ({ ...stored, version: 4, event: withFollows(stored.event) }) },
  // PINs are no part of an account any more, and what is no part of it is left out when an entry is read.
  { from: 4, apply: (stored) => ({ ...stored, version: 5 }) },
  // Version 6 only adds a kind of event.
  { from: 5, apply: (stored) => ({ ...stored, version: 6 }) },
  // Version 7 adds a kind of event, and days that are over are kept compressed.
  { from: 6, apply: (stored) => ({ ...stored, version: 7 }) },
  // Version 8 only adds kinds of event, and settings that have a default.
  { from: 7, apply: (stored) => ({ ...stored, version: 8 }) },
  // Version 9 only adds kinds of event, and settings that have a default.
  { from: 8, apply: (stored) => ({ ...stored, version: 9 }) },
  // Version 10 only adds kinds of event, and settings that have a default.
  { from: 9, apply: (stored) => ({ ...stored, version: 10 }) },
  { from: 10, apply: (stored) => ({ ...stored, version: 11, event: withRight(stored.event, 'supervision', 'listening') }) },
  // Version 12 only adds kinds of event, and settings that have a default.
  { from: 11, apply: (stored) => ({ ...stored, version: 12 }) },
  // Version 13 only adds a kind of event.
  { from: 12, apply: (stored) => ({ ...stored, version: 13 }) },
  {
    from: 13,
    apply(stored) {
      const whole = withWholeMs(stored) as Record<string, unknown>
      return { ...whole, version: 14, event: withDeskLost(whole.event) }
    },
  },
  // Version 15 only adds a kind of event, and settings that have a default.
  { from: 14, apply: (stored) => ({ ...stored, version: 15 }) },
  { from: 15, apply: (stored) => ({ ...stored, version: 16, event: withRight(stored.event, 'setUp', 'forgetting') }) },
  // Version 17 only adds a kind of what is kept for so many days, and the setting of it.
  { from: 16, apply: (stored) => ({ ...stored, version: 17 }) },
  // Version 18 only adds where calls may be diverted to.
  { from: 17, apply: (stored) => ({ ...stored, version: 18 }) },
]

/** Until version 13 a desk that vanished was no reason for anything. */
function withDeskLost(event: unknown): unknown {
  const opened = ReasonsBeforeSchema.safeParse(event)
  if (!opened.success) return event
  const { setUp } = opened.data
  if (setUp.notReadyReasons.some((r) => r.name === DESK_LOST)) return event
  return {
    ...opened.data,
    setUp: { ...setUp, notReadyReasons: [...setUp.notReadyReasons, { name: DESK_LOST, paid: true, plannedMs: null, givenByFloor: true }] },
  }
}

const ReasonsBeforeSchema = z.looseObject({
  kind: z.enum(['floorOpened', 'setUpChanged', 'storageCleared']),
  setUp: z.looseObject({ notReadyReasons: z.array(z.looseObject({ name: z.string() })) }),
})

/**
 * Until version 13 a campaign call that nobody took was stored with fractions of a millisecond, which its own reader refused. Whatever is named as
 * milliseconds is rounded, however deep it stands; order is kept, because rounding never turns two instants round.
 */
function withWholeMs(stored: unknown, name = ''): unknown {
  if (typeof stored === 'number') return name.endsWith('Ms') ? wholeMs(stored) : stored
  if (Array.isArray(stored)) return stored.map((item) => withWholeMs(item, name))
  if (typeof stored !== 'object' || stored === null) return stored
  // What handling takes is kept by queue: the numbers are named after queues, and the whole after what they are.
  return Object.fromEntries(Object.entries(stored).map(([key, value]) => [key, withWholeMs(value, name.endsWith('Ms') ? name : key)]))
}

/**
 * A right that no account had before: those who have another one may, as far as the set-up does not say otherwise from then on. Until version 10 nobody could
 * listen in, and until version 15 nobody could have a person forgotten.
 */
function withRight(event: unknown, who: string, may: string): unknown {
  const opened = AccountsBeforeSchema.safeParse(event)
  if (!opened.success) return event
  const { setUp } = opened.data
  const agents = setUp.agents.map((a) => (a.may?.includes(who) && !a.may.includes(may) ? { ...a, may: [...a.may, may] } : a))
  return { ...opened.data, setUp: { ...setUp, agents } }
}

const AccountsBeforeSchema = z.looseObject({
  kind: z.enum(['floorOpened', 'setUpChanged', 'storageCleared']),
  setUp: z.looseObject({ agents: z.array(z.looseObject({ may: z.array(z.string()).optional() })) }),
})

/** Until version 2 a reason was a name, and a queue's priority a number of which the smaller went first. */
function withHeadStarts(event: unknown): unknown {
  const opened = OpenedBeforeSchema.safeParse(event)
  if (!opened.success) return event
  const { setUp } = opened.data
  const last = Math.max(0, ...setUp.queues.map((q) => q.priority))
  return {
    ...opened.data,
    setUp: {
      ...setUp,
      notReadyReasons: setUp.notReadyReasons.map((name) => ({ name, paid: true, plannedMs: null, givenByFloor: name === MISSED_RING })),
      queues: setUp.queues.map(({ priority, ...queue }) => ({ ...queue, headStartMs: (last - priority) * MINUTE })),
    },
  }
}

const OpenedBeforeSchema = z.looseObject({
  kind: z.literal('floorOpened'),
  setUp: z.looseObject({ notReadyReasons: z.array(z.string()), queues: z.array(z.looseObject({ priority: z.number() })) }),
})

/** Until version 3 a code only named what follows from it, and the floor gave no reason for outcomes owed. */
function withFollows(event: unknown): unknown {
  const opened = SetUpBeforeSchema.safeParse(event)
  if (!opened.success) return event
  const { setUp } = opened.data
  return {
    ...opened.data,
    setUp: {
      ...setUp,
      notReadyReasons: [...setUp.notReadyReasons, { name: OUTCOME_OWED, paid: true, plannedMs: null, givenByFloor: true }],
      outcomeSets: setUp.outcomeSets.map((set) => ({ ...set, codes: set.codes.map((code) => ({ ...code, follows: FOLLOWED[code.follows] })) })),
    },
  }
}

const FOLLOWED = {
  nothing: { kind: 'nothing' },
  retry: { kind: 'retry', afterMs: 2 * HOUR, atMost: 3 },
  callback: { kind: 'callback' },
  neverCall: { kind: 'neverCall', whom: 'number' },
  wrongNumber: { kind: 'wrongNumber' },
} as const

const SetUpBeforeSchema = z.looseObject({
  kind: z.enum(['floorOpened', 'setUpChanged']),
  setUp: z.looseObject({
    notReadyReasons: z.array(z.looseObject({ name: z.string() })),
    outcomeSets: z.array(z.looseObject({ codes: z.array(z.looseObject({ follows: z.enum(['nothing', 'retry', 'callback', 'neverCall', 'wrongNumber']) })) })),
  }),
})

UPGRADES.forEach((upgrade, i) => {
  if (upgrade.from !== i + 1) throw new Error(`ledger upgrades have a gap before ${upgrade.from}`)
})
if (UPGRADES.length !== LEDGER_VERSION - 1) throw new Error('a ledger version has no upgrade')

export type OpenedEntry =
  | { readonly ok: true; readonly entry: LedgerEntry }
  | { readonly ok: false; readonly reason: 'savedByNewerVersion' | 'corrupt'; readonly detail: string }

/** One stored line as an entry of the present version. Refuses newer versions and whatever does not parse. */
export function parseEntry(line: string): OpenedEntry {
  let stored: unknown
  try {
    stored = JSON.parse(line)
  } catch (error) {
    if (!(error instanceof SyntaxError)) throw error
    return { ok: false, reason: 'corrupt', detail: error.message }
  }
  if (typeof stored !== 'object' || stored === null) return { ok: false, reason: 'corrupt', detail: 'not an object' }
  let record = stored as Record<string, unknown>
  const version = Number(record.version)
  if (version > LEDGER_VERSION) return { ok: false, reason: 'savedByNewerVersion', detail: `version ${version}` }
  for (const upgrade of UPGRADES.slice(Math.max(0, version - 1))) record = upgrade.apply(record)
  const parsed = LedgerEntrySchema.safeParse(record)
  return parsed.success ? { ok: true, entry: parsed.data } : { ok: false, reason: 'corrupt', detail: issueWords(parsed.error) }
}

/** What the reader would refuse of an entry that is about to be stored; null when it will be read again. */
export function unreadable(entry: LedgerEntry): string | null {
  const parsed = LedgerEntrySchema.safeParse(entry)
  return parsed.success ? null : `${entry.event.kind}.${issueWords(parsed.error)}`
}

const issueWords = ({ issues: [issue] }: z.ZodError): string => `${issue?.path.join('.') ?? ''}: ${issue?.message ?? 'invalid'}`

export const toLine = (entry: LedgerEntry): string => JSON.stringify(entry)
