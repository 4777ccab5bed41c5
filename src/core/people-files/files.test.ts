import fc from 'fast-check'
import Vcf from 'vcf'
import { describe, expect, test } from 'vitest'
import { type ContactText, EMPTY_CONTACT, NUMBER_KINDS } from '@/core/people'
import { contactsOf, fromVCards, matchColumns, readPeopleCsv, toPeopleCsv, toVCards } from '@/core/people-files'

const person = (more: Partial<ContactText> = {}): ContactText => ({ ...EMPTY_CONTACT, name: 'Aldous Quayle-Storr', ...more })
const card = (lines: string, version = '4.0') => `BEGIN:VCARD\r\nVERSION:${version}\r\n${lines}\r\nEND:VCARD\r\n`

/** Text as people write it, with everything in it that the formats write with. */
const text = (maxLength: number) =>
  fc.string({ unit: fc.constantFrom(...'aé ,;:\\"\'=+@/|-ß新\n'.split(''), '\r\n'), maxLength }).map((t) => t.replace(/\r\n?/g, '\n').trim())
/** A name, a company and a group stand in one line, and are never nothing but signs. */
const line = (maxLength: number) => text(maxLength).map((t) => t.replace(/\s+/g, ' ').trim())
const named = (t: string) => (t === '' ? '' : `C${t}e`)
const contact: fc.Arbitrary<ContactText> = fc.record({
  name: line(80).map((t) => `N${t}`),
  company: line(30).map(named),
  group: line(20).map((t) => named(t.replace(/,/g, ''))),
  email: fc.constantFrom('', 'a@example.com'),
  note: text(200),
  numbers: fc
    .array(fc.record({ kind: fc.constantFrom(...NUMBER_KINDS), number: fc.constantFrom('+441632960112', '+447700900123', '4711') }), { maxLength: 4 })
    .map((numbers) => numbers.toSorted((a, b) => NUMBER_KINDS.indexOf(a.kind) - NUMBER_KINDS.indexOf(b.kind))),
})

