// What the floor holds of somebody who is forgotten: what is open about them is gone, and what stays for other reasons names them no more.
import type { Conference } from '@/core/conferences'
import { FORGOTTEN } from '@/core/forgotten'
import { type Place, put, remove, setFact } from './journal'

/** Takes what these ids are about out of every table. What is under way is not forgotten: the rule has refused before. */
export function forgetAbout(place: Place, about: ReadonlySet<string>): void {
  const { state } = place
  for (const [key, { work }] of [...state.lately]) if (about.has(work.id)) remove(place, 'lately', key)
  for (const [key, { threadId }] of [...state.lastWrote]) if (about.has(threadId)) remove(place, 'lastWrote', key)
  if (state.struck.some((s) => about.has(s.callId)))
    setFact(
      place,
      'struck',
      state.struck.filter((s) => !about.has(s.callId)),
    )
  for (const [key, review] of [...state.reviews])
    if (about.has(review.callId))
      put(place, 'reviews', key, {
        ...review,
        remarks: review.remarks.map((r) => ({ ...r, text: FORGOTTEN })),
        note: review.note && FORGOTTEN,
        answer: review.answer && { ...review.answer, text: review.answer.text && FORGOTTEN },
      })
  for (const [key, conference] of [...state.conferences]) if (about.has(key)) put(place, 'conferences', key, withNobody(conference))
}

const withNobody = (conference: Conference): Conference => ({
  ...conference,
  plan: {
    ...conference.plan,
    invited: conference.plan.invited.map((one) => (one.kind !== 'outside' ? one : { ...one, name: FORGOTTEN, number: one.number && FORGOTTEN, email: '' })),
  },
  attended: conference.attended.map((a) => ({ ...a, name: a.name && FORGOTTEN, number: a.number && FORGOTTEN })),
})
