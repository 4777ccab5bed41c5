// npm test: installs, checks types and lint, runs unit and property tests, builds, runs the browser tests, and counts.
// `npm test -- --unit` stops before the browser; `npm test -- --browser [playwright arguments]` runs only that part.
// What does not need the build goes on beside it, and the unit tests beside the browser's: much of a test there is waiting for rings to run out.
import { spawn } from 'node:child_process'
import { mkdirSync, readFileSync, rmSync } from 'node:fs'
import { ensureChromium } from './ensure-chromium.mjs'
import { ensureInstalled } from './ensure-installed.mjs'

const args = process.argv.slice(2)
const only = args[0] === '--unit' || args[0] === '--browser' ? args[0] : null
const bin = (name) => `node_modules/.bin/${name}`
const counts = { passed: 0, failed: 0 }

/** Runs to its end, heard as it goes on. */
function run(title, command, commandArgs, env = {}) {
  console.log(`\n── ${title}`)
  return new Promise((resolve) => {
    spawn(command, commandArgs, { stdio: 'inherit', env: { ...process.env, ...env } }).once('close', (code) => resolve(code === 0))
  })
}

/** Goes on beside whatever else is done; what it has to say is shown when it is awaited. Gives whether it passed. */
function beside(title, command, commandArgs) {
  const going = spawn(command, commandArgs, { stdio: ['ignore', 'pipe', 'pipe'] })
  let said = ''
  for (const stream of [going.stdout, going.stderr]) stream.on('data', (text) => (said += text))
  const ended = new Promise((resolve) => going.once('close', (code) => resolve(code === 0)))
  return async () => {
    const passed = await ended
    console.log(`\n── ${title}\n${said.trim()}`)
    return passed
  }
}

ensureInstalled()
rmSync('test-results', { recursive: true, force: true })
mkdirSync('test-results', { recursive: true })

const { build, serve } = await import('./serve.mjs')
const built = only === '--unit' ? Promise.resolve() : build()
built.catch(() => {})
const checks =
  only === '--browser'
    ? []
    : [
        beside('lint, formatting and import directions', bin('biome'), ['check', '.']),
        beside('types', bin('tsc'), ['--noEmit']),
        beside('unit and property tests', bin('vitest'), ['run', '--reporter=default', '--reporter=json', '--outputFile.json=test-results/unit.json']),
      ]

if (only !== '--unit') {
  ensureChromium()
  console.log('\n── building')
  await built
  const { url, stop } = await serve(0)
  try {
    await run('browser tests', bin('playwright'), ['test', ...(only === '--browser' ? args.slice(1) : [])], { BASE_URL: url })
  } finally {
    stop()
  }
  const { stats } = readReport('test-results/browser.json')
  counts.passed += stats.expected
  counts.failed += stats.unexpected + stats.flaky
}

if (only !== '--browser') {
  const [lint, types, units] = checks
  // A check counts as one test: it passes or it fails.
  for (const check of [lint, types]) counts[(await check()) ? 'passed' : 'failed']++
  await units()
  const unit = readReport('test-results/unit.json')
  counts.passed += unit.numPassedTests
  // A file that does not load runs no test; it must not pass unseen.
  counts.failed += unit.numFailedTests + unit.testResults.filter((f) => f.status === 'failed' && f.assertionResults.length === 0).length
}

console.log(`\n${counts.passed} passed, ${counts.failed} failed`)
process.exitCode = counts.failed === 0 && counts.passed > 0 ? 0 : 1

function readReport(path) {
  return JSON.parse(readFileSync(path, 'utf8'))
}
