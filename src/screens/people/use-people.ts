'use client'
// Asks the floor's worker about people, anew whenever the book changes, and changes it.
import { useCallback } from 'react'
import type { Change } from '@/core/people'
import type { CheckedContact, PeopleAsked, PeoplePage, PersonView } from '@/services/exchange/people'
import { useAnswer, useFloor, useSeen } from '@/services/exchange/react'

/** A page of those who are asked for; the former one stands until it is there. */
export const usePeople = (asked: PeopleAsked): PeoplePage | null =>
  useAnswer<PeoplePage>(
    { kind: 'people', asked },
    useSeen((view) => view.people.revision),
  )

export type Changing = { readonly ok: true; readonly undo: Change; readonly kept: boolean } | { readonly ok: false; readonly says: string }

export function useBook() {
  const floor = useFloor()
  const ask = useCallback(
    async <T>(request: Parameters<NonNullable<typeof floor>['ask']>[0]): Promise<{ ok: true; value: T; kept: boolean } | { ok: false; says: string }> => {
      const reply = await floor?.ask(request)
      if (reply === undefined) return { ok: false, says: 'The floor is still opening. Try again in a moment.' }
      if (!reply.ok) return { ok: false, says: `${reply.refusal.says} ${reply.refusal.next}` }
      return { ok: true, value: JSON.parse(reply.text ?? 'null') as T, kept: reply.kept }
    },
    [floor],
  )
  const change = useCallback(
    async ({ puts, removes }: Change): Promise<Changing> => {
      const reply = await ask<Change>({ kind: 'changePeople', puts: [...puts], removes: [...removes] })
      return reply.ok ? { ok: true, undo: reply.value, kept: reply.kept } : reply
    },
    [ask],
  )
  return {
    change,
    check: (contacts: readonly CheckedContact['contact'][]) => ask<readonly CheckedContact[]>({ kind: 'checkPeople', contacts: [...contacts] }),
    all: (asked: Omit<PeopleAsked, 'from' | 'atMost'>) => ask<PeoplePage>({ kind: 'people', asked: { ...asked, from: 0, atMost: 20_000 } }),
    setFavourite: (id: PersonView['id'], on: boolean) => ask<null>({ kind: 'setFavourite', id, on }),
    setUsualNumber: (id: PersonView['id'], number: string | null) => ask<null>({ kind: 'setUsualNumber', id, number }),
  }
}

export type Book = ReturnType<typeof useBook>
