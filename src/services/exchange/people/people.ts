// The book of people as tabs see it: everybody an account may see, colleagues beside them, by groups, with what is that account's own.
import { callingCodeOf, readNumber } from '@/core/directory'
import type { AgentId, ContactId } from '@/core/ids'
import { type BookRefusal, type Change, type Contact, type ContactText, createBook, type Entry, folded, type Viewer } from '@/core/people'
import type { Sought } from '@/core/personal'
import type { AgentSetUp } from '@/core/set-up'
import { createPeopleKeeper, NOTHING_OWN, type Own, type PeopleStore } from './kept'
import type { CheckedContact, PeopleAsked, PeoplePage, PersonView } from './protocol'

export interface People {
  revision(): number
  find(viewer: Viewer, asked: PeopleAsked): PeoplePage
  /** Whose numbers these are, as far as the account sees them. */
  whose(viewer: Viewer, numbers: readonly string[]): Readonly<Record<string, PersonView>>
  change(
    viewer: Viewer,
    change: Change,
  ): Promise<{ readonly ok: true; readonly undo: Change; readonly kept: boolean } | { readonly ok: false; readonly refusal: BookRefusal }>
  /** People as they would be kept: numbers read, and whom they may be already. Nothing is changed. */
  check(viewer: Viewer, contacts: readonly ContactText[]): readonly CheckedContact[]
  own(id: AgentId, change: (own: Own) => Own): Promise<boolean>
  /** Names of everybody, whoever keeps them, with one of these numbers, addresses or names. */
  namedBy(sought: Sought): readonly string[]
  /** Takes them out for good, and says how many there were; rejects when storage refuses. */
  forget(sought: Sought): Promise<number>
  /** Writes everything anew: the browser's data was cleared. */
  keepAgain(): void
}

export interface PeopleOptions {
  readonly kept: PeopleStore
  /** Whom the book begins with. */
  readonly initial: readonly Contact[]
  readonly homeCountry: () => string
  readonly accounts: () => readonly AgentSetUp[]
}

export function createPeople({ kept: { store, loaded }, initial, homeCountry, accounts }: PeopleOptions): People {
  const book = createBook(loaded.contacts ?? initial, callingCodeOf(homeCountry()))
  const own = new Map(loaded.own)
  let ownRevision = 0
  const keeper = createPeopleKeeper(store, book.all)
  const kept = (changed: Iterable<ContactId>): Promise<boolean> =>
    keeper.write(changed).then(
      () => true,
      (error: unknown) => {
        console.warn('People could not be kept:', error)
        return false
      },
    )
  if (loaded.contacts === null) void kept(initial.map((c) => c.id))

  const ownOf = (id: AgentId): Own => own.get(id) ?? NOTHING_OWN
  const colleaguesOf = ({ id }: Viewer): Entry[] =>
    accounts().flatMap((a) => (a.retired || a.id === id ? [] : [{ id: a.id, name: a.name, company: '', group: a.team, numbers: [], contact: null }]))
  /** They change with the book, with accounts and with what is lately, and not with every letter that is typed. */
  let grouped: { readonly key: string; readonly groups: PeoplePage['groups'] } | null = null
  const groupsFor = (viewer: Viewer, colleagues: readonly Entry[], recent: Recent): PeoplePage['groups'] => {
    const key = JSON.stringify([viewer.id, book.revision(), ownRevision, recent, colleagues.map((c) => [c.id, c.group])])
    if (grouped?.key === key) return grouped.groups
    const asked = { search: '', sort: 'name', descending: false, isMeant: () => true, from: 0, atMost: Infinity } as const
    grouped = { key, groups: groupsOf(book.find(viewer, colleagues, asked).rows, ownOf(viewer.id), recent) }
    return grouped.groups
  }
  const view = (viewer: Viewer, { id, name, company, group, numbers, contact }: Entry): PersonView => {
    const { favourites, usual } = ownOf(viewer.id)
    return {
      id,
      name,
      company,
      group,
      numbers,
      email: contact?.email ?? '',
      note: contact?.note ?? '',
      ownerId: contact?.ownerId ?? null,
      revision: contact?.revision ?? 0,
      isColleague: contact === null,
      isFavourite: favourites.includes(id),
      usualNumber: numbers.some((n) => n.number === usual[id]) ? (usual[id] ?? null) : null,
    }
  }
  /** E.164 where it is a number; anything else, such as an extension within a house, stays as it is written. */
  const withRead = <C extends Pick<Contact, 'numbers'>>(contact: C): C => {
    const seen = new Set<string>()
    const numbers = contact.numbers.flatMap(({ kind, number }) => {
      const reading = readNumber(number, homeCountry())
      const read = reading.ok && reading.number.extension === null ? reading.number.e164 : number.trim()
      if (read === '' || seen.has(read)) return []
      seen.add(read)
      return [{ kind, number: read }]
    })
    return { ...contact, numbers }
  }

  const isSought =
    ({ numbers, addresses, names }: Sought) =>
    ({ name, email, numbers: theirs }: Contact): boolean =>
      theirs.some((n) => numbers.includes(n.number)) ||
      addresses.includes(email.trim().toLowerCase()) ||
      names.includes(name.trim().toLowerCase().replace(/\s+/g, ' '))

  return {
    namedBy: (sought) => [...book.all()].filter(isSought(sought)).map(({ name }) => name),
    async forget(sought) {
      const theirs = [...book.all()].filter(isSought(sought)).map(({ id }) => id)
      book.drop(theirs)
      if (theirs.length === 0) return 0
      await keeper.write(theirs)
      for (const [id, mine] of own) {
        const favourites = mine.favourites.filter((f) => !theirs.some((t) => t === f))
        const usual = Object.fromEntries(Object.entries(mine.usual).filter(([who]) => !theirs.some((t) => t === who)))
        if (favourites.length === mine.favourites.length && Object.keys(usual).length === Object.keys(mine.usual).length) continue
        own.set(id, { favourites, usual })
        await keeper.writeOwn(id as AgentId, { favourites, usual })
      }
      ownRevision++
      return theirs.length
    },
    revision: () => book.revision() + ownRevision,
    find(viewer, { group, recent, ...asked }) {
      const colleagues = colleaguesOf(viewer)
      const meant = isMeantBy(group, ownOf(viewer.id), recent)
      const { found, rows } = book.find(viewer, colleagues, { ...asked, isMeant: meant })
      return { found, rows: rows.map((entry) => view(viewer, entry)), groups: groupsFor(viewer, colleagues, recent) }
    },
    whose(viewer, numbers) {
      const found = book.byNumbers(viewer, numbers)
      return Object.fromEntries([...found].map(([number, c]) => [number, view(viewer, { ...c, contact: c })]))
    },
    async change(viewer, change) {
      const changed = book.change(viewer, { ...change, puts: change.puts.map(withRead) })
      if (!changed.ok) return changed
      return { ...changed, kept: await kept([...change.puts.map((c) => c.id), ...change.removes]) }
    },
    check: (viewer, contacts) =>
      contacts.map((contact) => {
        const read = withRead(contact)
        return {
          contact: read,
          duplicates: book.duplicates(viewer, read).map(({ id, name, company, ownerId }) => ({ id, name, company, isOwn: ownerId !== null })),
        }
      }),
    async own(id, change) {
      const next = change(ownOf(id))
      own.set(id, next)
      ownRevision++
      return keeper.writeOwn(id, next).then(
        () => true,
        (error: unknown) => {
          console.warn('Favourites could not be kept:', error)
          return false
        },
      )
    },
    keepAgain() {
      void kept([...book.all()].map((c) => c.id))
      for (const [id, is] of own) void keeper.writeOwn(id as AgentId, is).catch(() => {})
    },
  }
}

