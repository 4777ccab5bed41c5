// Who asks the history: each tab by a connection of its own, introduced to the floor, which says whose tab it is. An agent is told of what they had
// themselves; everybody's is for those who answer for the floor.
import type { AgentId } from '@/core/ids'
import { guarded, type Rights } from '@/services/ports'
import type { Past } from '@/world'
import type { Feed, History, Opening, Span } from './asked'
import type { Progress } from './days'
import type { ExportName } from './exports'

/** The floor's end of a port, as it is called across it. */
export interface FloorEnd extends Feed {
  run(): Promise<string>
  watch(tell: () => void): Promise<void>
  account(): Promise<{ readonly id: AgentId; readonly everybody: boolean } | null>
  /** It stands in the audit. */
  did(what: 'exported' | 'lookedUp', about: string): Promise<void>
}

type Ends<Port> = (port: Port) => FloorEnd | Promise<FloorEnd>
/** Makes a function one that can be called from another thread. */
type Callable = (tell: () => void) => Promise<() => void>

export interface Connection<Port> {
  /** The floor is at the other end of this port. */
  introduce(port: Port): Promise<void>
  open(past: Past, onProgress: (progress: Progress) => void): Promise<Opening>
  /** Called whenever the history holds more than before. */
  subscribe(tell: () => void): Promise<void>
  report(...asked: Parameters<History['report']>): ReturnType<History['report']>
  calls(...asked: Parameters<History['calls']>): ReturnType<History['calls']>
  /** Of an agent their own, whatever is asked. */
  cross(...asked: Parameters<History['cross']>): ReturnType<History['cross']>
  crossCalls(...asked: Parameters<History['crossCalls']>): ReturnType<History['crossCalls']>
  sessions(...asked: Parameters<History['sessions']>): ReturnType<History['sessions']>
  callsOfAgent(...asked: Parameters<History['callsOfAgent']>): ReturnType<History['callsOfAgent']>
  eventsOfAgent(...asked: Parameters<History['eventsOfAgent']>): ReturnType<History['eventsOfAgent']>
  /** For those who answer for the floor. */
  profiles(...asked: Parameters<History['profiles']>): ReturnType<History['profiles']>
  /** For those who answer for the floor. */
  came(...asked: Parameters<History['came']>): ReturnType<History['came']>
  /** For those who answer for the floor. */
  ledger(...asked: Parameters<History['ledger']>): ReturnType<History['ledger']>
  /** For those who answer for the floor. */
  marks(...asked: Parameters<History['marks']>): ReturnType<History['marks']>
  /** For those who answer for the floor. */
  sound(...asked: Parameters<History['sound']>): ReturnType<History['sound']>
  /** Of an agent their own, whatever is asked. */
  written(...asked: Parameters<History['written']>): ReturnType<History['written']>
  /** Of an agent of what they had a part in: nothing of any other. */
  linesOf(workId: string): ReturnType<History['linesOf']>
  /** Of an agent their own, whatever is asked. */
  log(...asked: Parameters<History['log']>): ReturnType<History['log']>
  dialledBefore(asked: { readonly atMost: number; readonly nowMs: number }): ReturnType<History['dialledBefore']>
  handling(...asked: Parameters<History['handling']>): ReturnType<History['handling']>
  /** null of a call that is not theirs to see. */
  call(callId: string): ReturnType<History['call']>
  previousContacts(...asked: Parameters<History['previousContacts']>): Promise<ReturnType<History['previousContacts']>>
  /** For those who answer for the floor. */
  keptAbout(...asked: Parameters<History['keptAbout']>): ReturnType<History['keptAbout']>
  /** For those who answer for the floor. */
  forgetListed(...asked: Parameters<History['forgetListed']>): ReturnType<History['forgetListed']>
  exportFile(name: ExportName, span: Span, nowMs: number, onProgress: (done: number, of: number) => void): Promise<Blob>
  close(): void
}

/** Who may ask what. An agent who is let in is told of their own alone. */
export const HISTORY_RIGHTS: Rights<Connection<unknown>> = {
  introduce: 'anybody',
  open: 'anybody',
  subscribe: 'anybody',
  close: 'anybody',
  report: 'account',
  calls: 'account',
  cross: 'account',
  crossCalls: 'account',
  sessions: 'account',
  callsOfAgent: 'account',
  eventsOfAgent: 'account',
  written: 'account',
  linesOf: 'account',
  log: 'account',
  dialledBefore: 'account',
  call: 'account',
  previousContacts: 'account',
  profiles: 'floor',
  came: 'floor',
  ledger: 'floor',
  marks: 'floor',
  sound: 'floor',
  handling: 'floor',
  keptAbout: 'floor',
  forgetListed: 'floor',
  exportFile: 'floor',
}

