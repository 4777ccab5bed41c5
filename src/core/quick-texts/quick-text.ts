// Texts that are written once and used many times, with merge fields like those of scripts: found by a few letters, per queue or for all.
import { folded } from '@/core/people'
import { FACTS, mergedNames } from '@/core/scripts'
import type { QuickText } from './schema'

/** What the desk can fill in: who writes, and who is written to. */
const KNOWN = ['agent.name', 'agent.firstName', 'caller.name', 'caller.firstName', 'caller.number'] as const

/** Names in braces that nobody could fill in. */
export const unknownFields = (text: string): readonly string[] => [
  ...new Set(mergedNames(text).filter((name) => !(KNOWN as readonly string[]).includes(name) && !(FACTS as readonly string[]).includes(name))),
]

/** Those of a queue and those for all that fit a few letters: by a name that begins so, by the first letters of its words, by what is in it. */
export function findQuickTexts(texts: readonly QuickText[], letters: string, queueId: string | null): readonly QuickText[] {
  const wanted = folded(letters)
  const rank = ({ name, text }: QuickText): number => {
    const own = folded(name)
    if (wanted === '' || own.startsWith(wanted)) return 0
    const initials = own
      .split(/[^a-z0-9]+/)
      .map((word) => word[0] ?? '')
      .join('')
    if (initials.startsWith(wanted)) return 1
    if (own.includes(wanted)) return 2
    return folded(text).includes(wanted) ? 3 : Infinity
  }
  return texts
    .filter((t) => t.queueId === null || t.queueId === queueId)
    .map((t) => ({ t, at: rank(t) }))
    .filter(({ at }) => at < Infinity)
    .toSorted((a, b) => a.at - b.at || a.t.name.localeCompare(b.t.name))
    .map(({ t }) => t)
}
