// Entry of the worker in which a day is gone through again: it holds the ledger and the floor as it was at the instant looked at.
import * as Comlink from 'comlink'
import type { AgentId } from '@/core/ids'
import { type LedgerEntry, parseEntry } from '@/core/ledger'
import { createReplay, isMark, type Replay } from '@/core/replay'
import { type Replayed, replayed } from '@/services/exchange/replayed'
import { FENNHOLM_LINE } from '@/world/scenario'

export interface DayOpened {
  /** From the first shift of the day, or its first entry, to its last one; null for a day without any. */
  readonly fromMs: number | null
  readonly toMs: number | null
  /** How many callers waited at the end of each minute from `fromMs` on. */
  readonly waiting: readonly number[]
  readonly marks: readonly LedgerEntry[]
  readonly entries: number
  /** Of the whole ledger: what could not be read, and is in no picture of the day. */
  readonly unread: number
}

/** The parts of the view that differ from those sent before. */
export interface Moment {
  readonly atMs: number
  readonly changes: Partial<Replayed>
}

export interface ReplayWorker {
  /** A ledger as NDJSON, of which the entries from `fromMs` up to `toMs` are gone through. */
  open(ledger: string, span: { readonly fromMs: number; readonly toMs: number }): DayOpened
  at(atMs: number, boardOf: AgentId | null): Moment
}

const MINUTE_MS = 60_000

let replay: Replay | null = null
let sent = new Map<string, string>()

const worker: ReplayWorker = {
  open(ledger, { fromMs, toMs }) {
    const opened = ledger.split('\n').flatMap((line) => (line === '' ? [] : [parseEntry(line)]))
    const unread = opened.filter((o) => !o.ok).length
    const entries = opened.flatMap((o) => (o.ok && o.entry.atMs < toMs ? [o.entry] : []))
    sent = new Map()
    const own = entries.filter((e) => e.atMs >= fromMs && e.event.kind !== 'floorOpened' && e.event.kind !== 'carriedOver')
    // What the night left in mailboxes is there when the first of the agents comes.
    const [first, last] = [own.find((e) => e.event.kind === 'shiftStarted') ?? own[0], own.at(-1)]
    if (first === undefined || last === undefined) {
      replay = null
      return { fromMs: null, toMs: null, waiting: [], marks: [], entries: 0, unread }
    }
    replay = createReplay(entries)
    const waiting: number[] = []
    for (let at = first.atMs; at <= last.atMs; at += MINUTE_MS)
      waiting.push(Object.values(replay.after(replay.upTo(at + MINUTE_MS)).waiting).reduce((sum, line) => sum + line.length, 0))
    return { fromMs: first.atMs, toMs: last.atMs, waiting, marks: own.filter(isMark), entries: own.length, unread }
  },
  at(atMs, boardOf) {
    if (replay === null) return { atMs, changes: {} }
    const view = replayed(replay.after(replay.upTo(atMs)), FENNHOLM_LINE, boardOf)
    const changes = Object.entries(view).filter(([part, value]) => {
      // The centre is large and changes with the set-up only.
      const json = part === 'centre' ? String(view.centre.revision) : JSON.stringify(value)
      if (sent.get(part) === json) return false
      sent.set(part, json)
      return true
    })
    return { atMs, changes: Object.fromEntries(changes) }
  },
}

Comlink.expose(worker)
