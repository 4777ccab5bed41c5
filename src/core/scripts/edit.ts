// Changes of a script document, each giving a new one. What does not fit afterwards is said by the checker, not refused here: an author
// must be able to leave something half done.
import type { Page, Script } from './document'
import type { Question } from './question'

export const withPage = (script: Script, page: Page): Script => ({ ...script, pages: script.pages.map((p) => (p.id === page.id ? page : p)) })

/** A new page after another one, which leads to it where it led nowhere before. */
export function addPage(script: Script, afterId: string): { readonly script: Script; readonly pageId: string } {
  const pageId = freePageId(script, 'page')
  const added: Page = { id: pageId, title: 'New page', say: [], direction: null, questions: [], ways: [], suggests: [], sensitive: false, readingMs: null }
  const at = script.pages.findIndex((p) => p.id === afterId)
  const pages = script.pages.map((p) => (p.id === afterId && p.ways.length === 0 ? { ...p, ways: [{ when: null, to: pageId }] } : p))
  return { pageId, script: { ...script, pages: pages.toSpliced(at + 1, 0, added) } }
}

/** The page and every way that led to it. The last page stays; with the start page gone the script starts at the first one left. */
export function removePage(script: Script, pageId: string): Script {
  if (script.pages.length === 1) return script
  const pages = script.pages.filter((p) => p.id !== pageId).map((p) => ({ ...p, ways: p.ways.filter((w) => w.to !== pageId) }))
  return { ...script, pages, startPage: script.startPage === pageId ? (pages[0] as Page).id : script.startPage }
}

/** The same words under another name, not published yet. */
export const copyScript = (script: Script, id: Script['id'], name: string): Script => ({ ...script, id, name, version: 1 })

/** A field none of the questions has yet. */
export function freeField(questions: readonly Pick<Question, 'field'>[], wanted: string): string {
  const taken = new Set(questions.map((q) => q.field))
  return numbered(wanted, (field) => !taken.has(field))
}

const freePageId = (script: Script, wanted: string): string => numbered(wanted, (id) => !script.pages.some((p) => p.id === id))

function numbered(wanted: string, isFree: (text: string) => boolean): string {
  for (let n = 1; ; n++) {
    const text = n === 1 ? wanted : `${wanted}${n}`
    if (isFree(text)) return text
  }
}
