// Tests of one worker share a browser profile, emptied after each: the program's code is compiled once and not for every test,
// which is a third of the time they all take. What a test changes in the browser itself (fake microphones, another clock, no
// content policy) it changes in a context of its own: `fresh`.
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { type BrowserContext, test as base, chromium, expect } from '@playwright/test'
import { LAUNCH, SETTINGS } from './settings'

export { type BrowserContext, expect, type Locator, type Page, test as fresh } from '@playwright/test'

export const test = base.extend<object, { profile: BrowserContext }>({
  profile: [
    // biome-ignore lint/correctness/noEmptyPattern: Playwright reads the fixtures a fixture needs from this pattern.
    async ({}, use) => {
      const folder = mkdtempSync(join(tmpdir(), 'loyal-switchboard-'))
      const profile = inWindows(await chromium.launchPersistentContext(folder, { ...LAUNCH, ...SETTINGS }))
      await use(profile)
      await profile.close()
      rmSync(folder, { recursive: true, force: true })
    },
    { scope: 'worker' },
  ],
  context: async ({ profile, baseURL }, use) => {
    await use(profile)
    await empty(profile, baseURL ?? '')
  },
})

/** A tab behind another one draws once a second, and every press in it waits for that: each has a window of its own, as people have. */
function inWindows(profile: BrowserContext): BrowserContext {
  profile.newPage = async () => {
    const [before] = profile.pages()
    if (before === undefined) throw new Error('the browser has no window left')
    const session = await profile.newCDPSession(before)
    const opening = profile.waitForEvent('page')
    await session.send('Target.createTarget', { url: 'about:blank', newWindow: true })
    const page = await opening
    await session.detach()
    return page
  }
  return profile
}

/** The floor's worker ends with its last tab; what it stored is cleared once it can no longer write. */
async function empty(profile: BrowserContext, origin: string): Promise<void> {
  const blank = await profile.newPage()
  for (const page of profile.pages()) if (page !== blank) await page.close()
  await profile.unrouteAll()
  await profile.clearPermissions()
  const session = await profile.newCDPSession(blank)
  await expect(async () => {
    const { targetInfos } = await session.send('Target.getTargets')
    expect(targetInfos.filter((t) => t.type === 'shared_worker')).toEqual([])
  }).toPass()
  await session.send('Storage.clearDataForOrigin', { origin, storageTypes: 'all' })
  await session.detach()
}