describe('vCard', () => {
  test('whatever people are called, they come back as they went out, every line within 75 octets', () =>
    fc.assert(
      fc.property(fc.array(contact, { maxLength: 6 }), (all) => {
        const file = toVCards(all)
        expect(fromVCards(file).map((read) => read.contact)).toEqual(all)
        for (const written of file.split('\r\n')) expect(new TextEncoder().encode(written).length).toBeLessThanOrEqual(75)
      }),
      { numRuns: 200, seed: 12 },
    ))

  test('another library reads in the file what we wrote', () => {
    const file = toVCards([
      person({
        name: 'Ottoline Fjelding; the elder, of Skarvey',
        company: 'Harbour office',
        note: 'Rings twice.\nThen waits, patiently.',
        email: 'ottoline@example.com',
        numbers: [
          { kind: 'work', number: '+441632960112' },
          { kind: 'mobile', number: '+447700900123' },
        ],
      }),
    ])
    const [read] = Vcf.parse(file)
    const value = (name: string) => [read?.get(name)].flat().map((p) => p?.valueOf())
    expect(read?.version).toBe('4.0')
    expect(value('tel')).toEqual(['tel:+441632960112', 'tel:+447700900123'])
    expect([read?.get('tel')].flat().map((p) => p?.type)).toEqual(['work', 'cell'])
    expect(value('email')).toEqual(['ottoline@example.com'])
    // It leaves the standard's backslashes where they stand.
    expect(value('note')).toEqual(['Rings twice.\\nThen waits\\, patiently.'])
    expect(value('fn')).toEqual(['Ottoline Fjelding; the elder\\, of Skarvey'])
  })

  test.each<{ says: string; file: string; then: Partial<ContactText> | string }>([
    {
      says: '3.0 with types and groups',
      file: card('FN:Ida\r\nitem1.TEL;TYPE="CELL,VOICE":07700 900123\r\nTEL;TYPE=HOME:01632 960112', '3.0'),
      then: {
        name: 'Ida',
        numbers: [
          { kind: 'mobile', number: '07700 900123' },
          { kind: 'home', number: '01632 960112' },
        ],
      },
    },
    {
      says: 'a link with an extension',
      file: card('FN:Ida\r\nTEL;VALUE=uri;TYPE=work:tel:+44-1632-960112;ext=5'),
      then: { numbers: [{ kind: 'work', number: '+44-1632-960112;ext=5' }] },
    },
    { says: 'parts of a name and no whole one', file: card('N:Fjelding;Ottoline;;;', '3.0'), then: { name: 'Ottoline Fjelding' } },
    { says: 'a company and nobody of it', file: card('ORG:Harbour;Office'), then: { name: 'Harbour, Office', company: '' } },
    { says: 'folded lines', file: card('FN:Ida the\r\n  very long'), then: { name: 'Ida the very long' } },
    { says: 'an old version', file: card('FN:Ida', '2.1'), then: 'It is a vCard of version 2.1; 3.0 and 4.0 can be read.' },
    { says: 'no name at all', file: card('NOTE:nobody'), then: 'It has no name.' },
    { says: 'no end', file: 'BEGIN:VCARD\r\nVERSION:4.0\r\nFN:Ida', then: 'The card has no end.' },
  ])('$says', ({ file, then }) => {
    const [read] = fromVCards(file)
    if (typeof then === 'string') expect(read).toMatchObject({ contact: null, problem: then })
    else expect(read?.contact).toMatchObject(then)
  })

  test('one that is torn takes no other with it, and says where it stands', () => {
    const read = fromVCards(`${card('FN:Ida')}BEGIN:VCARD\r\nnothing\r\n${card('FN:Bo')}`)
    expect(read.map((r) => [r.line, r.contact?.name ?? r.problem])).toEqual([
      [1, 'Ida'],
      [5, 'The card has no end.'],
      [7, 'Bo'],
    ])
  })

  test('whatever is in the file, it is read or said what is wrong, and nothing is thrown', () =>
    fc.assert(
      fc.property(
        fc.array(fc.oneof(fc.constantFrom('BEGIN:VCARD', 'END:VCARD', 'VERSION:4.0', 'FN:', 'TEL;TYPE=', 'item1.N:;;', ':', 'X-\u0000:"'), fc.string())),
        (lines) => {
          for (const { contact: read, problem } of fromVCards(lines.join('\r\n'))) expect((read === null) !== (problem === null)).toBe(true)
        },
      ),
      { numRuns: 400, seed: 13 },
    ))
})

describe('CSV', () => {
  test('whatever people are called, they come back as they went out', () =>
    fc.assert(
      fc.property(fc.array(contact, { minLength: 1, maxLength: 6 }), (all) => {
        const read = readPeopleCsv(toPeopleCsv(all))
        const back = contactsOf(read, matchColumns(read.columns)).map((r) => r.contact)
        expect(back).toEqual(all.map((c) => ({ ...c, note: c.note, numbers: c.numbers })))
      }),
      { numRuns: 200, seed: 14 },
    ))

  test.each([
    [
      'Full name,Phone,Mobile phone,E-mail address,Organisation',
      { name: 'full name', work: 'phone', mobile: 'mobile phone', email: 'e-mail address', company: 'organisation' },
    ],
    ['person;tel.;category', { name: 'person', group: 'category' }],
    ['a,b', {}],
    ['name,name', { name: 'name' }],
  ])('%s is matched', (heading, then) => expect(matchColumns(readPeopleCsv(`${heading}\n`).columns)).toMatchObject(then))

  test('a row without a name, and a torn one, are said with their line; the others come in', () => {
    const read = readPeopleCsv('name,work\nIda,01632 960112 / 01632 960113\n,01632 960114\nBo,"1\n')
    const rows = contactsOf(read, matchColumns(read.columns))
    expect(rows.map((r) => [r.line, r.contact?.numbers.length ?? r.problem?.slice(0, 14)])).toMatchObject([
      [2, 2],
      [3, 'The row has no'],
      [4, expect.stringContaining('uoted')],
    ])
  })
})
