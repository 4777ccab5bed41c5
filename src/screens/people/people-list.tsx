'use client'
// The list of people. Space chooses, Enter calls.
import clsx from 'clsx'
import { RowList } from '@/parts/ui'
import { numberWords } from '@/parts/words'
import type { PersonView } from '@/services/exchange/people'
import { usualOf } from './person'
import { PresenceOf } from './presence-of'
import { useCall } from './use-call'

interface Props {
  readonly people: readonly PersonView[]
  readonly frontId: string | null
  readonly onFront: (id: string) => void
  readonly chosenIds: ReadonlySet<string>
  readonly onChosen: (ids: ReadonlySet<string>) => void
  readonly empty: string
}

export function PeopleList({ people, frontId, onFront, chosenIds, onChosen, empty }: Props) {
  const { call } = useCall()
  const toggle = (person: PersonView) => {
    const next = new Set(chosenIds)
    if (!next.delete(person.id)) next.add(person.id)
    onChosen(next)
  }
  return (
    <RowList
      label="People"
      rows={people}
      keyOf={(p) => p.id}
      nameOf={(p) => p.name}
      frontKey={frontId}
      onFront={onFront}
      onEnter={(person) => void call(person)}
      onSpace={toggle}
      isChosen={(p) => chosenIds.has(p.id)}
      columns="grid-cols-[1.75rem_minmax(0,1.3fr)_minmax(0,1fr)_minmax(0,1fr)]"
      empty={empty}
    >
      {(person) => {
        const chosen = chosenIds.has(person.id)
        const number = usualOf(person)
        return (
          <>
            <span
              aria-hidden
              title="Choose several (Space)"
              onPointerDown={(event) => {
                event.stopPropagation()
                toggle(person)
              }}
              className="flex h-full items-center justify-center"
            >
              <span className={clsx('size-4 rounded-sm border', chosen ? 'border-green bg-green' : 'border-line-strong bg-raised')} />
            </span>
            <span className="min-w-0 truncate" title={person.name}>
              <span className="font-semibold">{person.name}</span>
              {person.isFavourite && <span className="ml-2 text-brass-text">favourite</span>}
            </span>
            <span className="min-w-0 truncate">
              {person.isColleague ? (
                <PresenceOf id={person.id} />
              ) : number === null ? (
                <span className="text-soft">no number</span>
              ) : (
                <span className="tabular">{numberWords(number)}</span>
              )}
            </span>
            <span className="min-w-0 truncate text-soft" title={aboutOf(person)}>
              {aboutOf(person)}
            </span>
          </>
        )
      }}
    </RowList>
  )
}

const aboutOf = ({ company, group, isColleague, ownerId }: PersonView): string =>
  [isColleague ? 'Colleague' : ownerId === null ? null : 'Your own', group, company].filter((t) => t !== null && t !== '').join(' · ')
