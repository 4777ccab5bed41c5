// Reading a script: the page in front of the agent and its words with the values filled in.
import type { Page, Script } from './document'

export function pageOf(script: Script, pageId: string): Page {
  const page = script.pages.find((p) => p.id === pageId)
  if (page === undefined) throw new Error(`script ${script.id} has no page "${pageId}"`)
  return page
}

/** Values a page may merge: dotted names to text. */
export type MergeValues = Readonly<Record<string, string | null>>

/** The words with `{name|fallback}` filled in; a field without value and fallback reads as an ellipsis. */
export const mergeFields = (text: string, fields: MergeValues): string =>
  text.replace(/\{([\w.]+)(?:\|([^}]*))?\}/g, (_all, name: string, fallback: string | undefined) => fields[name] ?? fallback ?? '…')
