// Calling lists at size: a million rows imported against the bare parse of the same file in the same run, memory, the next record by rule and time, a search.
// Medians of several runs.
import { spawnSync } from 'node:child_process'
import { mkdtemp, rm, writeFile } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import Papa from 'papaparse'
import { soughtOf } from '@/core/personal'
import { type CampaignSetUp, CampaignSetUpSchema } from '@/core/set-up'
import { openLists } from '@/services/lists/lists'
import { memoryStore } from '@/services/storage'
import { importInto } from './import-rows'
import { keep } from './keep'
import { median, percentile, print, timed, timedAsync } from './statistics'

const ROWS = Number(process.argv[2] ?? 1_000_000)
const CAMPAIGN = CampaignSetUpSchema.parse({
  id: 'campaign_bench',
  name: 'Bench',
  purpose: 'To measure.',
  scriptId: null,
  outcomeSetId: 'outcomes_bench',
  callerId: '+441632960100',
  lines: 900,
  agentIds: [],
  manner: 'predictive',
  timeZone: 'Europe/London',
  abandonedMessage: 'Sorry.',
  hours: [{ days: [1, 2, 3, 4, 5, 6, 7], fromMinute: 0, toMinute: 1440 }],
  order: 'priority',
}) as CampaignSetUp
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

const bare: number[] = []
const imports: number[] = []

let lists = await openLists(memoryStore())
for (let run = 0; run < 3; run++) {
  bare.push(...timed(1, () => Papa.parse(text)))
  const store = memoryStore()
  lists = await openLists(store)
  imports.push(...(await timedAsync(1, async () => lists.adopt(...(await importInto(store, file))))))
}
print(
  'rows imported, times the bare parse of the same file',
  `${(median(imports) / median(bare)).toFixed(2)} (${median(imports).toFixed(0)}, ${median(bare).toFixed(0)} ms)`,
  'under 4',
)
keep('lists.import1MOverBareParse', median(imports) / median(bare), 'times', 4)

// In a process of its own, which is given the file and nothing else.
const folder = await mkdtemp(join(tmpdir(), 'bench-lists-'))
const path = join(folder, 'people.csv')
await writeFile(path, text)
const { stdout } = spawnSync('node_modules/.bin/tsx', ['bench/list-memory.ts', path], { encoding: 'utf8' })
await rm(folder, { recursive: true, force: true })
const peakBytes = Number(stdout)
print('memory of a process that imports it, at its highest', `${(peakBytes / 1e6).toFixed(0)} MB`, '1,000 MB')
keep('lists.import1MPeakBytes', peakBytes, 'bytes', 1e9)

const nowMs = Date.UTC(2026, 10, 26, 10)
const [opened = 0] = await timedAsync(1, () => lists.follow({ floorId: () => 'bench', read: async () => '', campaigns: () => [CAMPAIGN], nowMs: () => nowMs }))
print('the order of all of them made', `${opened.toFixed(0)} ms`, 'none set')
const next = timed(20_000, () => lists.next(CAMPAIGN.id, 1, nowMs))
print('the next one: median, 99 %', `${(median(next) * 1_000).toFixed(1)}, ${(percentile(next, 0.99) * 1_000).toFixed(0)} µs`, '100 µs')
keep('lists.next1MMs', median(next), 'ms', 0.1)
for (const search of ['', 'K-999999', 'person 4711', '07700 900123']) {
  const [ms = 0] = timed(1, () => lists.page({ campaignId: CAMPAIGN.id, search, state: null, from: 0, atMost: 60 }, nowMs))
  print(`a page of “${search}”`, `${ms.toFixed(0)} ms`, 'none set')
}
const [ms = 0] = timed(1, () => lists.whose(CAMPAIGN.id, '+447700900123'))
print('whose number it is', `${ms.toFixed(0)} ms`, 'none set')
const sought = soughtOf({ numbers: ['+447700900123'], addresses: [], names: [] })
let named = 0
const [lookedMs = 0] = await timedAsync(1, async () => {
  named = (await lists.keptAbout(sought)).length
})
print(`everything of a number found (${named} records)`, `${lookedMs.toFixed(0)} ms`, 'none set')
