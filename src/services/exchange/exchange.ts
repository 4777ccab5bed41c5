// The running floor: takes messages from tabs, decides them, lets the world act when its time comes, keeps the ledger and shows every
// tab its part. What each message may do is in answers.ts, who may speak for whom in sessions.ts. Clock, timer and storage come in, so that
// tests drive it by hand.
import { createChance, seedFor } from '@/core/chance'
import { createDialer } from '@/core/dialer'
import { type AgentCommand, type Command, decideToKeep, type FloorRefusal, happened, openFloor, takeUp } from '@/core/floor'
import type { LedgerEntry } from '@/core/ledger'
import type { DialerCommand } from '@/core/rules/campaign'
import { queueSetUp } from '@/core/set-up'
import { type FloorState, floorOf, nextDueAtMs, revisionOf } from '@/core/state'
import { get, values } from '@/core/table'
import { wholeMs } from '@/core/time'
import { dtmfSamples } from '@/core/tones'
import type { KeyValue } from '@/services/storage'
import { advance, createWorld, PACES, type Pace, type World } from '@/world'
import type { Accounts } from './accounts'
import { createActs } from './acts'
import type { Floor } from './answering'
import { createAudit, rightsMoved } from './audit'
import { callersOf } from './callers'
import { createCatchUp, type FetchLeft } from './catch-up'
import { checkEverything } from './check'
import { createCirclesPart } from './circles'
import { type Clocks, createFloorClock } from './clock'
import { createConferenceParts } from './conferences'
import { createDevices } from './devices'
import { createDrafts, type DraftsStore } from './drafts'
import { createEnding, type Replacement } from './ending'
import { createForHistory, type FloorForHistory } from './for-history'
import { countsOfCampaigns, type FloorForLists } from './for-lists'
import { createForgetting } from './forgetting'
import { createKeptThings } from './kept-things'
import { createListFeed, type ListsEnd } from './list-feed'
import { createVoicemailParts } from './messages'
import { createPeople, type PeopleStore } from './people'
import { piecesOf } from './pieces'
import type { Notice, TabView } from './protocol'
import { createPulse, isBeat } from './pulse'
import { createReceiving } from './receiving'
import { createSoundKey } from './recordings/sound-key'
import { saidOfRestored } from './restored-words'
import { createRetention } from './retention'
import { createReviewsPart } from './reviews'
import { ringBack } from './ring-back'
import type { Scenario } from './scenario'
import { createSessions } from './sessions'
import { createSharedView, type Refreshed } from './shared-lists'
import { ALIVE_KEY, createWriter, DAMAGED_KEY, type LedgerWriter, type Restored } from './store'
import { createSupervised } from './supervised'
import { createTab, show, type Tab, type TabPort } from './tab'
import { concerns, selectAccount, selectCentre, selectDevice, selectDoor, selectMe, selectMine } from './views'
import { watchedSeats } from './watched'

const AFTER_FAULT_MS = 1_000

export interface ExchangeOptions {
  readonly clocks: Clocks
  /** Calls `wake` once at the given instant of the floor's clock; a later call replaces an earlier one. */
  readonly wakeAt: (inMs: number, wake: () => void) => void
  /** Calls `again` once, later. */
  readonly later: (inMs: number, again: () => void) => void
  readonly scenario: Scenario
  readonly store: KeyValue
  readonly restored: Restored
  readonly accounts: Accounts
  readonly people: PeopleStore
  readonly drafts: DraftsStore
  /** Why the browser keeps nothing; null when it does. */
  readonly storageRefused: string | null
  readonly floorId: string
  readonly seed: number
  readonly fetchLeft: FetchLeft
  /** Ends this worker: whoever asks for the floor next opens another one from what is stored. */
  readonly end: () => void
  /** This worker is one for all tabs: the history has a port of its own to it, and no tab stands between them. */
  readonly isShared: boolean
  /** When this worker was built; a page that was built later has the floor handed over. */
  readonly builtAtMs: number
  /** A backup that was read and laid beside what is stored: it takes its place once that is said. */
  readonly replacement: Replacement
  /** Removes sounds that are meant from where they are kept. */
  readonly forgetSounds: (isMeant: (recordingId: string, startedAtMs: number) => boolean) => Promise<void>
  /** Whether another worker than this one would be opened now: what a page says of itself is no reason to end anything. */
  readonly isOtherServed: () => Promise<boolean>
}

