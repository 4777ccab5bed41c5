// Whatever exists by its name: places, people, queues, accounts and their settings, each with the address it is found at.
import { folded } from '@/core/people'
import type { AccountView, CentreView, SeatView } from '@/services/exchange/protocol'
import { mayEnter, PLACES, type Place } from './rights'

export interface Found {
  readonly key: string
  readonly name: string
  /** What it is, in a word or two. */
  readonly kind: string
  readonly href: string
}

interface Known {
  readonly account: AccountView
  readonly centre: Pick<CentreView, 'queues' | 'campaigns' | 'people' | 'scripts'>
  readonly seats: readonly Pick<SeatView, 'id' | 'name' | 'state'>[]
}

const UNDER: readonly (readonly [place: Place, href: string, label: string])[] = [
  ['people', '/log', 'Log of calls'],
  ['people', '/voicemail', 'Voicemail'],
  ['people', '/conferences', 'Conferences'],
  ['callbacks', '/do-not-call', 'Do-not-call list'],
  ['floor', '/floor/tomorrow', 'Tomorrow'],
  ['floor', '/floor/what-if', 'What if'],
  ['floor', '/floor/replay', 'Replay'],
  ['results', '/results/campaigns', 'Results of campaigns'],
  ['results', '/results/sessions', 'Sessions'],
  ['results', '/results/breakdown', 'Breakdown'],
  ['results', '/results/reviews', 'Reviews'],
  ['set-up', '/outcomes', 'Outcomes'],
  ['set-up', '/sheets', 'Review sheets'],
  ['set-up', '/scripts', 'Scripts'],
]

/** Fields of a queue's form, by the name of the field. */
const OF_A_QUEUE: readonly (readonly [field: string, label: string])[] = [
  ['answerWithinS', 'Answer within'],
  ['headStartS', 'Priority'],
  ['wrapUpS', 'Wrap-up'],
  ['overWrapUpS', 'Wrap-up over-time'],
  ['wrapUpLimitS', 'Wrap-up limit'],
  ['number', 'Number'],
  ['chatWithinS', 'Chats'],
  ['mailWithinMin', 'Mails'],
  ['textWithinMin', 'Texts'],
  ['warnsWaiting', 'Warnings'],
  ['announcement', 'Announcement'],
  ['closedMessage', 'Announcement when closed'],
  ['fullLimit', 'Full at'],
  ['stormAnnouncement', 'Storm announcement'],
]

/** Fields of the centre's lists and times. */
const OF_THE_CENTRE: readonly (readonly [field: string, label: string])[] = [
  ['ringLimitS', 'Rings for'],
  ['holdLimitS', 'Held too long after'],
  ['parkLimitS', 'Parked for'],
  ['takeBackS', 'Undo for'],
  ['mostOwed', 'Outcomes that may be owed'],
  ['callbackMissedMin', 'Callback is missed after'],
  ['lockAfterMin', 'A page is locked after'],
  ['timeZone', 'Time zone'],
  ['reasons.0.name', 'Reasons for not ready'],
  ['skills.0.name', 'Skills'],
  ['carries.0.chat', 'What an agent may carry at once'],
  ['listeningIsShown', 'Agents see who listens in'],
]

function everything({ account, centre, seats }: Known): readonly Found[] {
  const may = (place: Place) => mayEnter(account, place)
  const places: Found[] = [
    ...PLACES.filter(({ id }) => may(id)).map(({ href, label }) => ({ key: href, name: label, kind: 'Place', href })),
    ...UNDER.filter(([place]) => may(place)).map(([, href, label]) => ({ key: href, name: label, kind: 'Place', href })),
  ]
  const floor = !may('floor')
    ? []
    : seats
        .filter((s) => s.state !== 'signedOut')
        .map(({ id, name }) => ({ key: `floor ${id}`, name, kind: 'on the Floor', href: `/floor?find=${encodeURIComponent(name)}` }))
  const campaigns = !may('campaigns') ? [] : centre.campaigns.map(({ id, name }) => ({ key: id, name, kind: 'Campaign', href: `/campaigns/${id}` }))
  const people = centre.people.map((p) => ({ key: `person ${p.name}`, name: p.name, kind: 'Person', href: `/people?find=${encodeURIComponent(p.name)}` }))
  if (!may('set-up')) return [...places, ...floor, ...campaigns, ...people]
  const edit = (what: string, field?: string) => `/set-up?edit=${encodeURIComponent(what)}${field === undefined ? '' : `&field=${encodeURIComponent(field)}`}`
  const scripts = [...new Map(centre.scripts.map((s) => [s.id, s])).values()]
  return [
    ...places,
    ...floor,
    ...campaigns,
    ...people,
    ...centre.queues.map(({ id, name }) => ({ key: `edit ${id}`, name, kind: 'Queue', href: edit(id) })),
    ...seats.map(({ id, name }) => ({ key: `edit ${id}`, name, kind: 'Account', href: edit(id) })),
    ...scripts.map(({ id, name }) => ({ key: id, name, kind: 'Script', href: `/scripts/${id}` })),
    ...OF_THE_CENTRE.map(([field, label]) => ({ key: `setting ${field}`, name: label, kind: 'Setting', href: edit('lists', field) })),
    ...centre.queues.flatMap(({ id, name }) =>
      OF_A_QUEUE.map(([field, label]) => ({ key: `${id} ${field}`, name: `${name}: ${label}`, kind: 'Setting', href: edit(id, field) })),
    ),
  ]
}

/** What has every word that is typed in its name or kind: names that begin with the first of them before others, what is short before what is long. */
export function findable(typed: string, known: Known): readonly Found[] {
  const words = folded(typed).split(/\s+/).filter(Boolean)
  const [first] = words
  if (first === undefined) return []
  return everything(known)
    .flatMap((found) => {
      const name = folded(found.name)
      const text = `${name} ${folded(found.kind)}`
      return words.every((w) => text.includes(w)) ? [{ found, begins: name.startsWith(first) ? 0 : 1 }] : []
    })
    .toSorted((a, b) => a.begins - b.begins || a.found.name.length - b.found.name.length || a.found.name.localeCompare(b.found.name))
    .map(({ found }) => found)
}
