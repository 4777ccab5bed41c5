// npm test: installs, checks types and lint, runs unit and property tests, builds, runs the browser tests, and counts.
// `npm test -- --unit` stops before the browser; `npm test -- --browser [playwright arguments]` runs only that part.
import { spawn, spawnSync } from 'node:child_process'
import { mkdirSync, readFileSync, rmSync } from 'node:fs'
import { stripVTControlCharacters } from 'node:util'
import { ensureChromium } from './ensure-chromium.mjs'
import { ensureInstalled } from './ensure-installed.mjs'

const args = process.argv.slice(2)
const only = args[0] === '--unit' || args[0] === '--browser' ? args[0] : null
const bin = (name) => `node_modules/.bin/${name}`
const counts = { passed: 0, failed: 0 }

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
    counts[(await ended) ? 'passed' : 'failed']++
    console.log(`\n── ${title}\n${said.trim()}`)
  }
}

const browserThere = only === '--unit' ? Promise.resolve() : ensureChromium()
browserThere.catch(() => {})
ensureInstalled()
rmSync('test-results', { recursive: true, force: true })
mkdirSync('test-results', { recursive: true })

const { build, serve } = await import('./serve.mjs')
// The build goes on beside the checks; what it has to say is heard once they are through.
const built = only === '--unit' ? Promise.resolve() : build()
built.catch(() => {})

if (only !== '--browser') {
  const checks = [check('lint, formatting and import directions', bin('biome'), ['check', '.']), check('types', bin('tsc'), ['--noEmit'])]
  run('unit and property tests', bin('vitest'), ['run', '--reporter=default', '--reporter=json', '--outputFile.json=test-results/unit.json'])
  const unit = readReport('test-results/unit.json')
  counts.passed += unit.numPassedTests
  // A file that does not load runs no test; it must not pass unseen.
  counts.failed += unit.numFailedTests + unit.testResults.filter((f) => f.status === 'failed' && f.assertionResults.length === 0).length
  for (const done of checks) await done()
}

if (only !== '--unit') {
  console.log('\n── building')
  await built
  await browserThere
  const { url, stop } = await serve(0)
  try {
    run('browser tests', bin('playwright'), ['test', ...(only === '--browser' ? args.slice(1) : [])], { BASE_URL: url })
  } finally {
    stop()
  }
  const { stats, suites } = readReport('test-results/browser.json')
  counts.passed += stats.expected + stats.flaky
  counts.failed += stats.unexpected
  sayWhatFailed(suites)
}

console.log(`\n${counts.passed} passed, ${counts.failed} failed`)
process.exitCode = counts.failed === 0 && counts.passed > 0 ? 0 : 1

/** Last of all, where a log that is cut still has it. A test that passed only when tried again is named: it hides a fault of its own or of the product. */
function sayWhatFailed(suites) {
  for (const suite of suites) {
    for (const spec of suite.specs ?? []) {
      for (const { status, results } of spec.tests) {
        if (status !== 'unexpected' && status !== 'flaky') continue
        console.log(`\n${status === 'flaky' ? 'Passed only when tried again' : 'Failed'}: ${spec.file}:${spec.line} › ${spec.title}`)
        console.log(stripVTControlCharacters(results[0]?.errors?.[0]?.message ?? 'no error was reported'))
      }
    }
    sayWhatFailed(suite.suites ?? [])
  }
}

function readReport(path) {
  return JSON.parse(readFileSync(path, 'utf8'))
}
