// Who asks the lists: the floor for people to call, and each tab for what may be seen of them. One for all tabs of the browser.

import type { PutBack } from '@/core/campaigns'
import type { AgentId, CampaignId } from '@/core/ids'
import type { ListsEnd } from '@/exchange/list-feed'
import type { ListMeta } from './chunks'
import type { CampaignFigures, Lists, ListsFeed } from './lists'
import type { OneRecord, RecordsAsked, RecordsPage } from './pages'

/** The floor's end of a port, as it is called across it. */
export interface FloorEnd extends ListsFeed {
  run(): Promise<string>
  watch(tell: () => void): Promise<void>
  account(): Promise<{ readonly id: AgentId; readonly everybody: boolean } | null>
  figuresAre(figures: readonly CampaignFigures[]): Promise<void>
}

export interface ListsConnection<Port> {
  /** The floor is at the other end of these: the first is asked, on the second it asks. */
  introduce(asked: Port, asks: Port): Promise<void>
  figures(): Promise<readonly CampaignFigures[]>
  metas(): Promise<readonly ListMeta[]>
  page(asked: RecordsAsked): Promise<RecordsPage>
  record(recordId: string): Promise<OneRecord | null>
  matching(campaignId: CampaignId, which: PutBack): Promise<number>
  /** Called whenever something of the lists has changed. */
  subscribe(tell: () => void): Promise<void>
  close(): void
}

interface Ends<Port> {
  readonly floorAt: (port: Port) => FloorEnd
  readonly answerOn: (port: Port, end: ListsEnd) => void
  readonly callable: <T extends () => void>(tell: T) => T
}

const KEEPS_EVERY_MS = 2_000

/** `run` names this worker; `later` is a timer. */
export function createService(opening: Promise<Lists>, run: string, later: (inMs: number, again: () => void) => void) {
  const listeners = new Set<() => void>()
  let followed = ''
  let keeping = false

  /** What is known is written down now and then: the floor's ledger has all of it meanwhile. */
  const keepSoon = () => {
    if (keeping) return
    keeping = true
    later(KEEPS_EVERY_MS, async () => {
      keeping = false
      // A store that refuses is tried again with the next change; the ledger still has what it did not take.
      await (await opening).keep().catch(() => {})
    })
  }

  const end: ListsEnd = {
    run: async () => run,
    next: async (campaignId: CampaignId, atMost, atMs) => (await opening).next(campaignId, atMost, atMs),
    giveBack: async (recordIds, atMs) => (await opening).giveBack(recordIds, atMs),
  }

  const follow = async (floor: FloorEnd, callable: Ends<unknown>['callable']) => {
    const its = await floor.run()
    if (its === followed) return
    followed = its
    const lists = await opening
    let told = ''
    const more = async () => {
      await lists.follow(floor)
      keepSoon()
      const figures = lists.figures(await floor.nowMs())
      const asText = JSON.stringify(figures)
      if (asText !== told) await floor.figuresAre(figures)
      told = asText
      for (const tell of listeners) tell()
    }
    await floor.watch(callable(() => void more()))
    await more()
  }

  return {
    attach<Port>({ floorAt, answerOn, callable }: Ends<Port>): ListsConnection<Port> {
      let floor: FloorEnd | null = null
      const mine: (() => void)[] = []
      /** Everybody's records are for those who answer for the floor, and the floor says who that is. */
      const nowOfSupervisor = async (): Promise<number> => {
        const account = await floor?.account()
        if (floor === null || account == null || !account.everybody) throw new Error('records of a list are for those who answer for the floor')
        return floor.nowMs()
      }
      return {
        async introduce(asked, asks) {
          answerOn(asks, end)
          floor = floorAt(asked)
          await follow(floor, callable)
        },
        figures: async () => (await opening).figures(floor === null ? 0 : await floor.nowMs()),
        metas: async () => (await opening).metas(),
        page: async (asked) => (await opening).page(asked, await nowOfSupervisor()),
        record: async (recordId) => (await opening).record(recordId, await nowOfSupervisor()),
        matching: async (campaignId, which) => (await opening).matching(campaignId, which, await nowOfSupervisor()),
        async subscribe(tell) {
          listeners.add(tell)
          mine.push(tell)
        },
        close() {
          for (const tell of mine.splice(0)) listeners.delete(tell)
        },
      }
    },
  }
}
