// The product under measurement: where it is served, and a browser to ask it with.
import { type Browser, chromium, type Page } from 'playwright'

const WINDOW = { width: 1280, height: 800 }

/** The address of a server of the production build. Throws when there is none. */
export function servedAt(): string {
  const url = process.env.BASE_URL
  if (url === undefined) throw new Error('BASE_URL is not set: run npm run bench')
  return url
}

export const openBrowser = (): Promise<Browser> =>
  chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'] })

/** A page of a new browser profile in which a script watches from the start. */
export async function openWatched(browser: Browser, script: string): Promise<Page> {
  const page = await (await browser.newContext({ viewport: WINDOW })).newPage()
  await page.addInitScript({ path: `bench/${script}` })
  return page
}
