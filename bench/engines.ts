// The same question to an engine that could have held the history in the browser: offered, answered, the 90th percentile of waits and calls within 20 s,
// by queue. CALLS=300000 sets how many calls.
import * as arrow from 'apache-arrow'
import { quantileSorted } from 'd3-array'
import { type CallsBlock, packCalls } from '@/services/history/columns'
import { rulesOf } from '@/services/history/rules'
import { measuresOf, tally } from '@/services/history/tally'
import { FENNHOLM } from '@/world/scenario'
import { daysOf } from './million'
import { median, print, timed } from './statistics'

const CALLS = Number(process.env.CALLS ?? 300_000)
const WITHIN_MS = 20_000

const blocks: CallsBlock[] = []
const tables: arrow.Table[] = []
for (const { records } of daysOf(CALLS)) {
  blocks.push(packCalls(records))
  tables.push(
    new arrow.Table({
      queueId: arrow.vectorFromArray(
        records.map((r) => r.queueId),
        new arrow.Dictionary(new arrow.Utf8(), new arrow.Int32()),
      ),
      inbound: arrow.vectorFromArray(
        records.map((r) => r.direction === 'inbound'),
        new arrow.Bool(),
      ),
      offeredAtMs: arrow.vectorFromArray(Float64Array.from(records, (r) => r.offeredAtMs)),
      waitMs: arrow.vectorFromArray(
        records.map((r) => (r.answeredAtMs === null ? null : r.answeredAtMs - r.offeredAtMs)),
        new arrow.Float64(),
      ),
    }),
  )
}
const of = `${blocks.reduce((sum, b) => sum + b.count, 0).toLocaleString('en')} calls by queue`
const ms = (times: readonly number[]) => `${median(times).toFixed(0)} ms`

const rules = rulesOf([FENNHOLM])
const EVER = { fromMs: -Infinity, toMs: Infinity }
const sums = blocks.map((block) => tally(block, EVER, rules))
print(`${of}: our columns, every figure and every agent, from their rows`, ms(timed(3, () => blocks.map((block) => tally(block, EVER, rules)))), 'none set')
print(
  'our sums of blocks',
  ms(
    timed(3, () =>
      FENNHOLM.queues.map((q) =>
        measuresOf(
          sums.flatMap((s) => s.queues.get(q.id) ?? []),
          0,
        ),
      ),
    ),
  ),
  'none set',
)
print('Apache Arrow tables, own scan of four columns', ms(timed(3, () => inArrow())), 'none set')

function inArrow() {
  const groups = new Map<string, { offered: number; within: number; waits: number[] }>()
  for (const table of tables) {
    const [queueId, inbound, waitMs] = ['queueId', 'inbound', 'waitMs'].map((name) => table.getChild(name))
    for (let row = 0; row < table.numRows; row++) {
      if (!inbound?.get(row)) continue
      const id = String(queueId?.get(row))
      const group = groups.get(id) ?? { offered: 0, within: 0, waits: [] }
      groups.set(id, group)
      group.offered++
      const wait: number | null = waitMs?.get(row)
      if (wait === null) continue
      group.waits.push(wait)
      if (wait <= WITHIN_MS) group.within++
    }
  }
  return [...groups].map(([id, { waits, ...group }]) => ({
    id,
    ...group,
    p90: quantileSorted(
      waits.sort((a, b) => a - b),
      0.9,
    ),
  }))
}
