'use client'
// The list: only rows in view are drawn. One Tab stop; arrows move, Space chooses, Enter calls.
import { useVirtualizer } from '@tanstack/react-virtual'
import clsx from 'clsx'
import { type KeyboardEvent, useEffect, useId, useRef } from 'react'
import type { PersonView } from '@/exchange/people'
import { numberWords } from '@/words'
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

const ROW_PX = 36

export function PeopleList({ people, frontId, onFront, chosenIds, onChosen, empty }: Props) {
  const scroller = useRef<HTMLDivElement>(null)
  const id = useId()
  const { call } = useCall()
  const virtual = useVirtualizer({ count: people.length, getScrollElement: () => scroller.current, estimateSize: () => ROW_PX, overscan: 12 })
  const at = people.findIndex((p) => p.id === frontId)
  const [first] = people
  // biome-ignore lint/correctness/useExhaustiveDependencies: another one in front is brought into view; a list that changes stays where it is
  useEffect(() => {
    if (at >= 0) virtual.scrollToIndex(at)
  }, [frontId])
  const toggle = (person: PersonView) => {
    const next = new Set(chosenIds)
    if (!next.delete(person.id)) next.add(person.id)
    onChosen(next)
  }
  const go = (to: number) => {
    const person = people[Math.max(0, Math.min(people.length - 1, to))]
    if (person !== undefined) onFront(person.id)
  }
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.altKey || event.ctrlKey || event.metaKey) return
    const page = Math.max(1, Math.floor((scroller.current?.clientHeight ?? ROW_PX) / ROW_PX) - 1)
    const moves: Readonly<Record<string, number>> = {
      ArrowDown: at + 1,
      ArrowUp: at - 1,
      Home: 0,
      End: people.length - 1,
      PageDown: at + page,
      PageUp: at - page,
    }
    const to = moves[event.key]
    const person = people[at]
    if (to !== undefined) go(to)
    else if (event.key === ' ' && person !== undefined) toggle(person)
    else if (event.key === 'Enter' && person !== undefined) void call(person)
    else return
    event.preventDefault()
  }
  if (people.length === 0) return <p className="mt-6 flex-1 font-serif text-[17px] text-soft leading-7">{empty}</p>
  return (
    <div
      ref={scroller}
      role="listbox"
      aria-label="People"
      aria-multiselectable
      aria-activedescendant={at < 0 ? undefined : `${id}-${people[at]?.id}`}
      tabIndex={0}
      onKeyDown={onKeyDown}
      onFocus={() => at < 0 && first !== undefined && onFront(first.id)}
      className="min-h-40 flex-1 overflow-auto border-line-strong border-t -outline-offset-2"
    >
      <div style={{ height: virtual.getTotalSize() }} className="relative">
        {virtual.getVirtualItems().map(({ index, start }) => {
          const person = people[index]
          if (person === undefined) return null
          const chosen = chosenIds.has(person.id)
          const number = usualOf(person)
          return (
            <div
              key={person.id}
              id={`${id}-${person.id}`}
              role="option"
              aria-selected={chosen}
              aria-setsize={people.length}
              aria-posinset={index + 1}
              tabIndex={-1}
              onPointerDown={() => onFront(person.id)}
              style={{ height: ROW_PX, transform: `translateY(${start}px)` }}
              className={clsx(
                'absolute inset-x-0 grid cursor-pointer grid-cols-[28px_minmax(0,1.3fr)_minmax(0,1fr)_minmax(0,1fr)] items-center gap-3 border-line border-b border-l-4 pr-2',
                person.id === frontId ? 'border-l-ink bg-green-wash' : 'border-l-transparent',
              )}
            >
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
            </div>
          )
        })}
      </div>
    </div>
  )
}

const aboutOf = ({ company, group, isColleague, ownerId }: PersonView): string =>
  [isColleague ? 'Colleague' : ownerId === null ? null : 'Your own', group, company].filter((t) => t !== null && t !== '').join(' · ')
