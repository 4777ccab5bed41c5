// Browser tests need Debian's Chromium. Installs it when it is missing and may be; says so when it may not.
import { execFileSync } from 'node:child_process'
import { existsSync } from 'node:fs'

export const CHROMIUM = '/usr/bin/chromium'

export function ensureChromium() {
  if (existsSync(CHROMIUM)) return
  if (process.getuid?.() !== 0) {
    console.error(`Browser tests need ${CHROMIUM}. Install it first: sudo apt-get install chromium`)
    process.exit(1)
  }
  console.log('Installing Chromium …')
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' }
  execFileSync('apt-get', ['update', '-qq'], { stdio: 'inherit', env })
  execFileSync('apt-get', ['install', '-y', '-qq', '--no-install-recommends', 'chromium'], { stdio: ['ignore', 'ignore', 'inherit'], env })
}
