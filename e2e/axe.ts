// axe-core in a page: it comes once into each page, not once into each look.
import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import type { Page } from './warm'

const AXE = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8')

/** What it finds wrong, by rule, each with the beginning of the elements. */
export async function violations(page: Page, options: object = {}): Promise<readonly { readonly id: string; readonly nodes: readonly string[] }[]> {
  if (!(await page.evaluate(() => 'axe' in globalThis))) await page.evaluate(AXE)
  return page.evaluate(async (asked) => {
    const { axe } = globalThis as unknown as { axe: { run(options: object): Promise<{ violations: { id: string; nodes: { html: string }[] }[] }> } }
    const found = await axe.run({ resultTypes: ['violations'], ...asked })
    return found.violations.map(({ id, nodes }) => ({ id, nodes: nodes.map((n) => n.html.slice(0, 160)) }))
  }, options)
}