export interface Exchange {
  attach(port: TabPort): { receive(data: unknown): void; detach(): void; forHistory(): FloorForHistory; forLists(): FloorForLists }
  /** The calling lists are at the other end. */
  attachLists(end: ListsEnd): void
  /** The floor's clock, which nobody sets. */
  now(): number
  /** Resolves when everything decided so far is stored, or is known not to be. */
  settled(): Promise<boolean>
  state(): FloorState
}

export function createExchange(options: ExchangeOptions): Exchange {
  const clock = createFloorClock(options.clocks, options.restored.state?.atMs ?? 0)
  const { now } = clock
  const tabs = new Set<Tab>()
  let notices: readonly Notice[] = []
  let storageReason = options.storageRefused
  let world: World | null = null
  const opened = options.restored.state === null ? openFloor(options.floorId, options.scenario.setUp, now()) : null
  const state = options.restored.state ?? floorOf(opened as LedgerEntry)
  let centre = selectCentre(state, options.scenario)
  const voicemail = createVoicemailParts(state)
  const conferences = createConferenceParts(state)
  const watched = createSupervised(state, ['agents', 'calls', 'work'], watchedSeats)
  const callers = createSupervised(state, ['calls'], callersOf)
  const pieces = createSupervised(state, ['threads'], piecesOf)
  const reviews = createReviewsPart(state)
  const circles = createCirclesPart(state)
  const shared = createSharedView(state, (id) => ({ left: feed.left(id), reasons: dialer.reasons(id) }))

  const drafts = createDrafts(options.drafts)
  const people = createPeople({
    kept: options.people,
    initial: options.scenario.contacts,
    homeCountry: () => state.setUp.homeCountry,
    accounts: () => state.setUp.agents,
  })
  let codes = 0
  const devices = createDevices({
    now,
    newCode: () => String(100_000 + Math.floor(createChance(seedFor(options.seed, `phone code ${++codes} ${now()}`)).next() * 900_000)),
    homeCountry: () => state.setUp.homeCountry,
    soundLine: options.scenario.soundLine,
    onGone: (agentId, device, why) => {
      if (get(state.agents, agentId)?.shift?.soundPath === device) give({ kind: 'reportSoundLost', agentId, why })
    },
    onBack: (agentId, device) => {
      const shift = get(state.agents, agentId)?.shift
      if (shift?.soundPath === device && shift.soundLost !== null) give({ kind: 'chooseSoundPath', agentId, path: device })
    },
    onMoved: (agentId, callId) => void give({ kind: 'moveCall', agentId, callId, endpoint: 'handset' }),
  })

  const audit = createAudit(options.store, now)
  const noted: Floor['noted'] = (what, byAgentId, about = '') => {
    if (options.restored.newer) return
    void audit.note(what, byAgentId, about).catch((error: unknown) => console.warn('Who did what is not kept yet:', error))
  }

  const writer: LedgerWriter = createWriter({
    store: options.store,
    storedSeq: options.restored.state?.seq ?? 0,
    snapshotSeq: options.restored.snapshotSeq,
    shelved: options.restored.shelved,
    later: options.later,
    onStored: (seq) => {
      for (const { port } of tabs) port.postMessage({ kind: 'stored', seq })
      forHistory.stored()
    },
    onTrouble: (reason) => {
      storageReason = reason ?? options.storageRefused
      broadcast()
    },
    onCleared: () => {
      options.accounts.keepAgain()
      audit.forget()
      people.keepAgain()
      notice(
        'cleared',
        'loss',
        'Somebody has cleared this browser’s data. Shifts, calls and promises were in memory and are written anew; calls of before are gone from this computer.',
      )
      note({ kind: 'storageCleared', setUp: state.setUp })
      broadcast()
    },
  })
  const forHistory = createForHistory(`${options.floorId} ${clock.now()}`, options.restored.edition, () => state, writer, noted)

  const feed = createListFeed(() => turn(false), state.attempts.values())
  const dialer = createDialer({
    seed: options.seed,
    onFault: (campaignId, why) => {
      const name = state.setUp.campaigns.find((c) => c.id === campaignId)?.name ?? campaignId
      notice(`pacing ${campaignId}`, 'loss', `The pacing of ${name} failed (${why}). From now on one person is called for each agent who is free.`)
    },
  })

  const record = (entries: readonly LedgerEntry[]) => {
    writer.append(entries, state)
    dialer.observe(entries)
    feed.observe(entries)
    if (entries.some(({ event }) => event.kind === 'threadEnded' || event.kind === 'threadCalled')) drafts.tidy(state)
  }

  const note = (event: Parameters<typeof happened>[1]) => record([happened(state, event, now())])

  const notice = (id: string, tone: Notice['tone'], says: string, offersDamaged = false) => {
    notices = [...notices.filter((n) => n.id !== id), { id, tone, says, offersDamaged }]
  }

  const beginFloor = () => {
    const { restored } = options
    if (opened !== null) record([opened])
    else {
      const gapMs = wholeMs(Math.max(0, now() - Math.max(state.atMs, restored.aliveAtMs)))
      note({ kind: 'floorResumed', gapMs })
      const wasAtWork = values(state.agents).some((a) => a.shift?.seat === 'desk')
      if (gapMs > 1000 && wasAtWork) notice('resumed', 'info', `The floor was closed for ${Math.round(gapMs / 1000)} s and goes on where it was.`)
    }
    centre = selectCentre(state, options.scenario)
    for (const { id, tone, says, offersDamaged } of saidOfRestored(restored)) notice(id, tone, says, offersDamaged)
  }

  /** Whoever has caused a call that never came in is told what became of it; on busy days it is nobody's in particular. */
  const sayTurnedAway = ({ queueId, because, said }: Extract<LedgerEntry['event'], { kind: 'callTurnedAway' }>) => {
    if (world?.pace() !== 'quiet') return
    notice('turned away', 'info', `A caller of ${queueSetUp(state.setUp, queueId).name} was turned away, because it is ${because}, and heard: “${said}”`)
  }

  /** Tones the floor sends by itself, such as an extension: whoever answered hears them as if the agent had pressed the keys. */
  const sendTones = (entries: readonly LedgerEntry[]) => {
    for (const { event, causedBy } of entries)
      if (event.kind === 'digitsSent' && causedBy !== null) world?.hear(event.callId, event.byAgentId, dtmfSamples(event.digits), state, now())
  }

  const startWorld = (seed: number, pace: Pace) => {
    if (state.standIns?.seed !== seed || state.standIns.pace !== pace) note({ kind: 'standInsBegan', seed, pace })
    world = createWorld(options.scenario.stage, { seed, pace, plays: state.setUp.agents.filter((a) => a.playable).map((a) => a.id), day: { kind: 'live' } })
    world.begin(state, now())
  }

  const sayClockMoved = () => {
    const byMs = clock.takeJump()
    if (byMs === 0) return
    note({ kind: 'clockMoved', byMs })
    const by = `${Math.round(Math.abs(byMs) / 1000)} s`
    if (byMs < 0) notice('clock', 'info', `This computer’s clock was set back by ${by}. The floor’s clock goes on from where it was, so that no limit changes.`)
    else notice('clock', 'info', `This computer’s clock leapt ahead by ${by}. What was due in between has happened.`)
  }

  /** Decides and keeps; null when it was done. */
  const carryOut = (command: Command): FloorRefusal | null => {
    const decided = decideToKeep(state, command, { atMs: now() })
    if (!decided.ok) return decided.refusal
    if (decided.entries.length > 0) record(decided.entries)
    world?.observe(decided.entries, state)
    return null
  }

  const dial = (command: DialerCommand): string | null => carryOut(command)?.reason ?? null

  /** Everything that is due happens, then the tabs see it, then the timer is set for what comes next. */
  const turn = (everything = true) => {
    const whole = guarded('the floor’s own business', () => {
      sayClockMoved()
      if (world === null) return
      advance(state, world, now(), (entries) => {
        record(entries)
        sendTones(entries)
        for (const { event } of entries) if (event.kind === 'callTurnedAway') sayTurnedAway(event)
      })
    })
    guarded('the dialer', () => {
      const atMs = now()
      feed.tend(state, atMs)
      if ((dialer.nextTickAtMs(state) ?? Infinity) <= atMs) dialer.tick(state, atMs, feed, dial)
    })
    broadcast(everything)
    const next = Math.min(world?.nextAtMs() ?? Infinity, nextDueAtMs(state) ?? Infinity, dialer.nextTickAtMs(state) ?? Infinity)
    // What has failed is still due: tried again, but not without a pause.
    // Before anybody has said hello nothing happens by itself, and nothing is woken for.
    if (world !== null && next < Infinity) options.wakeAt(Math.max(whole ? 0 : AFTER_FAULT_MS, next - now()), () => turn(false))
  }

  /** A fault of ours must not stop the floor for everybody: it is said, and the rest goes on. */
  const guarded = (what: string, act: () => void): boolean => {
    try {
      act()
      return true
    } catch (error) {
      console.error(`A fault in ${what}:`, error)
      notice('fault', 'loss', `Something went wrong in ${what} (${error instanceof Error ? error.message : String(error)}). The rest of the floor goes on.`)
      return false
    }
  }

  /** A phone that has not keyed in its code is told nothing of whose it would be. */
  const deviceOf = (tab: Tab, { is, agentId }: NonNullable<Tab['device']>) =>
    selectDevice(
      state,
      is,
      agentId,
      is === 'handset' ? devices.view(agentId).handset : 'absent',
      is === 'handset' ? tab.accountId === agentId : devices.isPhone(agentId, tab),
    )

  /** A list that cannot be made must not stop the rest: every tab gets all of them anew when it can. */
  const refreshed = (): Refreshed => {
    let made: Refreshed = { lists: null, changed: null }
    const whole = guarded('the lists everybody sees', () => {
      made = shared.refresh()
    })
    if (!whole) for (const tab of tabs) tab.hasLists = false
    return made
  }

  /** What of a tab's own is shown may have changed by more than what happened on the floor: then all of it is looked at. */
  const broadcast = (everything = true) => {
    const atMs = now()
    const floor = {
      floorId: state.floorId,
      builtAtMs: options.builtAtMs,
      pace: world?.pace() ?? ('quiet' as const),
      listAnswers: world?.listAnswers() ?? null,
      storage: storageReason === null ? ('kept' as const) : ('notKept' as const),
      storageReason,
      notices,
    }
    const { lists, changed } = refreshed()
    const doNotCall = { count: state.doNotCall.size, revision: revisionOf(state, 'doNotCall') }
    const everybodys = { floor, centre, doNotCall, people: { revision: people.revision() } }
    const json = new Map<keyof TabView, string>()
    for (const tab of tabs)
      guarded('what a tab is shown', () => {
        const { device, accountId } = tab
        const deviceView = device === null ? null : deviceOf(tab, device)
        if (accountId === null)
          return show(
            tab,
            { floor, device: deviceView, ...(everything ? { door: selectDoor(state, tab, options.accounts.unreadable()) } : {}) },
            null,
            atMs,
            json,
          )
        const sound = tab.agentId !== null || tab.soundHere ? devices.view(accountId) : null
        const concerned = everything || changed === null || concerns(state, accountId, changed)
        const own = concerned
          ? { account: selectAccount(state, tab, accountId), me: selectMe(state, tab.agentId), ...selectMine(state, tab.agentId), seatMoved: tab.seatMoved }
          : {}
        const door = everything || changed === null ? { door: selectDoor(state, tab, options.accounts.unreadable()) } : {}
        show(
          tab,
          {
            ...door,
            ...everybodys,
            voicemail: voicemail(accountId),
            conferences: conferences(accountId),
            watched: watched(accountId),
            callers: callers(accountId),
            pieces: pieces(accountId),
            reviews: reviews(accountId),
            circles: circles(accountId),
            device: deviceView,
            sound,
            ...own,
          },
          tab.hasLists ? lists : shared.whole(),
          atMs,
          json,
        )
      })
  }

  const give = (given: AgentCommand): FloorRefusal | null => {
    const before = state.setUp
    const refusal = carryOut(given)
    if (refusal === null && given.kind === 'changeSetUp') {
      noted('setUpChanged', given.agentId)
      for (const id of rightsMoved(before, given.setUp)) noted('rightsChanged', given.agentId, id)
      centre = selectCentre(state, options.scenario)
      sessions.dropRetired()
    }
    return refusal
  }

  const catchUp = createCatchUp({
    fetchLeft: options.fetchLeft,
    timeZone: () => state.setUp.timeZone,
    now,
    lastMs: options.restored.state?.atMs ?? null,
    onCarried: (event, says) => {
      const taken = takeUp(state, event, { atMs: now() })
      record(taken.entries)
      world?.observe(taken.entries, state)
      if (says !== null) notice('carried', 'info', says)
      turn()
    },
  })

  const pulse = createPulse({
    tabs,
    state: () => state,
    report: (kind, agentId) => {
      guarded('what a desk that is not heard of means', () => carryOut({ kind, agentId }))
      turn(false)
    },
    again: (inMs, next) => options.later(inMs, next),
    lock: (tab) => {
      void sessions.lock(tab, true)
      broadcast()
    },
    // Whoever opens the floor again knows by it how long nobody was there.
    beats: () => {
      if (options.restored.newer) return
      void options.store.set(ALIVE_KEY, now()).catch(() => {})
      void retention.tick().catch((error: unknown) => console.warn('What is older than it may be is not forgotten yet:', error))
    },
  })

  const retention = createRetention({ ...options, writer, state: () => state, now, give: carryOut })
  const forgetting = createForgetting({ ...options, writer, people, state: () => state, give: carryOut })
  const sessions = createSessions({ accounts: options.accounts, tabs, now, state: () => state })

  const floor: Floor = {
    records: options.scenario.records,
    isShared: options.isShared,
    builtAtMs: options.builtAtMs,
    flushed: () => writer.flushed(),
    soundKey: createSoundKey(),
    notice: (id, tone, says) => {
      notice(id, tone, says)
      broadcast()
    },
    accounts: options.accounts,
    people,
    devices,
    drafts,
    acts: createActs(() => state, now, give),
    sessions,
    writer,
    now,
    state: () => state,
    world: () => world,
    beginWorld(wanted, past) {
      void catchUp(past)
      if (world !== null) return
      // Whoever was in the middle of a call goes on as they began it.
      const known = state.standIns
      const pace = wanted?.pace ?? PACES.find((p) => p === known?.pace) ?? 'ordinary'
      startWorld(wanted?.seed ?? known?.seed ?? options.seed, pace)
    },
    setPace(pace) {
      if (world === null || state.standIns === null) return
      world.setPace(pace, state, now())
      note({ kind: 'standInsBegan', seed: state.standIns.seed, pace })
    },
    give,
    turn,
    broadcast,
    async ringsBack(campaignId) {
      const call = await ringBack(state, feed, campaignId)
      if ('says' in call) return call
      // A queue always takes a call in, or turns it away with its own words.
      const refusal = carryOut(call)
      if (refusal !== null) throw new Error(`a caller was refused: ${refusal.reason}`)
      turn()
      return null
    },
    isKept: () => storageReason === null,
    pacing: dialer.reasons,
    damaged: async () => JSON.stringify((await options.store.get(DAMAGED_KEY)) ?? [], null, 1),
    ending: createEnding({ ...options, tabs, writer, now }),
    forgetting,
    keptThings: createKeptThings(options.store),
    noted,
    audit: audit.page,
    checkEverything: async () => {
      await writer.flushed()
      return checkEverything(options.store, audit)
    },
    pinsRenewed(agentIds) {
      note({ kind: 'pinsRenewed', agentIds })
      notice('pins', 'loss', PINS_RENEWED)
      broadcast()
    },
    dismiss: (noticeId) => {
      notices = notices.filter((n) => n.id !== noticeId)
    },
  }

  const forLists = (tab: Tab): FloorForLists => ({
    homeCountry: () => state.setUp.homeCountry,
    running: () => values(state.campaigns).flatMap((c) => (c.state === 'running' ? [c.id] : [])),
    doNotCall: () => values(state.doNotCall),
    counts: () => countsOfCampaigns(state.setUp),
    ...forHistory.of(tab),
    // What has become of a record is not forgotten because a place of the ledger was given another entry.
    floorId: () => state.floorId,
    campaigns: () => state.setUp.campaigns,
    nowMs: now,
    figuresAre: feed.figuresAre,
  })

  const detach = (tab: Tab) => {
    if (!tabs.delete(tab) || tab.device === null) return
    const { is, agentId } = tab.device
    guarded('a device that was closed', () => (is === 'handset' ? devices.handsetClosed(agentId) : devices.phoneHangsUp(agentId, tab)))
    turn()
  }

  const receive = createReceiving(floor)

  beginFloor()
  pulse.begin()
  // A store that refuses still is asked again when the floor is opened next.
  if (!options.restored.newer) void forgetting.finish().catch((error: unknown) => console.warn('Somebody is not forgotten yet:', error))
  return {
    attach(port) {
      const tab = createTab(port)
      tabs.add(tab)
      return {
        receive: (data) => (isBeat(data) ? pulse.heard(tab) : void receive(tab, data)),
        detach: () => detach(tab),
        forHistory: () => forHistory.of(tab),
        forLists: () => forLists(tab),
      }
    },
    attachLists: (end) => void feed.attach(end).catch(() => {}),
    now,
    settled: () => writer.flushed(),
    state: () => state,
  }
}

const PINS_RENEWED =
  'What this browser kept of PINs could not be read, and somebody at the door gave the owners of the set-up new ones. Every other account needs a new PIN in Set-up. It stands in the ledger.'
