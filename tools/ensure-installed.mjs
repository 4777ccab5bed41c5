// Installs what package-lock.json asks for when it is not there yet, so that both commands of the README work on a
// fresh clone. Uses Node alone: nothing else may be assumed. 'install' and not 'ci': the lock names optional builds for
// other platforms that not every registry mirror carries, and 'ci' refuses the whole lock over them.
import { execFileSync } from 'node:child_process'
import { existsSync, readFileSync, writeFileSync } from 'node:fs'

const MARKER = 'node_modules/.installed-lock'

export function ensureInstalled() {
  const wanted = readFileSync('package-lock.json', 'utf8')
  if (existsSync(MARKER) && readFileSync(MARKER, 'utf8') === wanted) return
  console.log('Installing packages …')
  execFileSync('npm', ['install', '--no-audit', '--no-fund'], { stdio: 'inherit' })
  // As npm leaves it: a lock it completed must not look changed next time.
  writeFileSync(MARKER, readFileSync('package-lock.json'))
}
