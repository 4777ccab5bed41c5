// Who asks the history: each tab by a connection of its own, introduced to the floor, which says whose tab it is. An agent is told of what they had
// themselves; everybody's is for those who answer for the floor.
import type { AgentId } from '@/core/ids'
import { guarded } from '@/services/ports'
import type { History, Opening } from './asked'
import type { Connection, FloorEnd } from './connection'
import type { Progress } from './days'
import { HISTORY_DOORS } from './doors'

type Ends<Port> = (port: Port) => FloorEnd | Promise<FloorEnd>
/** Makes a function one that can be called from another thread. */
type Callable = (tell: () => void) => Promise<() => void>

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
      return guarded(answers, HISTORY_DOORS, async () => (await floor).account())
    },
  }
}
