// Which browser tests a change can touch: those of a screen when only that screen has changed, all when anything that all screens stand on has.
import { spawnSync } from 'node:child_process'
import { readdirSync } from 'node:fs'

/** Tests of a screen beside those of its name. A screen that is not here, and everything else of `src`, touches all of them. */
const OF_SCREEN = {
  callbacks: ['outcomes'],
  campaigns: ['campaigns', 'lists'],
  conferences: ['conferences', 'people'],
  'do-not-call': ['outcomes'],
  'floor-view': ['floor-view', 'acts', 'listening'],
  log: ['log'],
  outcomes: ['author'],
  people: ['people', 'colleagues'],
  replay: ['past-days'],
  results: ['results', 'past-days', 'reviews', 'lists'],
  scripts: ['author', 'script'],
  'set-up': ['set-up', 'many'],
  sheets: ['reviews', 'set-up'],
  tomorrow: ['past-days'],
  voicemail: ['voicemail'],
}
/** They go to every page. */
const EVERYWHERE = ['accessibility', 'bad-input', 'looks', 'narrow', 'walk']
const WITHOUT_PAGES = /^(docs|bench|issues)\/|\.md$|\.test\.ts$/

/** Paths of the specs; none when no page can have changed. */
export function specsTouchedBy(commit) {
  const all = readdirSync('e2e').filter((file) => file.endsWith('.spec.ts'))
  const git = (...args) => spawnSync('git', args, { encoding: 'utf8' }).stdout.split('\n').filter(Boolean)
  const files = [...git('diff', '--name-only', commit), ...git('ls-files', '--others', '--exclude-standard')]
  return touched(files, all)
}

export function touched(files, all) {
  const specs = new Set()
  for (const file of files) {
    if (WITHOUT_PAGES.test(file)) continue
    const own = /^e2e\/(.+\.spec\.ts)$/.exec(file)?.[1]
    const screen = /^src\/screens\/([^/]+)\//.exec(file)?.[1]
    const ofScreen = OF_SCREEN[screen]
    if (own === undefined && ofScreen === undefined) return all.map((spec) => `e2e/${spec}`)
    const its = own !== undefined ? [own] : [...ofScreen, ...EVERYWHERE].map((name) => `${name}.spec.ts`)
    for (const spec of its) if (all.includes(spec)) specs.add(`e2e/${spec}`)
  }
  return [...specs].sort()
}
