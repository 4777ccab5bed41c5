// What is answered to a tab that asks about people.
import { BOOK_WORDS, type BookRefusal, type Viewer } from '@/core/people'
import type { People } from './people'
import type { PeopleMessage } from './protocol'

type Answer =
  | { readonly ok: true; readonly kept: boolean; readonly text: string | null }
  | { readonly ok: false; readonly refusal: { readonly reason: string; readonly says: string; readonly next: string } }

/** Answers are JSON: a page, what undoes a change, people as they would be kept. */
export async function answerPeople(people: People, viewer: Viewer, message: PeopleMessage): Promise<Answer> {
  const done = (answer: unknown, kept = true): Answer => ({ ok: true, kept, text: JSON.stringify(answer) })
  switch (message.kind) {
    case 'people':
      return done(people.find(viewer, message.asked))
    case 'whoseNumbers':
      return done(people.whose(viewer, message.numbers))
    case 'checkPeople':
      return done(people.check(viewer, message.contacts))
    case 'changePeople': {
      const changed = await people.change(viewer, message)
      return changed.ok ? done(changed.undo, changed.kept) : { ok: false, refusal: { reason: changed.refusal.reason, ...wordsOf(changed.refusal) } }
    }
    case 'setFavourite': {
      const { id, on } = message
      return done(null, await people.own(viewer.id, (own) => ({ ...own, favourites: [...own.favourites.filter((f) => f !== id), ...(on ? [id] : [])] })))
    }
    case 'setUsualNumber': {
      const { id, number } = message
      const without = (usual: Readonly<Record<string, string>>) => Object.fromEntries(Object.entries(usual).filter(([key]) => key !== id))
      return done(null, await people.own(viewer.id, (own) => ({ ...own, usual: { ...without(own.usual), ...(number === null ? {} : { [id]: number }) } })))
    }
  }
}

const wordsOf = (refusal: BookRefusal) => (BOOK_WORDS[refusal.reason] as (refusal: BookRefusal) => { readonly says: string; readonly next: string })(refusal)
