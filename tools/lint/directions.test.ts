import { spawnSync } from 'node:child_process'
import { cpSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { dirname, join, resolve } from 'node:path'
import { afterAll, describe, expect, test } from 'vitest'

/** A tree of offenders under the product's own rules, linted in one go. */
const tree = mkdtempSync(join(tmpdir(), 'directions-'))
afterAll(() => rmSync(tree, { recursive: true }))

function lint(files: readonly { readonly path: string; readonly source: string }[]): ReadonlySet<string> {
  const config = JSON.parse(readFileSync('biome.json', 'utf8'))
  writeFileSync(join(tree, 'biome.json'), JSON.stringify({ ...config, vcs: { enabled: false } }))
  cpSync('tools/lint', join(tree, 'tools/lint'), { recursive: true })
  for (const { path, source } of files) {
    mkdirSync(dirname(join(tree, path)), { recursive: true })
    writeFileSync(join(tree, path), source)
  }
  const { stdout } = spawnSync(resolve('node_modules/.bin/biome'), ['lint', '--reporter=github', '--max-diagnostics=none', 'src'], {
    cwd: tree,
    encoding: 'utf8',
  })
  const caught = /title=(?:lint\/style\/noRestricted(?:Imports|Globals)|lint\/suspicious\/noImportCycles|plugin),.*?file=.*?(src\/[^,]+)/g
  return new Set([...stdout.matchAll(caught)].map((match) => match[1] as string))
}

const OFFENDERS = [
  { says: 'core imports no screen', path: 'src/core/calls/x.ts', source: "import { Desk } from '@/screens/desk'\nexport const a = Desk\n" },
  { says: 'core imports no world', path: 'src/core/floor/x.ts', source: "import { simulateDay } from '@/world'\nexport const a = simulateDay\n" },
  { says: 'a room does not import the floor', path: 'src/core/calls/x.ts', source: "import { decide } from '@/core/floor'\nexport const a = decide\n" },
  { says: 'the state knows no rules', path: 'src/core/state/x.ts', source: "import { refuse } from '@/core/rules/rule'\nexport const a = refuse\n" },
  { says: 'a rule does not import the floor', path: 'src/core/rules/talk/x.ts', source: "import { decide } from '@/core/floor'\nexport const a = decide\n" },
  {
    says: 'a room of rules is entered through its index',
    path: 'src/core/floor/x.ts',
    source: "import { a } from '@/core/rules/talk/lines'\nexport const b = a\n",
  },
  { says: 'a type is no way round a circle', path: 'src/core/calls/round.ts', source: "import type { B } from './circle'\nexport type A = B | 1\n" },
  { says: 'a public face holds no implementation', path: 'src/core/calls/index.ts', source: 'export const a = 1\n' },
  { says: 'core imports no React', path: 'src/core/calls/x.ts', source: "import { useState } from 'react'\nexport const a = useState\n" },
  { says: 'core reads no clock', path: 'src/core/calls/x.ts', source: 'export const a = () => Date.now()\n' },
  { says: 'core rolls no dice', path: 'src/core/queues/x.ts', source: 'export const a = () => Math.random()\n' },
  { says: 'core has no timer', path: 'src/core/queues/x.ts', source: 'export const a = () => setTimeout(() => {}, 1)\n' },
  { says: 'the world reads no clock', path: 'src/world/x.ts', source: 'export const a = () => new Date()\n' },
  { says: 'the world imports no exchange', path: 'src/world/x.ts', source: "import { a } from '@/services/exchange/client'\nexport const b = a\n" },
  { says: 'sound imports no screen', path: 'src/parts/sound/x.ts', source: "import { Desk } from '@/screens/desk'\nexport const a = Desk\n" },
  { says: 'the world knows no scenario', path: 'src/world/x.ts', source: "import { FENNHOLM } from '@/world/scenario'\nexport const a = FENNHOLM\n" },
  {
    says: 'the floor is told whose centre it is',
    path: 'src/services/exchange/x.ts',
    source: "import { FENNHOLM } from '@/world/scenario'\nexport const a = FENNHOLM\n",
  },
  { says: 'so is the history', path: 'src/services/history/x.ts', source: "import { FENNHOLM } from '@/world/scenario'\nexport const a = FENNHOLM\n" },
  {
    says: 'a backup knows stores, and nothing of what is in them',
    path: 'src/services/backup/x.ts',
    source: "import { a } from '@/core/calls'\nexport const b = a\n",
  },
  {
    says: 'ports know nobody who speaks over them',
    path: 'src/services/ports/x.ts',
    source: "import { a } from '@/services/exchange/client'\nexport const b = a\n",
  },
  { says: 'and so are the lists', path: 'src/services/lists/x.ts', source: "import { FENNHOLM } from '@/world/scenario'\nexport const a = FENNHOLM\n" },
  {
    says: 'screens do not reach into the lists',
    path: 'src/screens/campaigns/x.ts',
    source: "import { a } from '@/services/lists/chunks'\nexport const b = a\n",
  },
  {
    says: 'screens do not reach into the world',
    path: 'src/screens/desk/x.ts',
    source: "import { simulateDay } from '@/world'\nexport const a = simulateDay\n",
  },
  {
    says: 'screens do not reach into the history',
    path: 'src/screens/results/x.ts',
    source: "import { a } from '@/services/history/history'\nexport const b = a\n",
  },
  {
    says: 'the history does not reach into the exchange',
    path: 'src/services/history/x.ts',
    source: "import { a } from '@/services/exchange/store'\nexport const b = a\n",
  },
  { says: 'a part knows no screen', path: 'src/parts/frame/x.ts', source: "import { Desk } from '@/screens/desk'\nexport const a = Desk\n" },
  { says: 'storage knows nobody', path: 'src/services/storage/x.ts', source: "import { a } from '@/core/calls'\nexport const b = a\n" },
  { says: 'a room is entered through its index', path: 'src/screens/desk/x.ts', source: "import { hold } from '@/core/calls/decide'\nexport const a = hold\n" },
].map((offender, i) => ({ ...offender, path: offender.path.replace('/x.ts', `/offender-${i}.ts`) }))
/** Closes the circle. */
const CIRCLE = { path: 'src/core/calls/circle.ts', source: "import type { A } from './round'\nexport type B = A | 2\n" }
const HONEST = { path: 'src/screens/desk/honest.ts', source: "import { callerLabel } from '@/core/calls'\n\nexport const a = callerLabel\n" }

describe('arrows point one way, and the core is pure', () => {
  const caught = lint([...OFFENDERS, CIRCLE, HONEST])
  test.each(OFFENDERS)('$says', ({ path }) => expect(caught).toContain(path))
  test('what is allowed passes', () => expect(caught).not.toContain(HONEST.path))
})
