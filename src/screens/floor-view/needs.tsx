// What needs a person, the most pressing first, each with what can be done about it.

import type { Need } from '@/core/attention'
import { Button } from '@/parts/ui'
import { useMayAct } from './acts'
import type { NeedWords } from './words'

interface Props {
  readonly needs: readonly Need[]
  readonly wordsOf: (need: Need) => NeedWords
  /** Opens what can be done about it. */
  readonly onAct: (need: Need) => void
}

const ACT_WORDS: Readonly<Record<Need['kind'], string>> = {
  asksForHelp: 'Listen',
  deskLost: 'Message…',
  nobodyServes: 'Add agents…',
  waitsTooLong: 'Add agents…',
  tooManyWait: 'Add agents…',
  writtenWaits: 'Add agents…',
  belowAim: 'Add agents…',
  heldTooLong: 'Listen',
  wrapUpTooLong: 'Message…',
  overPlan: 'Message…',
}

/** More than these are counted, not listed: whoever reads twelve lines acts on none. */
const SHOWN = 5

export function Needs({ needs, wordsOf, onAct }: Props) {
  const mayAct = useMayAct()
  return (
    <section aria-label="What needs you" className="mt-3">
      {needs.length === 0 ? (
        <p className="border-green border-l-4 py-1 pl-3">
          Nothing needs you now. Callers waiting too long, and whatever lasts longer than it should, are listed here.
        </p>
      ) : (
        <ul className="space-y-1">
          {needs.slice(0, SHOWN).map((need) => {
            const { about, says } = wordsOf(need)
            return (
              <li
                key={`${need.kind} ${about} ${'channel' in need ? need.channel : ''}`}
                className={`flex items-start gap-3 border-l-4 py-1 pl-3 ${'queueId' in need || need.kind === 'asksForHelp' || need.kind === 'deskLost' ? 'border-red bg-paper' : 'border-brass'}`}
              >
                <span className="min-w-0 flex-1">
                  <strong>{about}:</strong> <span className="tabular-nums">{says}</span>
                </span>
                {mayAct && (
                  <Button className="!h-6 shrink-0" aria-label={`${ACT_WORDS[need.kind]} ${about}`} onClick={() => onAct(need)}>
                    {ACT_WORDS[need.kind]}
                  </Button>
                )}
              </li>
            )
          })}
        </ul>
      )}
      {needs.length > SHOWN && <p className="mt-1 pl-4 text-soft">and {needs.length - SHOWN} more, marked in the tables</p>}
    </section>
  )
}
