// What needs a person, the most pressing first.
import type { Need } from '@/core/attention'
import type { NeedWords } from './words'

interface Props {
  readonly needs: readonly Need[]
  readonly wordsOf: (need: Need) => NeedWords
}

/** More than these are counted, not listed: whoever reads twelve lines acts on none. */
const SHOWN = 5

export function Needs({ needs, wordsOf }: Props) {
  return (
    <section aria-label="What needs you" className="mt-3">
      {needs.length === 0 ? (
        <p className="border-green border-l-4 py-1 pl-3">Nothing needs you now. What waits too long, or lasts longer than it is meant to, is said here.</p>
      ) : (
        <ul className="space-y-1">
          {needs.slice(0, SHOWN).map((need) => {
            const { about, says } = wordsOf(need)
            return (
              <li key={`${need.kind} ${about}`} className={`border-l-4 py-1 pl-3 ${'queueId' in need ? 'border-red bg-paper' : 'border-brass'}`}>
                <strong>{about}:</strong> <span className="tabular-nums">{says}</span>
              </li>
            )
          })}
        </ul>
      )}
      {needs.length > SHOWN && <p className="mt-1 pl-4 text-soft">and {needs.length - SHOWN} more, marked in the tables</p>}
    </section>
  )
}
