// The running floor: takes messages from tabs, decides them, lets the world act when its time comes, keeps the
// ledger and shows every tab its part. Clock and timer come in, so that tests drive it by hand.

import { readNumber } from '@/core/directory'
import { type AgentCommand, createFloor, decide, evolve, type FloorState, nextDueAtMs, openFloor, preview, toRefusalText } from '@/core/floor'
import type { AgentId } from '@/core/ids'
import type { LedgerEntry } from '@/core/ledger'
import { LEDGER_VERSION } from '@/core/ledger'
import { values } from '@/core/table'
import { advance, createWorld, type Pace, type World } from '@/world'
import { customerByNumber, FENNHOLM, toCustomer } from '@/world/scenario'
import type { FloorMessage, FloorView, Notice, TabMessage } from './protocol'
import { TabMessageSchema } from './protocol'
import { createWriter, DAMAGED_KEY, type KeyValue, type LedgerWriter, type Restored } from './store'
import { selectCentre, selectMe, selectMine, selectParked, selectQueues, selectSeats } from './views'

/** The smallest port that works; a MessagePort is one, and so is a pair of functions in a test. */
export interface TabPort {
  postMessage(message: FloorMessage): void
}

export interface ExchangeOptions {
  readonly now: () => number
  /** Calls `wake` once at the given instant; a later call replaces an earlier one. */
  readonly wakeAt: (atMs: number, wake: () => void) => void
  readonly store: KeyValue
  readonly restored: Restored
  /** Why the browser keeps nothing; null when it does. */
  readonly storageRefused: string | null
  readonly floorId: string
  readonly seed: number
}

export interface Exchange {
  attach(port: TabPort): { receive(data: unknown): void; detach(): void }
  /** Resolves when everything decided so far is stored, or is known not to be. */
  settled(): Promise<boolean>
  state(): FloorState
}

interface Tab {
  readonly port: TabPort
  agentId: AgentId | null
  readonly sent: Map<keyof FloorView, string>
}

/** Commands whose reply waits for the disk: what they say must not be taken back by a power cut. */
const KEPT_FIRST: readonly AgentCommand['kind'][] = ['saveOutcome', 'answerScript', 'draftNotes']

