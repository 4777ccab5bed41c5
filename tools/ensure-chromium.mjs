// Browser tests need Debian's Chromium. Installs it when it is missing and may be; says so when it may not.
import { spawn } from 'node:child_process'
import { existsSync } from 'node:fs'

export const CHROMIUM = '/usr/bin/chromium'
// One command, so that it goes on by itself while this process waits for another.
const INSTALL = 'apt-get update -qq && apt-get install -y -qq --no-install-recommends chromium'

/** Goes on beside whatever else is done; rejected with what to do when there will be no browser. */
export async function ensureChromium() {
  if (existsSync(CHROMIUM)) return
  if (process.getuid?.() !== 0) throw new Error(`Browser tests need ${CHROMIUM}. Install it first: sudo apt-get install chromium`)
  console.log('Installing Chromium …')
  const installing = spawn('sh', ['-c', INSTALL], { stdio: ['ignore', 'ignore', 'inherit'], env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' } })
  await new Promise((resolve, reject) => {
    installing.once('error', reject)
    installing.once('close', (code) => (code === 0 ? resolve() : reject(new Error(`Chromium could not be installed: apt-get ended with ${code}`))))
  })
}