export function createDesk(opening: Promise<(onMore: () => void) => History>) {
  const listeners = new Set<() => void>()
  const tellAll = () => {
    for (const tell of listeners) tell()
  }
  const history = opening.then((open) => open(tellAll))
  /** Days are fetched once, whoever asks first; the others hear how far that has come. */
  let opened: Promise<Opening> | null = null
  let latest: Progress | null = null
  const watching = new Set<(progress: Progress) => void>()
  /** Of the floor that feeds it: another run of it must be followed anew. */
  let run = ''

  const follow = async (floor: FloorEnd, callable: Callable) => {
    const its = await floor.run()
    if (its === run) return
    run = its
    const { follow: take } = await history
    const more = () => void take(floor).then(tellAll)
    await floor.watch(await callable(more))
    more()
  }

  return {
    attach<Port>(endOf: Ends<Port>, callable: Callable): Connection<Port> {
      let introduced: (floor: FloorEnd) => void = () => {}
      let floor = new Promise<FloorEnd>((resolve) => {
        introduced = resolve
      })
      let isFirst = true
      let mine: (() => void) | null = null
      const who = async () => {
        const account = await (await floor).account()
        if (account === null) throw new Error('nobody is signed in at this tab')
        return account
      }
      /** What they may ask: of everybody, or of themselves alone. */
      const theirs = async <T extends { readonly only: AgentId | null }>(asked: T): Promise<T> => {
        const { id, everybody } = await who()
        return everybody ? asked : { ...asked, only: id }
      }
      const theirsOf = async <T extends { readonly only: AgentId }>(asked: T): Promise<T> => {
        const { id, everybody } = await who()
        return everybody ? asked : { ...asked, only: id }
      }
      const answers: Connection<Port> = {
        async introduce(port) {
          const end = await endOf(port)
          if (isFirst) introduced(end)
          else floor = Promise.resolve(end)
          isFirst = false
          await follow(end, callable)
        },
        async open(past, onProgress) {
          watching.add(onProgress)
          if (latest !== null) onProgress(latest)
          const its = await history
          opened ??= its.open(past, (progress) => {
            latest = progress
            for (const tell of watching) tell(progress)
            tellAll()
          })
          const answer = await opened
          watching.delete(onProgress)
          // What could not be had is asked for again by the next tab.
          if (!answer.ok) opened = null
          return answer
        },
        async subscribe(tell) {
          mine = tell
          listeners.add(tell)
        },
        report: async (asked) => (await history).report(await theirs(asked)),
        calls: async (asked) => (await history).calls(await theirs(asked)),
        cross: async (asked) => (await history).cross(await theirs(asked)),
        crossCalls: async (asked) => (await history).crossCalls(await theirs(asked)),
        sessions: async (asked) => (await history).sessions(await theirs(asked)),
        callsOfAgent: async (asked) => (await history).callsOfAgent(await theirsOf(asked)),
        eventsOfAgent: async (asked) => (await history).eventsOfAgent(await theirsOf(asked)),
        profiles: async (asked) => (await history).profiles(asked),
        came: async (asked) => (await history).came(asked),
        ledger: async (asked) => (await history).ledger(asked),
        marks: async (asked) => (await history).marks(asked),
        sound: async (asked) => (await history).sound(asked),
        written: async (asked) => (await history).written(await theirs(asked)),
        async linesOf(workId) {
          const { id, everybody } = await who()
          const its = await history
          return its.linesOf(workId, everybody ? null : id)
        },
        log: async (asked) => (await history).log(await theirs(asked)),
        dialledBefore: async (asked) => (await history).dialledBefore({ ...asked, only: (await who()).id }),
        handling: async (asked) => (await history).handling(asked),
        async call(callId) {
          const { id, everybody } = await who()
          const found = await (await history).call(callId)
          const isTheirs = found !== null && (everybody || found.record.outcomeById === id || found.record.agents.some((l) => l.agentId === id))
          return isTheirs ? found : null
        },
        previousContacts: async (...asked) => (await history).previousContacts(...asked),
        keptAbout: async (sought) => (await history).keptAbout(sought),
        forgetListed: async (sought) => (await history).forgetListed(sought),
        async exportFile(...asked) {
          const file = await (await history).exportFile(...asked)
          // Nobody has it before it is written down that they do.
          await (await floor).did('exported', asked[0])
          return file
        },
        close() {
          if (mine !== null) listeners.delete(mine)
        },
      }
      return guarded(answers, HISTORY_RIGHTS, async () => (await floor).account())
    },
  }
}
