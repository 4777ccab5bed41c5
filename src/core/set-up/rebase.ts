// Two people change one set-up: what one of them changed, brought over to what the other has put into use meanwhile. Item by item: a queue that only one of
// them touched is as that one has it; of one that both touched mine stands, and it is said.
import type { Sheet } from '@/core/reviews'
import type { SetUp } from './schema'

export interface Rebased {
  readonly setUp: SetUp
  /** What both have changed, by name: mine stands. */
  readonly both: readonly string[]
}

type Item = { readonly [key: string]: unknown }

/** `base` is what `mine` was made from, `theirs` what is in use now. The result keeps every item `theirs` has. */
export function rebaseSetUp(base: SetUp, mine: SetUp, theirs: SetUp): Rebased {
  const both: string[] = []
  const result: Record<string, unknown> = {}
  for (const key of new Set([...Object.keys(theirs), ...Object.keys(mine)]) as Set<keyof SetUp>) {
    const [was, my, their] = [base[key], mine[key], theirs[key]]
    const keyOf = LISTS[key]
    result[key] =
      key === 'reviewSheets'
        ? mergeSheets(base.reviewSheets, mine.reviewSheets, theirs.reviewSheets, both)
        : keyOf === undefined
          ? pick(was, my, their, WORDS[key] ?? key, both)
          : mergeLists(was as readonly Item[], my as readonly Item[], their as readonly Item[], keyOf, both)
  }
  return { setUp: result as unknown as SetUp, both }
}

/** Lists whose items are the same by this, whatever else of them has changed. */
const LISTS: Partial<Record<keyof SetUp, (item: Item) => string>> = {
  queues: (q) => String(q.id),
  campaigns: (c) => String(c.id),
  agents: (a) => String(a.id),
  skills: (s) => String(s.id),
  quickTexts: (t) => String(t.name),
  outcomeSets: (s) => String(s.id),
  scripts: (s) => `${s.id} ${s.version}`,
  notReadyReasons: (r) => String(r.name),
}

const WORDS: Partial<Record<keyof SetUp, string>> = {
  centre: 'the name of the centre',
  homeCountry: 'the home country',
  timeZone: 'the time zone',
  ringLimitMs: 'the ring limit',
  holdLimitMs: 'the hold limit',
  takeBackMs: 'the grace of a hang-up',
  parkLimitMs: 'the limit of parking',
  conferenceNumber: 'the number of conferences',
  mostOwed: 'how many outcomes may be owed',
  lockAfterMs: 'when a page is locked',
  keeps: 'how long things are kept',
  archivedScriptIds: 'which scripts are archived',
}

const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b)

function pick<T>(was: T, my: T, their: T, name: string, both: string[]): T {
  if (same(was, my)) return their
  if (!same(was, their) && !same(my, their)) both.push(name)
  return my
}

/** A version that is in use is never changed: what both made of a sheet is one after the other, mine last. */
function mergeSheets(was: readonly Sheet[], my: readonly Sheet[], their: readonly Sheet[], both: string[]): readonly Sheet[] {
  const isNew = (sheet: Sheet) => !was.some((s) => s.id === sheet.id && s.version === sheet.version && same(s, sheet))
  const mine = my.filter((sheet) => isNew(sheet) && !their.some((s) => same(s, sheet)))
  for (const { id, name } of mine) if (their.some((s) => s.id === id && isNew(s))) both.push(name)
  return [...their, ...mine.map((sheet) => ({ ...sheet, version: 1 + Math.max(0, ...their.filter((s) => s.id === sheet.id).map((s) => s.version)) }))]
}

function mergeLists(was: readonly Item[], my: readonly Item[], their: readonly Item[], keyOf: (item: Item) => string, both: string[]): readonly Item[] {
  const by = (items: readonly Item[]) => new Map(items.map((item) => [keyOf(item), item]))
  const [wasBy, myBy, theirBy] = [by(was), by(my), by(their)]
  const merged: Item[] = []
  for (const [key, item] of theirBy) {
    const mine = myBy.get(key)
    // Taken out here: it stays out, unless it was added or changed over there.
    if (mine === undefined) {
      if (!wasBy.has(key) || !same(wasBy.get(key), item)) merged.push(item)
    } else merged.push(pick<Item | undefined>(wasBy.get(key), mine, item, String(item.name ?? key), both) ?? item)
  }
  // Added here, or taken out over there and changed here.
  for (const [key, item] of myBy) if (!theirBy.has(key) && (!wasBy.has(key) || !same(wasBy.get(key), item))) merged.push(item)
  return merged
}
