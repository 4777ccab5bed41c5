// What is said of lists while what their people have been through is still coming, or cannot be had.
import { expect, test } from 'vitest'
import { toCampaignId } from '@/core/ids'
import { ANN } from '@/core/testing'
import { memoryStore } from '@/services/storage'
import type { FloorEnd } from './connection'
import { LISTS_DOORS } from './doors'
import { lookAt } from './import/look'
import { type Lists, openLists } from './lists'
import { createService } from './service'

const CAMPAIGN = toCampaignId('campaign_winter')

test('nothing is said of lists before their past is known; no figures without it; and it is tried again', async () => {
  const lists = await openLists(memoryStore())
  /** Each try to follow ends as it is told to. */
  const tries: { readonly there: () => void; readonly not: (why: Error) => void }[] = []
  const follow: Lists['follow'] = () => new Promise((there, not) => tries.push({ there, not }))
  const timers: (() => void)[] = []
  const service = createService(
    Promise.resolve({ lists: { ...lists, follow }, store: memoryStore() }),
    'run',
    (_, again) => timers.push(again),
    () => 0,
  )
  const floor = {
    run: async () => 'floor',
    watch: async () => {},
    nowMs: async () => 0,
    campaigns: async () => [],
    counts: async () => ({}),
    account: async () => ({ id: ANN, everybody: true }),
    figuresAre: async () => {},
  } as Partial<FloorEnd> as FloorEnd
  const tab = service.attach<object>({ floorAt: () => floor, answerOn: () => {}, callable: async (tell) => tell })
  const asked = { fromMs: 0, toMs: 1, campaignId: null }

  let isSaid = false
  void tab.introduce({}, {})
  const [first, page] = [tab.report(asked), tab.page({ campaignId: CAMPAIGN, search: '', state: null, from: 0, atMost: 1 })]
  void Promise.race([first, page])
    .finally(() => {
      isSaid = true
    })
    .catch(() => {})
  await expect.poll(() => tries.length).toBe(1)
  expect(isSaid).toBe(false)

  tries[0]?.not(new Error('past days could not be fetched'))
  await expect(first).rejects.toThrow('past days could not be fetched')
  // Who is on a list is known all the same.
  expect((await page).found).toBe(0)

  await expect.poll(() => timers.length).toBe(1)
  timers[0]?.()
  await expect.poll(() => tries.length).toBe(2)
  tries[1]?.there()
  await expect.poll(async () => (await tab.report(asked).catch(() => null))?.all.attempts).toBe(0)
})

test.each(['before the floor has said who asks', 'while rows are read'] as const)('an import that is called off %s takes nothing', async (when) => {
  const store = memoryStore()
  const lists = await openLists(store)
  const service = createService(
    Promise.resolve({ lists, store }),
    'run',
    () => {},
    () => 0,
  )
  let answers = () => {}
  const asked = new Promise<void>((resolve) => {
    answers = resolve
  })
  const floor = {
    run: async () => 'floor',
    watch: async () => {},
    nowMs: async () => 0,
    counts: async () => ({}),
    figuresAre: async () => {},
    ledger: async () => '',
    campaigns: async () => [{ id: CAMPAIGN, timeZone: 'UTC' }],
    running: async () => [],
    homeCountry: async () => 'GB',
    doNotCall: async () => [],
    account: async () => {
      if (when === 'before the floor has said who asks') await asked
      return { id: ANN, everybody: true }
    },
  } as unknown as FloorEnd
  const tab = service.attach<object>({ floorAt: () => floor, answerOn: () => {}, callable: async (tell) => tell })
  void tab.introduce({}, {}).catch(() => {})
  const file = new Blob([`Name,Phone\n${Array.from({ length: 50_000 }, (_, i) => `Person ${i},01632 ${960_000 + (i % 1_000)}`).join('\n')}\n`])
  const looked = await lookAt(file)
  if (!looked.ok) throw new Error(looked.says)
  const wish = { file, looked: looked.looked, roles: ['person', 'number'] as const, campaignId: CAMPAIGN, name: 'People', listId: null, leavesOutOthers: false }
  const imported = tab.importFile(wish, () => {})
  tab.cancelImport()
  answers()
  expect(await imported).toMatchObject({ ok: false, cancelled: true })
  expect(lists.metas()).toEqual([])
})

test.each((Object.keys(LISTS_DOORS) as (keyof typeof LISTS_DOORS)[]).filter((name) => LISTS_DOORS[name].right !== 'anybody'))(
  '%s: not a stranger, and of everybody only who answers for the floor',
  async (name) => {
    const service = createService(
      Promise.reject(new Error('the lists are not asked')),
      'run',
      () => {},
      () => 0,
    )
    const as = (account: object | null, ...asked: unknown[]) => {
      const floor = { run: async () => 'run', watch: async () => {}, account: async () => account } as unknown as FloorEnd
      const tab = service.attach<object>({ floorAt: () => floor, answerOn: () => {}, callable: async (tell) => tell })
      tab.introduce({}, {}).catch(() => {})
      return (tab as unknown as Record<string, (...asked: unknown[]) => Promise<unknown>>)[name]?.(...asked)
    }
    await expect(as(null)).rejects.toThrow('nobody is signed in')
    if (LISTS_DOORS[name].right === 'floor') await expect(as({ id: ANN, everybody: false })).rejects.toThrow('for those who answer for the floor')
    // Nor what is none of its questions, whoever asks it.
    await expect(as({ id: ANN, everybody: true }, 7, { odd: true })).rejects.toThrow('what it does not take')
  },
)
