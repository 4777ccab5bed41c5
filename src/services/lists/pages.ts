// Pages of a campaign's records: found by a few letters or digits, by where they stand; read from the rows as they are kept, so that a list of a million is
// searched without being taken apart.
import type { ListedRecord, RecordLife, RecordState, Standing } from '@/core/campaigns'
import type { CampaignId } from '@/core/ids'
import type { CallingList, Place } from '@/core/lists'
import { CHUNK_ROWS, type Chunk } from './chunks'

export interface RecordsAsked {
  readonly campaignId: CampaignId
  /** Part of a name, a number, a key or any column; empty for everybody. */
  readonly search: string
  readonly state: RecordState | null
  readonly from: number
  readonly atMost: number
}

export interface RecordRow {
  readonly recordId: string
  readonly person: string
  readonly number: string
  readonly tries: number
  readonly lastResult: RecordLife['tries'][number]['result'] | null
  readonly lastAtMs: number | null
  readonly lastLabel: string | null
  readonly standing: Standing
}

export interface RecordsPage {
  readonly found: number
  readonly rows: readonly RecordRow[]
}

export interface OneRecord {
  readonly record: ListedRecord
  readonly life: RecordLife
  readonly standing: Standing
}

interface Searched {
  readonly chunks: readonly Chunk[]
  readonly count: number
  readonly list: CallingList
}

/** Places that are meant, in the order of the list, of one list after another. */
export function* found({ chunks, count, list }: Searched, { search, state }: Pick<RecordsAsked, 'search' | 'state'>): Generator<Place> {
  const wanted = search.trim().toLowerCase()
  const digits = wanted.replace(/[\s()+-]/g, '').replace(/^0+/, '')
  const isNumber = digits.length >= 3 && /^\d+$/.test(digits)
  const is = (line: string) => (isNumber && line.includes(digits)) || line.toLowerCase().includes(wanted)
  if (wanted === '') {
    for (let place = 0; place < count; place++) if (state === null || list.stateAt(place) === state) yield place
    return
  }
  for (const [no, { text }] of chunks.entries()) {
    // What is in no row of a chunk needs no row of it to be looked at.
    if (!is(text)) continue
    for (const [i, line] of text.split('\n').entries()) {
      const place = no * CHUNK_ROWS + i
      if (is(line) && (state === null || list.stateAt(place) === state)) yield place
    }
  }
}

export const rowOf = ({ record, life, standing }: OneRecord): RecordRow => {
  const last = life.tries.at(-1)
  return {
    recordId: record.recordId,
    person: record.person,
    number: standing.number?.number ?? record.numbers[0]?.number ?? '',
    tries: life.tries.length,
    lastResult: last?.result ?? null,
    lastAtMs: last?.atMs ?? null,
    lastLabel: life.becomes?.label ?? last?.label ?? null,
    standing,
  }
}
