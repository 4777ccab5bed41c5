// The running floor: takes messages from tabs, decides them, lets the world act when its time comes, keeps the
// ledger and shows every tab its part. Clock and timer come in, so that tests drive it by hand.

import { createChance, seedFor } from '@/core/chance'
import {
  type AgentCommand,
  createFloor,
  decide,
  evolve,
  type FloorRefusal,
  type FloorState,
  nextDueAtMs,
  openFloor,
  preview,
  toRefusalText,
} from '@/core/floor'
import type { AgentId } from '@/core/ids'
import type { LedgerEntry } from '@/core/ledger'
import { LEDGER_VERSION } from '@/core/ledger'
import { agentName, queueSetUp } from '@/core/set-up'
import { get, values } from '@/core/table'
import { advance, createWorld, type Pace, type World } from '@/world'
import { FENNHOLM } from '@/world/scenario'
import { createDevices } from './devices'
import { withKnown } from './known'
import { createPromisesView, selectDoNotCall } from './promises-view'
import type { FloorView, Notice, RefusalView, TabMessage } from './protocol'
import { TabMessageSchema } from './protocol'
import { createWriter, DAMAGED_KEY, type KeyValue, type LedgerWriter, type Restored } from './store'
import { show, type Tab, type TabPort } from './tab'
import { selectCentre, selectDevice, selectMe, selectMine, selectParked, selectQueues, selectSeats } from './views'

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

/** Commands whose reply waits for the disk: what they say must not be taken back by a power cut. */
const KEPT_FIRST: readonly AgentCommand['kind'][] = [
  ...(['saveOutcome', 'answerScript', 'draftNotes', 'correctOutcome'] as const),
  ...(['moveCallback', 'handOverCallback', 'dropCallback', 'closeTask', 'addDoNotCall', 'removeDoNotCall', 'changeSetUp'] as const),
]

