// npm test: installs, checks types and lint, runs unit and property tests, builds, runs the browser tests, and counts.
// `npm test -- --unit` stops before the browser; `npm test -- --browser [playwright arguments]` runs only that part;
// `npm test -- --changed [commit]` runs what a change since that commit (main without one) can touch.
import { spawn, spawnSync } from 'node:child_process'
import { mkdirSync, readFileSync, rmSync } from 'node:fs'
import { relative, resolve } from 'node:path'
import { stripVTControlCharacters } from 'node:util'
import { ensureChromium } from './ensure-chromium.mjs'
import { ensureInstalled } from './ensure-installed.mjs'
import { specsTouchedBy } from './touched.mjs'

const args = process.argv.slice(2)
const only = args[0] === '--unit' || args[0] === '--browser' ? args[0] : null
const since = args[0] === '--changed' ? (args[1] ?? 'main') : null
const specs = since === null ? [] : specsTouchedBy(since)
const browses = only !== '--unit' && (since === null || specs.length > 0)
const bin = (name) => `node_modules/.bin/${name}`
const counts = { passed: 0, failed: 0 }
const times = new Map()
const checksThatFailed = []
let unitsThatFailed = []

function run(title, command, commandArgs, env = {}) {
  console.log(`\n── ${title}`)
  const { status } = spawnSync(command, commandArgs, { stdio: 'inherit', env: { ...process.env, ...env } })
  return status === 0
}

/** A check counts as one test: it passes or it fails. It goes on beside whatever else is done; what it says is shown when it is awaited. */
function check(title, command, commandArgs) {
  const checking = spawn(command, commandArgs, { stdio: ['ignore', 'pipe', 'pipe'] })
  let said = ''
  for (const stream of [checking.stdout, checking.stderr]) stream.on('data', (text) => (said += text))
  const ended = new Promise((resolve) => checking.once('close', (code) => resolve(code === 0)))
  return async () => {
    const isFine = await ended
    counts[isFine ? 'passed' : 'failed']++
    if (!isFine) checksThatFailed.push({ title, said })
    console.log(`\n── ${title}\n${said.trim()}`)
  }
}

const browserThere = browses ? ensureChromium() : Promise.resolve()
browserThere.catch(() => {})
ensureInstalled()
rmSync('test-results', { recursive: true, force: true })
mkdirSync('test-results', { recursive: true })

const { build, serve } = await import('./serve.mjs')
// The build goes on beside the checks; what it has to say is heard once they are through.
const built = browses ? build() : Promise.resolve()
built.catch(() => {})

if (only !== '--browser') {
  const checks = [check('lint, formatting and import directions', bin('biome'), ['check', '.']), check('types', bin('tsc'), ['--noEmit'])]
  run('unit and property tests', bin('vitest'), [
    'run',
    ...(since === null ? [] : ['--changed', since, '--passWithNoTests']),
    '--reporter=default',
    '--reporter=json',
    '--outputFile.json=test-results/unit.json',
  ])
  const unit = readReport('test-results/unit.json')
  counts.passed += unit.numPassedTests
  // A file that does not load runs no test; it must not pass unseen.
  counts.failed += unit.numFailedTests + unit.testResults.filter((f) => f.status === 'failed' && f.assertionResults.length === 0).length
  for (const done of checks) await done()
  unitsThatFailed = unit.testResults.filter(({ status }) => status === 'failed')
  for (const { name, assertionResults } of unit.testResults)
    took(
      name,
      assertionResults.reduce((sum, r) => sum + (r.duration ?? 0), 0),
    )
}

if (browses) {
  console.log('\n── building')
  await built
  await browserThere
  const { url, stop } = await serve(0)
  try {
    await pastDaysMade(url)
    run('browser tests', bin('playwright'), ['test', ...(only === '--browser' ? args.slice(1) : specs)], { BASE_URL: url })
  } finally {
    stop()
  }
  const { stats, suites } = readReport('test-results/browser.json')
  counts.passed += stats.expected + stats.flaky
  counts.failed += stats.unexpected
  sayWhatFailed(suites)
  sumUp(suites)
}

for (const { title, said } of checksThatFailed) sayFailed('Failed', title, said.trim())
for (const { name, message, assertionResults } of unitsThatFailed) {
  const tests = assertionResults.filter(({ status }) => status === 'failed')
  for (const { fullName, failureMessages } of tests.length > 0 ? tests : [{ fullName: 'was not run', failureMessages: [message] }])
    sayFailed('Failed', `${relative(process.cwd(), name)} › ${fullName}`, failureMessages[0])
}
console.log(`\n── the ten slowest files, seconds of their tests\n${slowest()}`)
console.log(`\n${counts.passed} passed, ${counts.failed} failed`)
process.exitCode = counts.failed === 0 && counts.passed > 0 ? 0 : 1

/** Last of all, where a log that is cut still has it. */
function sayFailed(how, which, why) {
  console.log(`\n${how}: ${which}\n${stripVTControlCharacters(why ?? 'no error was reported').slice(0, 2_000)}`)
}

/** A test that passed only when tried again is named: it hides a fault of its own or of the product. */
function sayWhatFailed(suites) {
  for (const suite of suites) {
    for (const spec of suite.specs ?? []) {
      for (const { status, results } of spec.tests) {
        if (status !== 'unexpected' && status !== 'flaky') continue
        const how = status === 'flaky' ? 'Passed only when tried again' : 'Failed'
        sayFailed(how, `${spec.file}:${spec.line} › ${spec.title}`, results[0]?.errors?.[0]?.message)
      }
    }
    sayWhatFailed(suite.suites ?? [])
  }
}

/** The server makes the demo's past days once, for whoever asks first: no test waits for it while others compute. */
async function pastDaysMade(url) {
  const answer = await fetch(`${url}/api/demo-history?seed=7&days=7&pace=week&campaigns=yes`)
  if (!answer.ok) throw new Error(`the server makes no past days: ${answer.status}`)
  await answer.arrayBuffer()
}

/** Milliseconds of tests by file. */
function took(file, ms) {
  times.set(file, (times.get(file) ?? 0) + ms)
}

function sumUp(suites) {
  for (const suite of suites) {
    for (const spec of suite.specs ?? []) for (const { results } of spec.tests) for (const { duration } of results) took(`e2e/${spec.file}`, duration)
    sumUp(suite.suites ?? [])
  }
}

function slowest() {
  const ten = [...times].sort((a, b) => b[1] - a[1]).slice(0, 10)
  return ten.map(([file, ms]) => `${(ms / 1_000).toFixed(0).padStart(6)}  ${relative(process.cwd(), resolve(file))}`).join('\n')
}

function readReport(path) {
  return JSON.parse(readFileSync(path, 'utf8'))
}
