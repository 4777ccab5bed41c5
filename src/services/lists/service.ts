// Who asks the lists: the floor for people to call, and each tab for what may be seen of them. One for all tabs of the browser.

import * as z from 'zod'
import { keyOf } from '@/core/do-not-call'
import { type CampaignId, type ListId, toListId } from '@/core/ids'
import type { ListsEnd } from '@/services/exchange/list-feed'
import { guarded } from '@/services/ports'
import type { KeyValue } from '@/services/storage'
import type { ListMeta } from './chunks'
import type { FloorEnd, ImportWish, ListsConnection } from './connection'
import { LISTS_DOORS } from './doors'
import { exportList } from './exports'
import { ROLES, shapeKey } from './import/columns'
import { lookAt } from './import/look'
import { type Imported, type ImportProgress, runImport } from './import/run'
import { checkLists } from './kept'
import type { Lists } from './lists'

interface Ends<Port> {
  readonly floorAt: (port: Port) => FloorEnd | Promise<FloorEnd>
  readonly answerOn: (port: Port, end: ListsEnd) => void | Promise<void>
  readonly callable: (tell: () => void) => Promise<() => void>
}

const KEEPS_EVERY_MS = 2_000
const TRIES_AGAIN_MS = 5_000

interface Opened {
  readonly lists: Lists
  readonly store: KeyValue
}

