// Call records and agent states as Apache Parquet, through a well-kept library: the fields of the NDJSON files, what has parts of its own as JSON text.
import type { BasicType } from 'hyparquet-writer'
import { ByteWriter, ParquetWriter, schemaFromColumnData } from 'hyparquet-writer'

const CALLS = {
  callId: 'STRING',
  direction: 'STRING',
  queueId: 'STRING',
  queue: 'STRING',
  campaign: 'STRING',
  campaignId: 'STRING',
  path: 'STRING',
  number: 'STRING',
  customer: 'STRING',
  offeredAtMs: 'INT64',
  answeredAtMs: 'INT64',
  endedAtMs: 'INT64',
  result: 'STRING',
  shortAbandon: 'BOOLEAN',
  liveAnswerAtMs: 'INT64',
  agents: 'JSON',
  missedBy: 'JSON',
  outcome: 'STRING',
  outcomeAtMs: 'INT64',
  outcomeById: 'STRING',
  outcomeBy: 'STRING',
  notes: 'STRING',
  script: 'STRING',
  scriptVersion: 'INT32',
  answers: 'JSON',
  transfers: 'JSON',
  recordings: 'JSON',
  sound: 'JSON',
} as const satisfies Record<string, BasicType>

const AGENT_STATES = {
  agentId: 'STRING',
  agent: 'STRING',
  state: 'STRING',
  reason: 'STRING',
  fromMs: 'INT64',
  toMs: 'INT64',
} as const satisfies Record<string, BasicType>

/** Rows that are written together: few groups make small files and quick readers. */
const GROUP_ROWS = 10_000

export interface ParquetFile {
  add(rows: readonly object[]): Promise<void>
  finish(): Promise<ArrayBuffer>
}

export function createParquet(of: 'calls' | 'agentStates'): ParquetFile {
  const types: Record<string, BasicType> = of === 'calls' ? CALLS : AGENT_STATES
  const writer = new ByteWriter()
  const columnsOf = (rows: readonly object[]) =>
    Object.entries(types).map(([name, type]) => ({ name, type, data: rows.map((row) => cellOf((row as Record<string, unknown>)[name], type)) }))
  const file = new ParquetWriter({ writer, schema: schemaFromColumnData({ columnData: columnsOf([]) }), createdBy: 'loyal-switchboard' })
  let pending: object[] = []
  const writeGroup = async () => {
    if (pending.length > 0) await file.write({ columnData: columnsOf(pending), rowGroupSize: pending.length })
    pending = []
  }
  return {
    async add(rows) {
      for (const row of rows) pending.push(row)
      if (pending.length >= GROUP_ROWS) await writeGroup()
    },
    async finish() {
      await writeGroup()
      await file.finish()
      return writer.getBuffer()
    },
  }
}

const cellOf = (value: unknown, type: BasicType): unknown => (type === 'INT64' && typeof value === 'number' ? BigInt(value) : value)
