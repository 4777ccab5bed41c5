import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { toAgentId, toContactId } from '@/core/ids'
import { type Contact, ContactSchema, createBook, type Entry, fitting, keyOf, mergeContacts, type Viewer } from '@/core/people'

const ANN: Viewer = { id: toAgentId('agent_ann'), keepsShared: false }
const CHIEF: Viewer = { id: toAgentId('agent_chief'), keepsShared: true }
const contact = (n: number, more: Partial<Contact> = {}): Contact => ContactSchema.parse({ id: `contact_${n}`, name: `Person ${n}`, ...more })
const id = (n: number) => toContactId(`contact_${n}`)
const ASKED = { search: '', sort: 'name' as const, descending: false, isMeant: () => true, from: 0, atMost: 50 }
const number = (digits: string) => ({ kind: 'work' as const, number: digits })

describe('finding as one types', () => {
  const key = keyOf({ name: 'Øyvind Ærlig-Storr', company: 'Harbour office', group: 'Ports', numbers: [number('+441632960112')] }, '44')
  test.each([
    ['', true],
    ['oyv', true],
    ['ØYV', true],
    ['storr øy', true],
    ['aerlig', true],
    ['harb port', true],
    ['torr', false],
    ['01632', true],
    ['632 960-112', true],
    ['+44 1632', true],
    ['(01632) 960112', true],
    // O Y V I N D and S T O R R on the keys of a telephone.
    ['698', true],
    ['78677', true],
    ['699', false],
    ['6', true],
    ['harb 960112', true],
    ['nobody', false],
  ])('“%s”: %s', (typed, fits) => expect(fitting(typed)(key)).toBe(fits))

  test('finds whoever has it, whatever is typed of their name', () =>
    fc.assert(
      fc.property(fc.stringMatching(/^[A-Za-zÅéø]{2,9}( [A-Za-zÅéø]{1,9}){0,2}$/), fc.nat(20), (name, cut) => {
        const typed = name.slice(0, 1 + (cut % name.length))
        expect(fitting(typed)(keyOf({ name, company: '', group: '', numbers: [] }, '44')), typed).toBe(true)
      }),
      { seed: 3 },
    ))
})

