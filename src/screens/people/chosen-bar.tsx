'use client'
import { toRefusalText } from '@/core/floor'
// What may be done with several people who were chosen: call them together, make two of them one, take them out.
import { type Change, mergeContacts } from '@/core/people'
import { Button } from '@/parts/ui'
import { lacking } from '@/parts/words'
import type { PersonView } from '@/services/exchange/people'
import { useSeen } from '@/services/exchange/react'
import { contactOf, targetOf } from './person'
import { useCall } from './use-call'

interface Props {
  readonly chosen: readonly PersonView[]
  readonly keepsShared: boolean
  readonly onChange: (change: Change, says: string) => Promise<boolean>
  readonly onClear: () => void
}

const MOST_TOGETHER = 20

export function ChosenBar({ chosen, keepsShared, onChange, onClear }: Props) {
  const { why, give } = useCall()
  const me = useSeen((view) => view.me)
  const centre = useSeen((view) => view.centre)
  const targets = chosen.flatMap((p) => targetOf(p) ?? [])
  const missing = me === null || centre === null ? null : lacking(me, centre, 'conference')
  const whyNotTogether =
    why ??
    (missing !== null
      ? `${toRefusalText(missing).says} ${toRefusalText(missing).next}`
      : targets.length < chosen.length
        ? 'Somebody of them has no number.'
        : targets.length < 2
          ? 'Choose at least two.'
          : targets.length > MOST_TOGETHER
            ? `At most ${MOST_TOGETHER} are called at once.`
            : null)
  const contacts = chosen.flatMap((p) => contactOf(p) ?? [])
  const mayKeep = contacts.every((c) => c.ownerId !== null || keepsShared)
  const whyNotKeep =
    contacts.length < chosen.length ? 'Colleagues are accounts: they are kept in Set-up.' : mayKeep ? null : 'Shared people are kept by supervisors.'
  const whyNotMerge = whyNotKeep ?? (contacts.length === 2 ? null : 'Two are made one: choose exactly two.')
  const merge = async () => {
    const [first, second] = contacts
    if (first === undefined || second === undefined) return
    if (await onChange({ puts: [mergeContacts(first, second)], removes: [second.id] }, `${first.name} and ${second.name} are one now.`)) onClear()
  }
  const remove = async () => {
    const says = contacts.length === 1 ? `${contacts[0]?.name} is out of the list.` : `${contacts.length} people are out of the list.`
    if (await onChange({ puts: [], removes: contacts.map((c) => c.id) }, says)) onClear()
  }
  const together = async () => {
    if (await give({ kind: 'callTogether', targets })) onClear()
  }
  const act = (label: string, whyNot: string | null, does: () => Promise<void>, tone: 'primary' | 'plain' | 'loss' = 'plain') => (
    <Button
      className="!h-7"
      tone={tone}
      aria-disabled={whyNot !== null || undefined}
      title={whyNot ?? undefined}
      onClick={() => whyNot === null && void does()}
    >
      {label}
    </Button>
  )
  return (
    <section aria-label="Chosen people" className="ml-auto flex flex-wrap items-center gap-2 border-ink border-l-4 pl-3">
      <span className="font-semibold">{chosen.length} chosen</span>
      {act('Call together', whyNotTogether, together, 'primary')}
      {act('Make one of two', whyNotMerge, merge)}
      {act('Delete chosen', whyNotKeep, remove, 'loss')}
      <Button className="!h-7" tone="quiet" onClick={onClear}>
        Choose nobody
      </Button>
    </section>
  )
}
