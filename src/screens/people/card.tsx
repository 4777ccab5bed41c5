'use client'
// Everything about one person: their numbers with the one that is called, what a colleague does at the moment, what they had to do with us, and what may be
// done about them.
import { format } from 'date-fns'
import type { Change } from '@/core/people'
import { ColleagueActions, ShownNumberMenu } from '@/parts/frame'
import { Button, nameIn } from '@/parts/ui'
import { diversionShort, NumberLinks, numberWords } from '@/parts/words'
import type { PersonView } from '@/services/exchange/people'
import { useSeen } from '@/services/exchange/react'
import { contactOf, KIND_WORDS, usualOf } from './person'
import { PresenceOf } from './presence-of'
import { useCall } from './use-call'
import type { Book } from './use-people'
import { WithUs } from './with-us'

interface Props {
  readonly person: PersonView
  readonly keepsShared: boolean
  readonly book: Book
  readonly onEdit: () => void
  readonly onChange: (change: Change, says: string) => Promise<boolean>
  /** Looks somebody else up. */
  readonly onFind: (name: string) => void
}

export function Card({ person, keepsShared, book, onEdit, onChange, onFind }: Props) {
  const { call, why, trouble } = useCall()
  const contact = contactOf(person)
  const mayKeep = contact !== null && (contact.ownerId !== null || keepsShared)
  const whyNot = contact === null ? 'Colleagues are accounts: they are kept in Set-up.' : mayKeep ? undefined : 'Shared people are kept by supervisors.'
  const usual = usualOf(person)
  const remove = () => contact !== null && void onChange({ puts: [], removes: [contact.id] }, `${person.name} is out of the list.`)
  return (
    <article aria-label={person.name} className="px-5 py-5">
      <h2 className="break-words font-semibold text-xl">{person.name}</h2>
      <p className="text-soft">
        {[person.isColleague ? 'Colleague' : person.ownerId === null ? 'Shared with everybody' : 'Your own', person.group, person.company]
          .filter((t) => t !== '')
          .join(' · ')}
      </p>
      {person.isColleague && <ColleaguePart id={person.id} onFind={onFind} />}
      {!person.isColleague && (
        <fieldset className="mt-4">
          <legend className="eyebrow">Numbers</legend>
          {person.numbers.length === 0 && <p className="text-soft">No number is known.</p>}
          <ul className="divide-y divide-line">
            {person.numbers.map(({ kind, number }) => (
              <li key={number} className="flex flex-wrap items-center gap-x-3 gap-y-1 py-1.5">
                <span className="w-14 text-soft">{KIND_WORDS[kind]}</span>
                <span className="tabular min-w-0 flex-1 break-all">{numberWords(number)}</span>
                {person.numbers.length > 1 && (
                  <label className="flex items-center gap-1 text-soft">
                    <input
                      type="radio"
                      name={`usual ${person.id}`}
                      aria-label={`Call ${KIND_WORDS[kind].toLowerCase()} first`}
                      checked={usual === number}
                      onChange={() => void book.setUsualNumber(person.id, number)}
                    />
                    call first
                  </label>
                )}
                <Button
                  className="!h-7"
                  tone={usual === number ? 'primary' : 'plain'}
                  aria-label={`Call ${numberWords(number)}`}
                  aria-disabled={why !== null || undefined}
                  title={why ?? undefined}
                  onClick={() => void call(person, number)}
                >
                  Call
                </Button>
              </li>
            ))}
          </ul>
          {person.numbers.length > 0 && (
            <p className="mt-1 text-soft">
              Calls are made <ShownNumberMenu />
            </p>
          )}
        </fieldset>
      )}
      {trouble !== null && (
        <p role="alert" className="mt-1 border-red border-l-4 pl-2 text-red">
          {trouble}
        </p>
      )}
      {person.email !== '' && (
        <p className="mt-3">
          <span className="eyebrow block">E-mail</span>
          <a className="break-all underline" href={`mailto:${person.email}`}>
            {person.email}
          </a>
        </p>
      )}
      {person.note !== '' && (
        <p className="mt-3 whitespace-pre-wrap break-words">
          <span className="eyebrow block">Note</span>
          <NumberLinks text={person.note} />
        </p>
      )}
      <div className="mt-4 flex flex-wrap gap-2">
        <Button aria-pressed={person.isFavourite} onClick={() => void book.setFavourite(person.id, !person.isFavourite)}>
          {person.isFavourite ? 'Favourite: take off' : 'Make a favourite'}
        </Button>
        <Button aria-disabled={!mayKeep || undefined} title={whyNot} onClick={() => mayKeep && onEdit()}>
          Edit
        </Button>
        <Button tone="loss" aria-disabled={!mayKeep || undefined} title={whyNot} onClick={() => mayKeep && remove()}>
          Delete
        </Button>
      </div>
      <WithUs person={person} />
    </article>
  )
}

/** What a colleague does, and who covers for them. */
function ColleaguePart({ id, onFind }: { id: string; onFind: (name: string) => void }) {
  const seat = useSeen((view) => view.seats.find((s) => s.id === id)) ?? undefined
  const seats = useSeen((view) => view.seats) ?? []
  const me = useSeen((view) => view.me)
  if (seat === undefined) return null
  const cover = seat.note?.coverId == null ? null : nameIn(seats, seat.note.coverId)
  return (
    <section aria-label="Now" className="mt-4">
      <h3 className="eyebrow">Now</h3>
      <p className="mt-1">
        <PresenceOf id={id} />
      </p>
      {seat.extension !== '' && (
        <p className="text-soft">
          Extension <span className="tabular">{seat.extension}</span>
        </p>
      )}
      {(seat.doNotDisturb || seat.diversion !== null) && (
        <p className="text-soft">
          {[seat.doNotDisturb ? 'do not disturb: to voicemail' : null, seat.diversion === null ? null : diversionShort(seat.diversion)]
            .filter((t) => t !== null)
            .join(' · ')}
        </p>
      )}
      {seat.note !== null && (
        <p className="break-words">
          “{seat.note.text}”{seat.note.untilMs !== null && <span className="text-soft"> until {format(seat.note.untilMs, 'HH:mm')}</span>}
        </p>
      )}
      {cover !== null && (
        <p>
          <Button tone="quiet" className="!h-6 !px-0" onClick={() => onFind(cover)}>
            {cover} covers
          </Button>
        </p>
      )}
      <div className="mt-2">{me !== null && me.id !== id && <ColleagueActions me={me} seat={seat} />}</div>
      {me === null && <p className="mt-1 text-soft">Start your shift on the Desk to call from here.</p>}
    </section>
  )
}