export function createExchange(options: ExchangeOptions): Exchange {
  const { now } = options
  const tabs = new Set<Tab>()
  let notices: readonly Notice[] = []
  let storageReason = options.storageRefused
  let world: World | null = null
  let seed = options.seed
  let state = options.restored.state ?? createFloor(options.floorId, FENNHOLM)
  let centre = selectCentre(state)

  const writer: LedgerWriter = createWriter({
    store: options.store,
    storedSeq: state.seq,
    snapshotSeq: options.restored.snapshotSeq,
    onStored: (seq) => {
      for (const { port } of tabs) port.postMessage({ kind: 'stored', seq })
    },
    onRefused: (reason) => {
      storageReason = reason
      broadcast()
    },
  })

  const record = (entries: readonly LedgerEntry[], after: FloorState) => writer.append(entries, after)

  const beginFloor = () => {
    const { restored } = options
    if (restored.state === null) {
      const opened = openFloor(options.floorId, FENNHOLM, now())
      state = evolve(state, opened.event, opened.atMs)
      record([opened], state)
    } else {
      const gapMs = Math.max(0, now() - state.atMs)
      const resumed: LedgerEntry = {
        version: LEDGER_VERSION,
        seq: state.seq + 1,
        atMs: Math.max(now(), state.atMs),
        causedBy: null,
        event: { kind: 'floorResumed', gapMs },
      }
      state = evolve(state, resumed.event, resumed.atMs)
      record([resumed], state)
      const wasAtWork = values(state.agents).some((a) => a.shift?.seat === 'desk')
      if (gapMs > 1000 && wasAtWork) notice('resumed', 'info', `The floor was closed for ${Math.round(gapMs / 1000)} s and goes on where it was.`)
    }
    centre = selectCentre(state)
    if (restored.damage !== null) {
      const { lostCount, reason } = restored.damage
      const events = lostCount === 1 ? '1 event is' : `${lostCount} events are`
      notice('damaged', 'loss', `The stored ledger could not be read to its end: ${reason}. ${events} lost; everything before is here.`, true)
    }
  }

  const notice = (id: string, tone: Notice['tone'], says: string, offersDamaged = false) => {
    notices = [...notices.filter((n) => n.id !== id), { id, tone, says, offersDamaged }]
  }

  const startWorld = (pace: Pace) => {
    world = createWorld({ seed, pace, plays: state.setUp.agents.filter((a) => a.playable).map((a) => a.id), day: { kind: 'live' } })
    world.begin(state, now())
  }

  /** Everything that is due happens, then the tabs see it, then the timer is set for what comes next. */
  const turn = () => {
    if (world !== null) state = advance(state, world, now(), (entries, after) => record(entries, after))
    broadcast()
    const next = Math.min(world?.nextAtMs() ?? Infinity, nextDueAtMs(state) ?? Infinity)
    if (next < Infinity) options.wakeAt(next, turn)
  }

  const broadcast = () => {
    const shared = {
      centre,
      floor: {
        floorId: state.floorId,
        pace: world?.pace() ?? 'quiet',
        storage: storageReason === null ? 'kept' : 'notKept',
        storageReason,
        notices,
      } as const,
      seats: selectSeats(state),
      queues: selectQueues(state),
      parked: selectParked(state),
    }
    const json = new Map<keyof FloorView, string>()
    for (const tab of tabs) {
      const mine = { me: selectMe(state, tab.agentId), ...selectMine(state, tab.agentId) }
      show(tab, { ...shared, ...mine }, json)
    }
  }

  const show = (tab: Tab, view: FloorView, sharedJson: Map<keyof FloorView, string>) => {
    const changes: Partial<Record<keyof FloorView, unknown>> = {}
    for (const part of Object.keys(view) as (keyof FloorView)[]) {
      const isShared = part !== 'me' && part !== 'calls' && part !== 'contacts'
      // The centre is large and set once: its identity is enough.
      const json = part === 'centre' ? state.floorId : ((isShared ? sharedJson.get(part) : undefined) ?? JSON.stringify(view[part]))
      if (isShared) sharedJson.set(part, json)
      if (tab.sent.get(part) === json) continue
      tab.sent.set(part, json)
      changes[part] = view[part]
    }
    if (Object.keys(changes).length > 0) tab.port.postMessage({ kind: 'view', changes: changes as Partial<FloorView> })
  }

  const command = async (tab: Tab, requestId: string, asked: AgentCommand) => {
    const given = withKnown(asked, state.setUp.homeCountry)
    const decision = decide(state, given, { atMs: now() })
    if (!decision.ok) {
      const { says, next } = toRefusalText(decision.refusal)
      tab.port.postMessage({ kind: 'reply', requestId, ok: false, refusal: { reason: decision.refusal.reason, says, next } })
      return
    }
    state = decision.state
    if (decision.entries.length > 0) record(decision.entries, state)
    world?.observe(decision.entries, state)
    if (given.kind === 'startShift') tab.agentId = given.agentId
    turn()
    const kept = KEPT_FIRST.includes(given.kind) ? await writer.flushed() : storageReason === null
    tab.port.postMessage({ kind: 'reply', requestId, ok: true, kept, text: null })
  }

  const receive = (tab: Tab, message: TabMessage) => {
    const done = (text: string | null = null) =>
      tab.port.postMessage({ kind: 'reply', requestId: message.requestId, ok: true, kept: storageReason === null, text })
    switch (message.kind) {
      case 'hello':
        tab.agentId = message.agentId
        if (world === null) {
          seed = message.world?.seed ?? seed
          startWorld(message.world?.pace ?? 'ordinary')
        }
        turn()
        return done()
      case 'command':
        return void command(tab, message.requestId, message.command)
      case 'preview':
        return done(JSON.stringify(preview(state, message.command, { atMs: now() })))
      case 'lineSound':
        world?.hear(message.callId, tab.agentId, message.samples, state, now())
        turn()
        return done()
      case 'setPace':
        world?.setPace(message.pace, state, now())
        turn()
        return done()
      case 'ringMe':
        world?.ringMe(message, now())
        turn()
        return done()
      case 'nextAnswer':
        world?.setNextAnswer(message.as)
        return done()
      case 'ledger':
        return void writer.read(message.afterSeq).then(done)
      case 'damaged':
        return void options.store.get(DAMAGED_KEY).then((parts) => done(JSON.stringify(parts ?? [], null, 1)))
      case 'dismissNotice':
        notices = notices.filter((n) => n.id !== message.noticeId)
        broadcast()
        return done()
    }
  }

  beginFloor()
  return {
    attach(port) {
      const tab: Tab = { port, agentId: null, sent: new Map() }
      tabs.add(tab)
      return {
        receive(data) {
          const parsed = TabMessageSchema.safeParse(data)
          if (parsed.success) return receive(tab, parsed.data)
          const requestId = typeof data === 'object' && data !== null && 'requestId' in data ? String(data.requestId) : ''
          const says = 'The desk sent something the floor does not understand.'
          port.postMessage({ kind: 'reply', requestId, ok: false, refusal: { reason: 'notUnderstood', says, next: 'Reload the page; your work is kept.' } })
        },
        detach: () => tabs.delete(tab),
      }
    },
    settled: () => writer.flushed(),
    state: () => state,
  }
}

/** The customer record stand-in knows people by their number: whom an agent dials, and whom they bring to a call. */
function withKnown(command: AgentCommand, homeCountry: string): AgentCommand {
  if (command.kind === 'makeCall') {
    const known = customerOf(command.typed, homeCountry)
    return { ...command, customer: known === undefined ? null : toCustomer(known) }
  }
  if (!('target' in command) || command.target.kind !== 'number' || command.target.name !== null) return command
  return { ...command, target: { ...command.target, name: customerOf(command.target.typed, homeCountry)?.name ?? null } }
}

function customerOf(typed: string, homeCountry: string) {
  const reading = readNumber(typed, homeCountry)
  return reading.ok ? customerByNumber(reading.number.e164) : undefined
}