type Recent = PeopleAsked['recent']

/** `everybody`, `favourites`, `recent`, `colleagues`, `shared`, `mine`; `team:` and `group:` with a name. */
function isMeantBy(group: string, { favourites }: Own, recent: Recent): (entry: Entry) => boolean {
  const [is, name] = cut(group)
  const favourite = new Set(favourites)
  const called = new Set(recent)
  switch (is) {
    case 'favourites':
      return ({ id }) => favourite.has(id)
    case 'recent':
      return ({ id, numbers }) => called.has(id) || numbers.some((n) => called.has(n.number))
    case 'colleagues':
      return ({ contact }) => contact === null
    case 'shared':
      return ({ contact }) => contact !== null && contact.ownerId === null
    case 'mine':
      return ({ contact }) => contact !== null && contact.ownerId !== null
    case 'team':
      return ({ contact, group: of }) => contact === null && of === name
    case 'group':
      return ({ contact, group: of }) => contact !== null && of === name
    default:
      return () => true
  }
}

const cut = (group: string): readonly [string, string] => {
  const at = group.indexOf(':')
  return at < 0 ? [group, ''] : [group.slice(0, at), group.slice(at + 1)]
}

/** Every group an account may look at, with how many are in it. */
function groupsOf(all: readonly Entry[], own: Own, recent: Recent): PeoplePage['groups'] {
  const count = (key: string) => all.filter(isMeantBy(key, own, recent)).length
  const named = (key: 'team' | 'group', isOf: (entry: Entry) => boolean) => {
    const counts = new Map<string, number>()
    for (const entry of all) if (isOf(entry) && entry.group !== '') counts.set(entry.group, (counts.get(entry.group) ?? 0) + 1)
    return [...counts].toSorted(([a], [b]) => (folded(a) < folded(b) ? -1 : 1)).map(([name, n]) => ({ key: `${key}:${name}`, label: name, count: n }))
  }
  return [
    { key: 'everybody', label: 'Everybody', count: all.length },
    { key: 'favourites', label: 'Favourites', count: count('favourites') },
    { key: 'recent', label: 'Recent', count: count('recent') },
    { key: 'colleagues', label: 'Colleagues', count: count('colleagues') },
    ...named('team', (e) => e.contact === null),
    { key: 'shared', label: 'Shared people', count: count('shared') },
    { key: 'mine', label: 'My own people', count: count('mine') },
    ...named('group', (e) => e.contact !== null),
  ]
}
