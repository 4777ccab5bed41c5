// Runs in the browser: fills its storage with a history and asks it, as the history's worker does.
import { toAgentId } from '@/core/ids'
import { LEDGER_VERSION, type LedgerEntry, toLine } from '@/core/ledger'
import { DAY } from '@/core/time'
import type { History } from '@/services/history/asked'
import { LATEST_CALLS } from '@/services/history/calls'
import { bytesOf } from '@/services/history/columns'
import { createHistory } from '@/services/history/history'
import { keptKey, rangeOf } from '@/services/history/kept'
import { browserStore } from '@/services/storage'
import { FENNHOLM } from '@/world/scenario'
import { FIRST_DAY, keptDays } from './million'

/** The history that was asked last. */
export let held: History | null = null

const never = async () => new Response(null, { status: 503 })

async function store() {
  const opening = await browserStore('bench-history')
  if (!opening.ok) throw new Error(opening.reason)
  return opening.store
}

/** Keeps so many calls; milliseconds a day of them. */
export async function fill(calls: number): Promise<{ days: number; calls: number; packMs: number }> {
  const to = await store()
  let [days, made, packMs] = [0, 0, 0]
  let from = performance.now()
  for (const kept of keptDays(calls)) {
    packMs += performance.now() - from
    await to.set(keptKey(rangeOf(kept)), kept)
    days++
    made += kept.calls.count
    from = performance.now()
  }
  return { days, calls: made, packMs: packMs / days }
}

export interface HistoryFigures {
  readonly openMs: number
  readonly weekMs: number
  readonly allHereMs: number
  readonly allMs: number
  readonly agentMs: number
  readonly cutMs: number
  readonly latestMs: number
  readonly searchMs: number
  readonly sortMs: number
  readonly contactsMs: number
  readonly columnBytes: number
  /** Whom the floor has forgotten taken out of every day that names them. */
  readonly forgottenCalls: number
  readonly forgetMs: number
}

/** Opened anew, as when a browser starts: the last week first, then everything. */
export async function ask(days: number): Promise<HistoryFigures> {
  const firstMs = Date.parse(`${FIRST_DAY}T00:00:00Z`)
  const toMs = firstMs + days * DAY
  const nowMs = toMs + DAY
  const span = { fromMs: firstMs, toMs }
  const week = { fromMs: toMs - 7 * DAY, toMs }
  const steps = Array.from({ length: days }, (_, i) => firstMs + i * DAY)
  const began = performance.now()
  const history = createHistory(await store(), FENNHOLM, never)
  // Held until its memory has been looked at.
  held = history
  const opened = history.open({ days: 0, seed: 7 }, () => {})
  await opened
  const openMs = performance.now() - began
  await Promise.all([
    history.report({ span: week, nowMs, steps: steps.slice(-7), only: null }),
    history.calls({ ...LATEST_CALLS, span: week, nowMs, only: null, atMost: 180 }),
  ])
  const weekMs = performance.now() - began
  const everything = { span, nowMs, only: null }
  await history.report({ ...everything, steps })
  const allHereMs = performance.now() - began
  const timed = async (run: () => unknown) => {
    const times: number[] = []
    for (let i = 0; i < 3; i++) {
      const from = performance.now()
      await run()
      times.push(performance.now() - from)
    }
    return times.sort((a, b) => a - b)[1] ?? Number.NaN
  }
  const page = { ...LATEST_CALLS, ...everything, atMost: 180 }
  const [known] = (await history.calls({ ...page, queueId: null })).rows.filter((r) => r.customer !== null)
  const agent = known?.agents[0]?.agentId ?? null
  const columnBytes = history.blocks().reduce((sum, k) => sum + bytesOf(k.calls) + bytesOf(k.states), 0)
  const figures = {
    openMs,
    weekMs,
    allHereMs,
    allMs: await timed(() => history.report({ ...everything, steps })),
    agentMs: await timed(() => history.report({ ...everything, only: agent, steps: [] })),
    cutMs: await timed(() => history.report({ ...everything, span: { fromMs: firstMs + 1, toMs: toMs - 1 }, steps })),
    latestMs: await timed(() => history.calls(page)),
    searchMs: await timed(() => history.calls({ ...page, search: 'fjelding' })),
    sortMs: await timed(() => history.calls({ ...page, sort: { by: 'customer', descending: false } })),
    contactsMs: await timed(() => history.previousContacts({ customer: known?.customer ?? null, number: null }, 'none')),
    columnBytes,
  }
  const theirs = (await history.calls({ ...page, search: known?.customer ?? '', atMost: 100_000 })).rows.map((r) => r.callId)
  const at = { version: LEDGER_VERSION, atMs: nowMs, causedBy: null } as const
  const entries: readonly LedgerEntry[] = [
    { ...at, seq: 1, event: { kind: 'floorOpened', floorId: 'bench', setUp: FENNHOLM } },
    { ...at, seq: 2, event: { kind: 'personForgotten', byAgentId: toAgentId('agent_linnea-wickerby'), about: theirs } },
  ]
  const forgetFrom = performance.now()
  await history.follow({ floorId: async () => 'bench', read: async (after) => (after < 1 ? entries.map((e) => `${toLine(e)}\n`).join('') : '') })
  const forgetMs = performance.now() - forgetFrom
  const left = (await history.calls({ ...page, search: known?.customer ?? '', atMost: 10 })).found
  if (left > 0 || theirs.length === 0) throw new Error(`${left} of ${theirs.length} calls still name them`)
  return { ...figures, forgottenCalls: theirs.length, forgetMs }
}