describe('the book', () => {
  test.each<{ says: string; by: Viewer; put: Contact; then: string }>([
    { says: 'one’s own, new', by: ANN, put: contact(9, { ownerId: ANN.id }), then: 'ok' },
    { says: 'shared, by a supervisor', by: CHIEF, put: contact(9), then: 'ok' },
    { says: 'shared, by an agent', by: ANN, put: contact(9), then: 'sharedForSupervisors' },
    { says: 'for somebody else', by: ANN, put: contact(9, { ownerId: CHIEF.id }), then: 'contactOfAnother' },
    { says: 'somebody else’s taken', by: CHIEF, put: contact(2, { ownerId: CHIEF.id }), then: 'contactOfAnother' },
    { says: 'a shared one made one’s own', by: ANN, put: contact(1, { ownerId: ANN.id }), then: 'sharedForSupervisors' },
    { says: 'an older one than there is', by: CHIEF, put: contact(1, { revision: 7 }), then: 'contactChangedMeanwhile' },
  ])('$says: $then', ({ by, put, then }) => {
    const book = createBook([contact(1), contact(2, { ownerId: ANN.id })], '44')
    const changed = book.change(by, { puts: [put], removes: [] })
    expect(changed.ok ? 'ok' : changed.refusal.reason).toBe(then)
    if (!changed.ok) expect([...book.all()]).toEqual([contact(1), contact(2, { ownerId: ANN.id })])
  })

  test('nobody sees what is another’s own; one’s own name for a number comes before everybody’s', () => {
    const shared = contact(1, { numbers: [number('+441632960112')] })
    const own = contact(2, { ownerId: ANN.id, numbers: [number('+441632960112')] })
    const book = createBook([own, shared], '44')
    expect(book.find(ANN, [], ASKED).rows.map((r) => r.id)).toEqual([id(1), id(2)])
    expect(book.find(CHIEF, [], ASKED).rows.map((r) => r.id)).toEqual([id(1)])
    expect(book.byNumbers(ANN, ['+441632960112']).get('+441632960112')?.id).toBe(id(2))
    expect(book.byNumbers(CHIEF, ['+441632960112']).get('+441632960112')?.id).toBe(id(1))
    expect(book.duplicates(CHIEF, own).map((c) => c.id)).toEqual([id(1)])
  })

  test.each(['deleted', 'forgotten'])(
    'whoever was %s comes back by no change that was begun before; by undoing, who was deleted and nobody who was forgotten',
    (how) => {
      const open = contact(1, { name: 'Changed' })
      const [book, saved] = [createBook([contact(1)], '44'), contact(2)]
      book.change(CHIEF, { puts: [saved], removes: [] })
      const deleted = book.change(CHIEF, { puts: [], removes: [id(2), ...(how === 'deleted' ? [id(1)] : [])] })
      if (how === 'forgotten') book.drop([id(1)])
      for (const late of [open, { ...saved, revision: 1 }, saved])
        expect(book.change(CHIEF, { puts: [late], removes: [] })).toMatchObject({ ok: false, refusal: { reason: 'contactGone' } })
      // Who was deleted before somebody was forgotten may have been them.
      expect(deleted.ok && book.change(CHIEF, deleted.undo).ok).toBe(how === 'deleted')
      expect(
        [...book.all()]
          .map((c) => c.id)
          .toSorted()
          .toReversed(),
      ).toEqual(how === 'deleted' ? [id(2), id(1)] : [])
      expect(book.change(CHIEF, { puts: [contact(3)], removes: [] }).ok).toBe(true)
    },
  )

  /** Whatever was changed is undone by the change that was given back, as far as anybody can see. */
  test('every change is undone by what it gives back; what is found is what a plain search of everybody finds', () => {
    const change = fc.record({
      puts: fc.array(fc.record({ n: fc.nat(6), name: fc.constantFrom('Ida', 'Bo', 'Åse'), number: fc.constantFrom('+441632960112', '+441632960113') }), {
        maxLength: 3,
      }),
      removes: fc.uniqueArray(fc.nat(6), { maxLength: 2 }),
    })
    const plain = (contacts: Iterable<Contact>) => [...contacts].map(({ revision: _, ...c }) => c).sort((a, b) => (a.id < b.id ? -1 : 1))
    fc.assert(
      fc.property(fc.array(change, { maxLength: 12 }), fc.constantFrom('', 'id', '113', 'as'), (changes, search) => {
        const book = createBook([], '44')
        // Whoever is made after somebody was taken out is somebody else.
        const lives = new Map<number, number>()
        const now = (n: number) => n + 10 * (lives.get(n) ?? 0)
        for (const { puts, removes } of changes) {
          const before = plain(book.all())
          const made = [
            ...new Map(
              puts.map((p) => [p.n, contact(now(p.n), { name: p.name, numbers: [number(p.number)], revision: book.get(id(now(p.n)))?.revision ?? 0 })]),
            ).values(),
          ]
          const taken = removes.filter((n) => book.get(id(now(n))) !== undefined && !made.some((c) => c.id === id(now(n))))
          const gone = taken.map((n) => id(now(n)))
          for (const n of taken) lives.set(n, (lives.get(n) ?? 0) + 1)
          const changed = book.change(CHIEF, { puts: made, removes: gone })
          expect(changed.ok).toBe(true)
          const fits = fitting(search)
          const expected = [...book.all()].filter((c) => fits(keyOf(c, '44'))).map((c) => c.id)
          expect(new Set(book.find(CHIEF, [], { ...ASKED, search }).rows.map((r) => r.id))).toEqual(new Set(expected))
          if (!changed.ok || made.length + gone.length === 0) continue
          const after = plain(book.all())
          const back = book.change(CHIEF, changed.undo)
          expect(plain(book.all())).toEqual(before)
          expect(back.ok && book.change(CHIEF, back.undo).ok).toBe(true)
          expect(plain(book.all())).toEqual(after)
        }
      }),
      { numRuns: 150, seed: 5 },
    )
  })

  test('sorted by name, number or group, who is in none last; a page of them', () => {
    const book = createBook(
      [
        contact(1, { name: 'Åse', group: 'Ports', numbers: [number('+442')] }),
        contact(2, { name: 'bo' }),
        contact(3, { name: 'Ida', group: 'Boats', numbers: [number('+441')] }),
      ],
      '44',
    )
    const names = (sort: 'name' | 'number' | 'group', descending = false) => book.find(CHIEF, [], { ...ASKED, sort, descending }).rows.map((r) => r.name)
    expect(names('name')).toEqual(['Åse', 'bo', 'Ida'])
    expect(names('number')).toEqual(['Ida', 'Åse', 'bo'])
    expect(names('group')).toEqual(['Ida', 'Åse', 'bo'])
    expect(names('name', true)).toEqual(['Ida', 'bo', 'Åse'])
    const colleague: Entry = { id: ANN.id, name: 'Ann', company: '', group: 'Sailings', numbers: [], contact: null }
    expect(book.find(CHIEF, [colleague], { ...ASKED, from: 1, atMost: 2 })).toMatchObject({ found: 4, rows: [{ name: 'Åse' }, { name: 'bo' }] })
    // A colleague who is called otherwise is found under the new name.
    expect(book.find(CHIEF, [{ ...colleague, name: 'Zoe' }], { ...ASKED, search: 'zoe' }).found).toBe(1)
  })

  test('two of a person are one, with what either knows', () => {
    const merged = mergeContacts(
      contact(1, { company: 'Harbour', numbers: [number('+441')], note: 'Early riser.' }),
      contact(2, { company: 'Docks', email: 'a@example.com', numbers: [number('+441'), number('+442')], note: 'Early riser.' }),
    )
    expect(merged).toMatchObject({ id: id(1), name: 'Person 1', company: 'Harbour', email: 'a@example.com', note: 'Early riser.\nAlso known as Person 2.' })
    expect(merged.numbers.map((n) => n.number)).toEqual(['+441', '+442'])
  })
})
