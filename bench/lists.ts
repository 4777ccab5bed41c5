// Calling lists at size: a million rows imported against the bare parse of the same file in the same run, memory, the next record by rule and time, a search, and
// what an import costs whoever asks for the next record meanwhile. Medians of several runs.
import Papa from 'papaparse'
import { toCampaignId, toListId } from '@/core/ids'
import { type CampaignSetUp, CampaignSetUpSchema } from '@/core/set-up'
import { lookAt } from '@/lists/import/look'
import { runImport } from '@/lists/import/run'
import { openLists } from '@/lists/lists'
import { memoryStore } from '@/storage'

const ROWS = Number(process.argv[2] ?? 1_000_000)
const CAMPAIGN = CampaignSetUpSchema.parse({
  ...{
    id: 'campaign_bench',
    name: 'Bench',
    purpose: 'To measure.',
    scriptId: null,
    outcomeSetId: 'outcomes_bench',
    callerId: '+441632960100',
    lines: 900,
    agentIds: [],
  },
  ...{
    manner: 'predictive',
    timeZone: 'Europe/London',
    abandonedMessage: 'Sorry.',
    hours: [{ days: [1, 2, 3, 4, 5, 6, 7], fromMinute: 0, toMinute: 1440 }],
    order: 'priority',
  },
}) as CampaignSetUp
const LIST = toListId('list_bench')
const NUMBERS = ['01632 960', '07700 900', '020 7946 0', '+33 1 99 00 ', '+1 212-555-01']

const parts: string[] = ['Key,Name,Phone,Mobile,Priority,Sailing,Note\n']
for (let i = 0; i < ROWS; i++) {
  const begin = NUMBERS[i % NUMBERS.length] as string
  const rest = String(i % 1_000)
    .padStart(begin.startsWith('+33') ? 4 : begin.startsWith('+1') ? 2 : 3, '0')
    .slice(begin.startsWith('+1') ? -2 : 0)
  parts.push(
    `K-${i},Person ${i % 9_973} Of-List,${begin}${rest},${i % 3 === 0 ? `07700 900${String(i % 1_000).padStart(3, '0')}` : ''},${i % 10},"Arnmoor – Skarvey, ${i % 24}:15",\n`,
  )
}
const text = parts.join('')
const file = new Blob([text])
parts.length = 0
console.log(`${ROWS.toLocaleString('en-GB')} rows, ${(file.size / 1e6).toFixed(1)} MB`)

const timed = async (run: () => unknown): Promise<number> => {
  const from = performance.now()
  await run()
  return performance.now() - from
}
const median = (values: readonly number[]): number => values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)] as number

const bare: number[] = []
const imports: number[] = []

let lists = await openLists(memoryStore())
for (let run = 0; run < 3; run++) {
  bare.push(await timed(() => Papa.parse(text)))
  const store = memoryStore()
  lists = await openLists(store)
  const look = await lookAt(file)
  if (!look.ok) throw new Error(look.says)
  const { looked } = look
  imports.push(
    await timed(async () => {
      const { imported, list } = await runImport(
        {
          ...{ file, looked, roles: looked.roles, listId: LIST, campaignId: toCampaignId('campaign_bench'), name: 'Bench' },
          ...{ homeCountry: 'GB', timeZone: 'Europe/London', leavesOutOthers: false, importedAtMs: 0 },
        },
        {
          ...{ store, before: null, isElsewhere: () => false, doNotCall: new Map() },
          ...{ nowMs: () => performance.now(), onProgress: () => {}, isCancelled: () => false },
        },
      )
      if (!imported.ok || list === null) throw new Error('not imported')
      console.log(`  taken ${imported.taken.toLocaleString('en-GB')}`)
      lists.adopt(list.meta, list.chunks)
    }),
  )
}
console.log(
  `bare parse ${median(bare).toFixed(0)} ms, import ${median(imports).toFixed(0)} ms: ${(median(imports) / median(bare)).toFixed(2)} times (aim under 4)`,
)
// Of the whole process, since it began: the file, its text and three imports included.
console.log(`memory of the process at its highest ${(process.resourceUsage().maxRSS / 1_024).toFixed(0)} MB`)

const nowMs = Date.UTC(2026, 10, 26, 10)
const opened = await timed(() => lists.follow({ floorId: () => 'bench', read: async () => '', campaigns: () => [CAMPAIGN], nowMs: () => nowMs }))
console.log(`index of all records made in ${opened.toFixed(0)} ms`)
const next: number[] = []
for (let i = 0; i < 20_000; i++) {
  const from = performance.now()
  lists.next(CAMPAIGN.id, 1, nowMs)
  next.push(performance.now() - from)
}
console.log(
  `next record: median ${(median(next) * 1_000).toFixed(1)} µs, 99 % ${((next.toSorted((a, b) => a - b)[Math.floor(next.length * 0.99)] as number) * 1_000).toFixed(0)} µs (aim 100 µs)`,
)
for (const search of ['', 'K-999999', 'person 4711', '07700 900123'])
  console.log(
    `page of “${search}”: ${(await timed(() => lists.page({ campaignId: CAMPAIGN.id, search, state: null, from: 0, atMost: 60 }, nowMs))).toFixed(0)} ms`,
  )