export function createExchange(options: ExchangeOptions): Exchange {
  const { now } = options
  const tabs = new Set<Tab>()
  let notices: readonly Notice[] = []
  let storageReason = options.storageRefused
  let world: World | null = null
  let seed = options.seed
  let state = options.restored.state ?? createFloor(options.floorId, FENNHOLM)
  let centre = selectCentre(state)
  const promises = createPromisesView()

  let codes = 0
  const devices = createDevices({
    now,
    newCode: () => String(100_000 + Math.floor(createChance(seedFor(options.seed, `phone code ${++codes} ${now()}`)).next() * 900_000)),
    homeCountry: () => state.setUp.homeCountry,
    onGone: (agentId, device, why) => {
      if (get(state.agents, agentId)?.shift?.soundPath === device) give({ kind: 'reportSoundLost', agentId, why })
    },
    onBack: (agentId, device) => {
      const shift = get(state.agents, agentId)?.shift
      if (shift?.soundPath === device && shift.soundLost !== null) give({ kind: 'chooseSoundPath', agentId, path: device })
    },
    onMoved: (agentId, callId) => void give({ kind: 'moveCall', agentId, callId, endpoint: 'handset' }),
  })

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

  /** Whoever has caused a call that never came in is told what became of it; on busy days it is nobody's in particular. */
  const sayTurnedAway = ({ queueId, because, said }: Extract<LedgerEntry['event'], { kind: 'callTurnedAway' }>) => {
    if (world?.pace() !== 'quiet') return
    notice('turned away', 'info', `A caller of ${queueSetUp(state.setUp, queueId).name} was turned away, because it is ${because}, and heard: “${said}”`)
  }

  const startWorld = (pace: Pace) => {
    world = createWorld({ seed, pace, plays: state.setUp.agents.filter((a) => a.playable).map((a) => a.id), day: { kind: 'live' } })
    world.begin(state, now())
  }

  /** Everything that is due happens, then the tabs see it, then the timer is set for what comes next. */
  const turn = () => {
    if (world !== null)
      state = advance(state, world, now(), (entries, after) => {
        record(entries, after)
        for (const { event } of entries) if (event.kind === 'callTurnedAway') sayTurnedAway(event)
      })
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
      promises: promises(state),
    }
    const json = new Map<keyof FloorView, string>()
    for (const tab of tabs) {
      const soundOf = tab.agentId ?? tab.soundFor
      const { device } = tab
      const mine = {
        me: selectMe(state, tab.agentId),
        ...selectMine(state, tab.agentId),
        sound: soundOf === null ? null : devices.view(soundOf),
        device: device === null ? null : selectDevice(state, device.is, device.agentId, devices.view(device.agentId).handset),
        seatMoved: tab.seatMoved,
      }
      show(tab, { ...shared, ...mine }, json)
    }
  }

  /** Decides, keeps and shows; null when it was done. */
  const give = (given: AgentCommand): FloorRefusal | null => {
    const decision = decide(state, given, { atMs: now() })
    if (!decision.ok) return decision.refusal
    state = decision.state
    if (decision.entries.length > 0) record(decision.entries, state)
    if (given.kind === 'changeSetUp') centre = selectCentre(state)
    world?.observe(decision.entries, state)
    return null
  }

  const command = async (tab: Tab, requestId: string, asked: AgentCommand) => {
    const refuse = (refusal: RefusalView) => tab.port.postMessage({ kind: 'reply', requestId, ok: false, refusal })
    const given = withKnown(asked, state)
    if (given.kind === 'moveCall' && given.endpoint !== 'computer') {
      // Another device has to be there; a handset rings first and has the call when it is lifted.
      if (given.endpoint === 'ownPhone' ? !devices.hasPhone(given.agentId) : !devices.ringHandset(given.agentId, given.callId))
        return refuse(UNREACHABLE[given.endpoint])
      if (given.endpoint === 'handset') {
        turn()
        return tab.port.postMessage({ kind: 'reply', requestId, ok: true, kept: true, text: null })
      }
    }
    const refusal = give(given)
    if (refusal !== null) return refuse({ reason: refusal.reason, ...toRefusalText(refusal) })
    if (given.kind === 'startShift' || given.kind === 'moveSeat') takeSeat(tab, given.agentId)
    if (given.kind === 'endShift') tab.soundFor = null
    turn()
    const kept = KEPT_FIRST.includes(given.kind) ? await writer.flushed() : storageReason === null
    tab.port.postMessage({ kind: 'reply', requestId, ok: true, kept, text: null })
  }

  /** A seat is in one tab at a time: another one that had it is told. */
  const takeSeat = (tab: Tab, agentId: AgentId) => {
    for (const other of tabs)
      if (other !== tab && other.agentId === agentId) {
        other.agentId = null
        other.seatMoved = { name: agentName(state.setUp, agentId), atMs: now() }
      }
    tab.agentId = agentId
    tab.seatMoved = null
  }

  const detach = (tab: Tab) => {
    if (!tabs.delete(tab) || tab.device === null) return
    if (tab.device.is === 'handset') devices.handsetClosed(tab.device.agentId)
    else devices.phoneHangsUp(tab.device.agentId)
    turn()
  }

  const receive = (tab: Tab, message: TabMessage) => {
    const done = (text: string | null = null) =>
      tab.port.postMessage({ kind: 'reply', requestId: message.requestId, ok: true, kept: storageReason === null, text })
    switch (message.kind) {
      case 'hello':
        // A copy of a tab remembers its seat as well; the seat stays where it is.
        if (message.agentId !== null && ![...tabs].some((t) => t.agentId === message.agentId)) tab.agentId = message.agentId
        else if (message.agentId !== null) tab.seatMoved = { name: agentName(state.setUp, message.agentId), atMs: now() }
        if (message.device !== null) {
          tab.device = message.device
          if (message.device.is === 'handset') devices.handsetOpened(message.device.agentId)
        }
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
      case 'soundFor':
        tab.soundFor = message.agentId
        broadcast()
        return done()
      case 'ringHandset': {
        const reached = devices.ringHandset(message.agentId, null)
        turn()
        if (reached) return done()
        return tab.port.postMessage({ kind: 'reply', requestId: message.requestId, ok: false, refusal: UNREACHABLE.handset })
      }
      case 'expectPhone':
        devices.expectPhone(message.agentId)
        broadcast()
        return done()
      case 'handset':
      case 'phoneDials':
      case 'phoneKeys':
      case 'phoneHangsUp': {
        const said = tab.device === null ? null : onDevice(tab.device.agentId, message)
        turn()
        return done(said)
      }
      case 'setUp':
        return done(JSON.stringify(state.setUp))
      case 'doNotCall':
        return done(JSON.stringify(selectDoNotCall(state, message)))
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

  /** What an agent does on the device itself. Gives what the device says. */
  const onDevice = (agentId: AgentId, message: Extract<TabMessage, { kind: 'handset' | 'phoneDials' | 'phoneKeys' | 'phoneHangsUp' }>): string | null => {
    switch (message.kind) {
      case 'phoneDials':
        return devices.phoneDials(agentId, message.typed)
      case 'phoneKeys':
        return devices.phoneKeys(agentId, message.samples)
      case 'phoneHangsUp':
        devices.phoneHangsUp(agentId)
        return null
      case 'handset': {
        const engagements = get(state.agents, agentId)?.engagements ?? []
        if (message.act === 'lift') {
          const rings = engagements.find((e) => e.state === 'alerting')
          if (!devices.lift(agentId) && rings !== undefined) give({ kind: 'answer', agentId, callId: rings.callId })
          return null
        }
        devices.putDown(agentId)
        const talks = engagements.find((e) => e.state === 'connected' || e.state === 'initiated')
        if (talks !== undefined) give({ kind: 'hangUp', agentId, callId: talks.callId })
        return null
      }
    }
  }

  beginFloor()
  return {
    attach(port) {
      const tab: Tab = { port, agentId: null, soundFor: null, device: null, seatMoved: null, sent: new Map() }
      tabs.add(tab)
      return {
        receive(data) {
          const parsed = TabMessageSchema.safeParse(data)
          if (parsed.success) return receive(tab, parsed.data)
          const requestId = typeof data === 'object' && data !== null && 'requestId' in data ? String(data.requestId) : ''
          const says = 'The desk sent something the floor does not understand.'
          port.postMessage({ kind: 'reply', requestId, ok: false, refusal: { reason: 'notUnderstood', says, next: 'Reload the page; your work is kept.' } })
        },
        detach: () => detach(tab),
      }
    },
    settled: () => writer.flushed(),
    state: () => state,
  }
}

const UNREACHABLE = {
  handset: {
    reason: 'handsetUnreachable',
    says: 'The desk handset cannot be reached.',
    next: 'Open the handset under Sound and leave its window open, or take another path.',
  },
  ownPhone: { reason: 'phoneNotThere', says: 'Your own phone has not called in.', next: 'Let it call in under Sound, or take another path.' },
} as const
