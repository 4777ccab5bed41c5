// Files of a campaign: its records with where they stand, every attempt, and the record of those whom nobody could take that the law asks for.
import { type AttemptLine, attemptLine, type CalledRecord } from '@/core/campaigns'
import { toCsvRows } from '@/core/csv'
import type { ListExport } from './export-names'
import type { OneRecord } from './pages'

const TYPES: Readonly<Record<string, string>> = { csv: 'text/csv', ndjson: 'application/x-ndjson' }
const MOST_NUMBERS = 4
/** So many records are made into text at a time, and the thread is free between two. */
const PART = 2_000

interface Exported {
  readonly columns: readonly string[]
  readonly count: number
  readonly records: Iterable<OneRecord>
}

const NUMBERS = Array.from({ length: MOST_NUMBERS }, (_, i) => `number${i + 1}`)
const STANDS = ['state', 'tries', 'lastResult', 'lastOutcome', 'nextAtMs', 'nextWhy'] as const
const ABANDONED = [
  'attemptId',
  'recordId',
  'key',
  'number',
  'startedAtMs',
  'liveAtMs',
  'abandonedMessageAtMs',
] as const satisfies readonly (keyof AttemptLine)[]

export async function exportList(
  name: ListExport,
  campaignId: CalledRecord['listId'] | string,
  { columns, count, records }: Exported,
  onProgress: (done: number, of: number) => void,
): Promise<Blob> {
  const parts: string[] = []
  const heading =
    name === 'records.csv' ? ['recordId', 'key', 'person', ...NUMBERS, 'priority', ...columns, ...STANDS] : name === 'abandoned.csv' ? [...ABANDONED] : null
  if (heading !== null) parts.push(toCsvRows([heading]))
  let batch: OneRecord[] = []
  let done = 0
  const take = async () => {
    parts.push(TEXTS[name](batch, campaignId, columns))
    done += batch.length
    batch = []
    onProgress(done, count)
    await new Promise((resolve) => setTimeout(resolve, 0))
  }
  for (const one of records) {
    batch.push(one)
    if (batch.length === PART) await take()
  }
  await take()
  return new Blob(parts, { type: TYPES[name.slice(name.indexOf('.') + 1)] ?? 'text/plain' })
}

const TEXTS: Readonly<Record<ListExport, (batch: readonly OneRecord[], campaignId: string, columns: readonly string[]) => string>> = {
  'records.csv': (batch, _, columns) =>
    toCsvRows(batch.map((one) => [...whoOf(one), ...columns.map((c) => one.record.fields[c] ?? ''), ...Object.values(standsOf(one))])),
  'records.ndjson': (batch) =>
    linesOf(
      batch.map((one) => {
        const { recordId, listId, key, person, numbers, priority, fields } = one.record
        return { recordId, listId, key, person, numbers: numbers.map((n) => n.number), zones: numbers[0]?.zones ?? [], priority, ...fields, ...standsOf(one) }
      }),
    ),
  'attempts.ndjson': (batch, campaignId) => linesOf(attemptsOf(batch, campaignId)),
  'abandoned.csv': (batch, campaignId) =>
    toCsvRows(
      attemptsOf(batch, campaignId)
        .filter((a) => a.result === 'abandoned')
        .map((a) => ABANDONED.map((field) => a[field])),
    ),
}

const attemptsOf = (batch: readonly OneRecord[], campaignId: string): AttemptLine[] =>
  batch.flatMap(({ record, life }) => life.tries.map((t) => attemptLine(campaignId, record, t)))

const whoOf = ({ record }: OneRecord): readonly unknown[] => [
  record.recordId,
  record.key,
  record.person,
  ...NUMBERS.map((_, i) => record.numbers[i]?.number ?? ''),
  record.priority,
]

const standsOf = ({ life, standing }: OneRecord) => ({
  state: standing.state,
  tries: life.tries.length,
  lastResult: life.tries.at(-1)?.result ?? null,
  lastOutcome: life.becomes?.label ?? life.tries.at(-1)?.label ?? null,
  nextAtMs: standing.nextAtMs,
  nextWhy: standing.why,
})

const linesOf = (objects: readonly object[]): string => objects.map((o) => `${JSON.stringify(o)}\n`).join('')
