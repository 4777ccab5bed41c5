// npm run mutants [-- --seed 1 --lines 12 room …]: changes single places of the product, a seeded sample of lines in each room, and says how many of the
// changes a test finds. What a test finds only after half a minute of drawing at random is not waited for: the figure is a lower bound.
import { spawnSync } from 'node:child_process'
import { readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { parseArgs } from 'node:util'

const ROOMS = {
  rules: 'src/core/rules',
  queues: 'src/core/queues',
  work: 'src/core/work',
  threads: 'src/core/threads',
  ledger: 'src/core/ledger',
  reports: 'src/core/reports',
  dialer: 'src/core/dialer',
  exchange: 'src/services/exchange',
}

const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: { seed: { type: 'string', default: '1' }, lines: { type: 'string', default: '12' } },
})
const rooms = positionals.length === 0 ? Object.keys(ROOMS) : positionals
const unknown = rooms.filter((room) => !(room in ROOMS))
if (unknown.length > 0) throw new Error(`no room ${unknown.join(', ')}: there are ${Object.keys(ROOMS).join(', ')}`)

/** mulberry32: the same seed draws the same lines. */
function random(seed) {
  let at = seed >>> 0
  return () => {
    at = (at + 0x6d2b79f5) >>> 0
    let t = Math.imul(at ^ (at >>> 15), at | 1)
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61)
    return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296
  }
}

/** Lines that do something: no comment, no import, nothing that only closes. */
const DOES = /^(?!\s*(\/\/|\/?\*|import |export \{|export \*|[)\]}]+[,;]?$)).*\S/

function sampled(room, count) {
  const draw = random(Number(values.seed) + room.length * 7_919)
  const files = readdirSync(ROOMS[room], { recursive: true, encoding: 'utf8' }).filter(
    (file) => file.endsWith('.ts') && !/\.test\.ts$|testing|refusals|commands|worker\.ts$|index\.ts$/.test(file),
  )
  const lines = files.sort().flatMap((file) => {
    const path = `${ROOMS[room]}/${file}`
    const text = readFileSync(path, 'utf8').split('\n')
    return text.flatMap((line, i) => (DOES.test(line) && /[=<>!?&|+\-(]/.test(line) ? [`${path}:${i + 1}-${i + 1}`] : []))
  })
  const drawn = []
  while (drawn.length < count && lines.length > 0) drawn.push(...lines.splice(Math.floor(draw() * lines.length), 1))
  return drawn
}

const places = rooms.flatMap((room) => sampled(room, Number(values.lines)))
const config = {
  testRunner: 'vitest',
  plugins: ['@stryker-mutator/vitest-runner'],
  vitest: { configFile: 'vitest.mutants.config.ts', related: true },
  mutate: places,
  coverageAnalysis: 'perTest',
  // What is evaluated once, schemas and tables of words, costs all tests each and is the compiler’s to hold.
  ignoreStatic: true,
  mutator: { excludedMutations: ['StringLiteral'] },
  reporters: ['json', 'progress-append-only'],
  jsonReporter: { fileName: 'test-results/mutants.json' },
  concurrency: 2,
  timeoutMS: 20_000,
  disableTypeChecks: false,
  // The compiler in use has no interface that could rewrite its own settings, and nothing of them needs to be.
  tsconfigFile: 'none.json',
  ignorePatterns: ['.next', 'docs', 'public', 'test-results', 'e2e', 'bench'],
  tempDirName: 'test-results/mutants',
}
writeFileSync('stryker.config.json', JSON.stringify(config))
const { status } = spawnSync('node_modules/.bin/stryker', ['run'], { stdio: 'inherit' })
if (status !== 0) process.exit(status ?? 1)

const { files } = JSON.parse(readFileSync('test-results/mutants.json', 'utf8'))
const mutants = Object.entries(files).flatMap(([file, { mutants }]) => mutants.map((mutant) => ({ file, ...mutant })))
const found = (list) => list.filter(({ status }) => status === 'Killed' || status === 'Timeout').length
const counted = (list) => list.filter(({ status }) => ['Killed', 'Timeout', 'Survived', 'NoCoverage'].includes(status))
console.log('\nChanges that a test finds, by room')
for (const room of [...rooms, 'all']) {
  const of = counted(room === 'all' ? mutants : mutants.filter(({ file }) => file.startsWith(`${ROOMS[room]}/`)))
  console.log(`${room.padEnd(10)} ${String(found(of)).padStart(4)} of ${String(of.length).padStart(4)}  ${((100 * found(of)) / (of.length || 1)).toFixed(0)} %`)
}
console.log('\nNot found')
for (const { file, location, mutatorName, replacement, status } of mutants)
  if (status === 'Survived' || status === 'NoCoverage') console.log(`${file}:${location.start.line}  ${mutatorName} → ${(replacement ?? '').slice(0, 60)}`)
