// The history at size, in the browser it runs in, and a native columnar database over the same calls beside it.
import { readFileSync } from 'node:fs'
import { mkdtemp, rm, writeFile } from 'node:fs/promises'
import { createServer } from 'node:http'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { DuckDBInstance } from '@duckdb/node-api'
import { build } from 'esbuild'
import { chromium, type Page } from 'playwright'
import { createParquet } from '@/services/history/parquet'
import type { HistoryFigures } from './history-page'
import { keep } from './keep'
import { daysOf } from './million'
import { median, print, timedAsync } from './statistics'

const CALLS = Number(process.env.CALLS ?? 1_000_000)

const { outputFiles } = await build({
  stdin: { contents: "import * as page from './history-page'; globalThis.bench = page", resolveDir: 'bench', loader: 'ts' },
  bundle: true,
  write: false,
  format: 'iife',
  alias: { '@': `${process.cwd()}/src` },
  logLevel: 'error',
})
const script = outputFiles[0]?.text ?? ''

await inChromium()
await inDuckDb()

async function inChromium(): Promise<void> {
  // Storage needs an origin.
  const server = createServer((_, response) => response.setHeader('content-type', 'text/html').end('<title>bench</title>'))
  await new Promise<void>((resolve) => server.listen(0, resolve))
  const address = server.address()
  const url = `http://localhost:${typeof address === 'object' && address !== null ? address.port : 0}`
  const folder = await mkdtemp(join(tmpdir(), 'bench-history-'))
  const browser = () => chromium.launchPersistentContext(folder, { executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu'] })
  const filling = await browser()
  const filled = await (await opened(filling.pages()[0] as Page, url)).evaluate((n) => (globalThis as never as Bench).bench.fill(n), CALLS)
  await filling.close()
  print(`a day of ${Math.round(filled.calls / filled.days)} calls folded into columns and sums`, `${filled.packMs.toFixed(0)} ms`, 'none set')

  const asking = await browser()
  const page = await opened(asking.pages()[0] as Page, url)
  const before = await rendererBytes(page)
  const figures: HistoryFigures = await page.evaluate((days) => (globalThis as never as Bench).bench.ask(days), filled.days)
  const after = await rendererBytes(page)
  const bytes = Math.max(...[...after].map(([pid, size]) => size - (before.get(pid) ?? 0)))
  await asking.close()
  server.close()
  await rm(folder, { recursive: true, force: true })
  const of = `${filled.calls.toLocaleString('en')} calls of ${filled.days} days`
  const ms = (value: number) => `${value < 10 ? value.toFixed(1) : Math.round(value)} ms`
  print(`${of}: last week’s report and page, from nothing`, ms(figures.weekMs), '1,500 ms')
  keep('history.open1MMs', figures.weekMs, 'ms', 1_500)
  keep('history.figure1MMs', figures.allMs, 'ms', 1_000)
  keep('history.previousContacts1MMs', figures.contactsMs, 'ms', 5)
  keep('history.bytes1M', figures.columnBytes, 'bytes', 300_000_000)
  print('the report over all of them, from nothing', ms(figures.allHereMs), 'none set')
  print('the same again', ms(figures.allMs), '1,000 ms')
  print('the same of one agent', ms(figures.agentMs), '1,000 ms')
  print('the same cut through its first and last day', ms(figures.cutMs), '1,000 ms')
  print('a page of all of them, the latest first', ms(figures.latestMs), '1,000 ms')
  print('a page of those a name is in', ms(figures.searchMs), '1,000 ms')
  print('a page of all of them by customer', ms(figures.sortMs), '1,000 ms')
  print('earlier calls of a caller', ms(figures.contactsMs), '5 ms')
  print(`somebody of ${figures.forgottenCalls} calls forgotten on every day that names them`, ms(figures.forgetMs), 'none set')
  print('the columns', `${Math.round(figures.columnBytes / 1e6)} MB, ${Math.round(figures.columnBytes / filled.calls)} bytes a call`, '300 MB')
  print('the process that holds it has grown by', `${Math.round(bytes / 1e6)} MB`, '300 MB')
}

interface Bench {
  readonly bench: typeof import('./history-page')
}

async function opened(page: Page, url: string): Promise<Page> {
  await page.goto(url)
  await page.addScriptTag({ content: script })
  return page
}

/** Resident memory of the browser's processes that pages are in. */
async function rendererBytes(page: Page): Promise<ReadonlyMap<number, number>> {
  const session = await page.context().newCDPSession(page)
  await session.send('HeapProfiler.collectGarbage')
  const all = await page.context().browser()?.newBrowserCDPSession()
  const { processInfo } = await (all ?? session).send('SystemInfo.getProcessInfo')
  const residentOf = (pid: number) => Number(/VmRSS:\s+(\d+) kB/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1] ?? 0) * 1024
  return new Map(processInfo.filter((p) => p.type === 'renderer').map((p) => [p.id, residentOf(p.id)]))
}

/** The same figures as a native columnar database answers them, from the file the history leaves as. */
async function inDuckDb(): Promise<void> {
  const folder = await mkdtemp(join(tmpdir(), 'bench-duckdb-'))
  const connection = await (await DuckDBInstance.create(':memory:', { threads: '1' })).connect()
  const file = createParquet('calls')
  const writing = performance.now()
  let calls = 0
  for (const { records } of daysOf(CALLS)) {
    await file.add(records)
    calls += records.length
  }
  const path = join(folder, 'calls.parquet')
  const written = new Uint8Array(await file.finish())
  print(
    `${calls.toLocaleString('en')} calls written as Parquet`,
    `${((performance.now() - writing) / 1000).toFixed(0)} s, ${Math.round(written.length / 1e6)} MB`,
    'none set',
  )
  await writeFile(path, written)
  const reading = performance.now()
  await connection.run(`create table calls as select * from '${path}'`)
  await connection.run(`create table legs as select callId, offeredAtMs, direction, queueId, result, outcome, unnest(from_json(agents,
    '[{"agentId":"VARCHAR","role":"VARCHAR","talkMs":"BIGINT","holdMs":"BIGINT","wrapUpMs":"BIGINT"}]'), recursive := true) from calls`)
  await rm(folder, { recursive: true, force: true })
  const spent = async (sql: string) => median(await timedAsync(3, () => connection.runAndReadAll(sql)))
  const ms = async (sql: string) => `${(await spent(sql)).toFixed(1)} ms`
  const byAgent = `select agentId, count(*), avg(talkMs + holdMs + wrapUpMs), count(outcome) from legs where role in ('handled', 'transferredTo') group by agentId`
  print('a native columnar database, one thread: takes them in', `${((performance.now() - reading) / 1000).toFixed(1)} s`, 'none set')
  print(
    'its figures by queue',
    await ms(`select queueId, count(*) filter (direction = 'inbound'), count(answeredAtMs), avg(answeredAtMs - offeredAtMs), quantile_cont(answeredAtMs - offeredAtMs, 0.9),
      count(*) filter (answeredAtMs - offeredAtMs <= 20000), count(outcome) from calls group by queueId`),
    'none set',
  )
  const peerMs = await spent(byAgent)
  keep('history.peerFigure1MMs', peerMs, 'ms')
  print('its figures by agent', `${peerMs.toFixed(1)} ms`, 'none set')
  print('its page by customer', await ms('select * from calls order by customer, offeredAtMs desc limit 180'), 'none set')
  print('its earlier calls of a caller', await ms(`select * from calls where customer = 'Ottoline Fjelding' order by offeredAtMs desc limit 12`), 'none set')
}