/** `run` names this worker; `later` is a timer, `nowMs` a clock that rates are taken by. */
export function createService(opening: Promise<Opened>, run: string, later: (inMs: number, again: () => void) => void, nowMs: () => number) {
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
      await (await opening).lists.keep().catch(() => {})
    })
  }

  const end: ListsEnd = {
    run: async () => run,
    next: async (campaignId: CampaignId, atMost, atMs) => (await opening).lists.next(campaignId, atMost, atMs),
    whose: async (campaignId, number) => (await opening).lists.whose(campaignId, number),
    giveBack: async (recordIds, atMs) => (await opening).lists.giveBack(recordIds, atMs),
  }

  /** Why what past days have called is not known; null when it is. */
  let behind: string | null = null
  let hasFollowed = () => {}
  const followedOnce = new Promise<void>((resolve) => {
    hasFollowed = resolve
  })
  /** Nothing is said of a list before it is known what its people have been through, or that it cannot be. */
  const caughtUp = async (): Promise<Lists> => {
    await followedOnce
    return (await opening).lists
  }
  /** Figures without past days would be wrong: there are none then. */
  const whole = async (): Promise<Lists> => {
    const lists = await caughtUp()
    if (behind !== null) throw new Error(behind)
    const [torn] = lists.unreadable()
    if (torn !== undefined) throw new Error(`${torn.says}. Nobody of it is called, and figures without it would be wrong`)
    return lists
  }

  const follow = async (floor: FloorEnd, callable: Ends<unknown>['callable']) => {
    const its = await floor.run()
    if (its === followed) return
    followed = its
    const { lists } = await opening
    const more = async () => {
      try {
        await lists.follow(floor)
        behind = null
      } catch (error) {
        behind = error instanceof Error ? error.message : String(error)
        console.error('The floor could not be followed, and nobody is called meanwhile:', error)
        later(TRIES_AGAIN_MS, () => void more())
        return
      } finally {
        hasFollowed()
      }
      keepSoon()
      await tellFigures(floor)
    }
    await floor.watch(await callable(() => void more()))
    await more()
  }

  let told = ''
  const tellFigures = async (floor: FloorEnd) => {
    const { lists } = await opening
    // A campaign of which a list cannot be read is not done because the others are.
    const torn = new Set(lists.unreadable().map(({ meta }) => meta.campaignId))
    const figures = lists.figures(await floor.nowMs()).filter(({ campaignId }) => !torn.has(campaignId))
    const asText = JSON.stringify(figures)
    if (asText !== told) await floor.figuresAre(figures)
    told = asText
    for (const tell of listeners) tell()
  }

  /** One file at a time, whoever asks. */
  let [isImporting, isCancelled] = [false, false]
  const importInto = async ({ lists, store }: Opened, floor: FloorEnd, wish: ImportWish, onProgress: (progress: ImportProgress) => void): Promise<Imported> => {
    const [campaigns, running, homeCountry, listed] = await Promise.all([floor.campaigns(), floor.running(), floor.homeCountry(), floor.doNotCall()])
    const campaign = campaigns.find((c) => c.id === wish.campaignId)
    if (campaign === undefined) return { ok: false, cancelled: false, says: 'The campaign is not there any more. Choose another one.' }
    const listId = wish.listId ?? newListId(wish.campaignId, [...lists.metas(), ...lists.unreadable().map(({ meta }) => meta)])
    const elsewhere = wish.leavesOutOthers ? lists.numbersElsewhere(wish.campaignId, (id) => running.includes(id)) : new Set<number>()
    const asked = { ...wish, listId, homeCountry, timeZone: campaign.timeZone, importedAtMs: await floor.nowMs() }
    const { imported, list } = await runImport(asked, {
      store,
      before: lists.listOf(listId),
      nowMs,
      onProgress,
      isCancelled: () => isCancelled,
      isElsewhere: (number) => elsewhere.has(Number(number.slice(1))),
      doNotCall: new Map(listed.map((entry) => [keyOf(entry.whom), entry])),
    })
    if (list !== null) {
      lists.adopt(list.meta, list.chunks)
      await store.set(matchKey(wish.looked.columns), wish.roles)
      await tellFigures(floor)
    }
    return imported
  }

  return {
    attach<Port>({ floorAt, answerOn, callable }: Ends<Port>): ListsConnection<Port> {
      // Whoever asks before the floor has been introduced waits for it.
      let introduced: (floor: FloorEnd) => void = () => {}
      let floor = new Promise<FloorEnd>((resolve) => {
        introduced = resolve
      })
      const mine: (() => void)[] = []
      const nowMs = async () => (await floor).nowMs()
      const answers: ListsConnection<Port> = {
        async introduce(asked, asks) {
          await answerOn(asks, end)
          const its = await floorAt(asked)
          introduced(its)
          floor = Promise.resolve(its)
          await follow(its, callable)
        },
        figures: async () => (await caughtUp()).figures(await nowMs()),
        metas: async () => (await opening).lists.metas(),
        page: async (asked) => (await caughtUp()).page(asked, await nowMs()),
        record: async (recordId) => (await caughtUp()).record(recordId, await nowMs()),
        async report(asked) {
          const account = await (await floor).account()
          if (account === null) throw new Error('nobody is signed in')
          return (await whole()).report(asked, await (await floor).counts(), account.everybody ? null : account.id, await nowMs())
        },
        met: async (campaignId) => (await whole()).met(campaignId, await (await floor).counts()),
        matching: async (campaignId, which) => (await whole()).matching(campaignId, which, await nowMs()),
        async check() {
          const { store } = await opening
          return checkLists(store)
        },
        keptAbout: async (sought) => (await opening).lists.keptAbout(sought),
        async exportFile(campaignId, name, onProgress) {
          const atMs = await nowMs()
          await (await floor).did('exported', `${name} of ${campaignId}`)
          return exportList(name, campaignId, (await whole()).everybody(campaignId, atMs), onProgress)
        },
        async look(file) {
          const look = await lookAt(file)
          if (!look.ok) return look
          const known = RolesSchema.safeParse(await (await opening).store.get(matchKey(look.looked.columns)))
          return known.success && known.data.length === look.looked.columns.length ? { ok: true, looked: { ...look.looked, roles: known.data } } : look
        },
        async importFile(wish, onProgress) {
          if (isImporting) return { ok: false, cancelled: false, says: 'Another file is being imported. Wait until it is done, or cancel it.' }
          isImporting = true
          isCancelled = false
          try {
            return await importInto(await opening, await floor, wish, onProgress)
          } finally {
            isImporting = false
          }
        },
        cancelImport() {
          isCancelled = true
        },
        async subscribe(tell) {
          listeners.add(tell)
          mine.push(tell)
        },
        close() {
          for (const tell of mine.splice(0)) listeners.delete(tell)
        },
      }
      return guarded(answers, LISTS_DOORS, async () => (await floor).account())
    },
  }
}

const RolesSchema = z.array(z.enum(ROLES))

/** Files of one shape are taken with the same roles. */
const matchKey = (columns: readonly string[]): string => `match/${shapeKey(columns)}`

/** Named after its campaign, and numbered. */
function newListId(campaignId: CampaignId, metas: readonly ListMeta[]): ListId {
  const name = `list_${campaignId.slice('campaign_'.length)}`
  for (let n = 1; ; n++) {
    const id = toListId(n === 1 ? name : `${name}-${n}`)
    if (!metas.some((l) => l.id === id)) return id
  }
}
