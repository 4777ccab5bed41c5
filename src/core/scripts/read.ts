// Reading a script: the page in front of the agent and its words with the values filled in.
import { holds, type Known } from './condition'
import type { Page, Say, Script } from './document'
import type { Question } from './question'

/** Pages by their id, made once for each document: a run asks at every step. */
const pagesOf = new WeakMap<Script, ReadonlyMap<string, Page>>()

export function pageOf(script: Script, pageId: string): Page {
  const pages = pagesOf.get(script) ?? new Map(script.pages.map((p) => [p.id, p]))
  pagesOf.set(script, pages)
  const page = pages.get(pageId)
  if (page === undefined) throw new Error(`script ${script.id} has no page "${pageId}"`)
  return page
}

export const questionOf = (script: Script, field: string): Question | undefined => script.pages.flatMap((p) => p.questions).find((q) => q.field === field)

/** Values a page may merge: dotted names to text. */
export type MergeValues = Readonly<Record<string, string | null>>

const MERGE = /\{([\w.]+)(?:\|([^}]*))?\}/g

/** The words with `{name|fallback}` filled in; a field without value and fallback reads as an ellipsis. */
export const mergeFields = (text: string, fields: MergeValues): string =>
  text.replace(MERGE, (_all, name: string, fallback: string | undefined) => fields[name] ?? fallback ?? '…')

/** The dotted names a text merges. */
export const mergedNames = (text: string): readonly string[] => [...text.matchAll(MERGE)].map((m) => m[1] as string)

export const textOf = (say: Say): string => (typeof say === 'string' ? say : say.text)

/** The paragraphs of a page that are said, given what is known. */
export const saidOn = ({ say }: Page, known: Known): readonly string[] => say.filter((s) => typeof s === 'string' || holds(s.when, known)).map(textOf)

export interface Span {
  readonly text: string
  readonly is: 'plain' | 'stressed' | 'pause'
}

/** `*stressed*` and `[pause]` taken apart, for the pane that shows them. What is no mark stays as it is written. */
export const spansOf = (text: string): readonly Span[] =>
  text.split(/(\*[^*\s][^*]*\*|\[pause\])/).flatMap((part): Span[] => {
    if (part === '') return []
    if (part === '[pause]') return [{ text: '', is: 'pause' }]
    return part.length > 2 && part.startsWith('*') && part.endsWith('*') ? [{ text: part.slice(1, -1), is: 'stressed' }] : [{ text: part, is: 'plain' }]
  })

/** Read aloud at a measured pace, 150 words a minute, a pause being a second. */
const WORDS_PER_MS = 150 / 60_000
export function readingTimeMs(texts: readonly string[]): number {
  const pauses = texts.reduce((sum, t) => sum + t.split('[pause]').length - 1, 0)
  const words = texts
    .join(' ')
    .replaceAll('[pause]', ' ')
    .split(/\s+/)
    .filter((w) => w !== '').length
  return Math.round(words / WORDS_PER_MS) + pauses * 1_000
}
