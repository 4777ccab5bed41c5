import { describe, expect, test } from 'vitest'
import { readNumber } from '@/core/directory'
import { takeApart } from './pasted'

describe('any pasted form is read, and as which country’s', () => {
  test.each([
    ['01632 960112', '+441632960112', 'GB'],
    ['(01632) 960-112', '+441632960112', 'GB'],
    ['+44 (0)1632 960112', '+441632960112', 'GB'],
    ['0044 1632 960112', '+441632960112', 'GB'],
    ['tel:+44-1632-960112', '+441632960112', 'GB'],
    ['01632.960.112', '+441632960112', 'GB'],
    ['  07700 900123 ', '+447700900123', 'GB'],
    ['020 7946 0018', '+442079460018', 'GB'],
    ['+1 212-555-0142', '+12125550142', 'US'],
    ['+61 491 570 156', '+61491570156', 'AU'],
    ['+33 1 99 00 12 34', '+33199001234', 'FR'],
    ['Tel. 01632 960112', '+441632960112', 'GB'],
    ['Telephone: 01632 960112', '+441632960112', 'GB'],
    ['T: +44 1632 960112', '+441632960112', 'GB'],
    ['01632 960112 (home)', '+441632960112', 'GB'],
    ['(mobile) 07700 900123', '+447700900123', 'GB'],
    ['01632\u202f960\u2009112', '+441632960112', 'GB'],
    ['01632\t960112', '+441632960112', 'GB'],
    ['\u200e+44 1632 960112\u202c', '+441632960112', 'GB'],
    ['01632–960‑112', '+441632960112', 'GB'],
    ['＋４４ １６３２ ９６０１１２', '+441632960112', 'GB'],
    ['tel:960112;phone-context=+441632', '+441632960112', 'GB'],
    ['tel:01632960112;phone-context=+44', '+441632960112', 'GB'],
    ['tel:01632960112;phone-context=example.com', '+441632960112', 'GB'],
    ['callto:+441632960112', '+441632960112', 'GB'],
    ['callto://+441632960112', '+441632960112', 'GB'],
    ['sip:+441632960112@example.com;user=phone', '+441632960112', 'GB'],
    ['tel:%2B44%201632%20960112', '+441632960112', 'GB'],
  ])('%s is %s', (typed, e164, readAs) => {
    const reading = readNumber(typed, 'GB')
    expect(reading).toMatchObject({ ok: true, number: { e164, readAs } })
  })

  test.each([
    ['', 'numberEmpty'],
    ['   ', 'numberEmpty'],
    ['the harbour', 'matchesNobody'],
    ['Ærø', 'matchesNobody'],
    ['0163', 'numberTooShort'],
    ['01632 960112 99999', 'numberTooLong'],
    ['+999 12345', 'noCountryReads'],
    ['#', 'noCountryReads'],
    ['+44 1632', 'numberTooShort'],
    ['+47 12 34 56', 'numberOfNoLength'],
    ['+1 212 555 014', 'numberTooShort'],
    ['+1 212 555 01421', 'numberTooLong'],
    ['+33 1 99 00 12', 'numberTooShort'],
    ['x123', 'matchesNobody'],
    ['sip:eluned@example.com', 'matchesNobody'],
    ['tel:', 'noCountryReads'],
    ['tel:%E0%A4%A', 'matchesNobody'],
  ])('"%s" is refused as %s', (typed, reason) => expect(readNumber(typed, 'GB')).toMatchObject({ ok: false, refusal: { reason } }))
})

describe('an extension is kept apart from the number', () => {
  test.each([
    ['01632 960112 x123', '123'],
    ['01632 960112x123', '123'],
    ['01632 960112 ext. 45', '45'],
    ['01632 960112, extension 6', '6'],
    ['tel:+441632960112;ext=7890', '7890'],
    ['01632 960112;ext=12', '12'],
    ['01632 960112 #9', '9'],
    ['01632 960112', null],
  ])('%s: %s', (typed, extension) => expect(readNumber(typed, 'GB')).toMatchObject({ ok: true, number: { e164: '+441632960112', extension } }))
})

describe('the way abroad is that of the home country, and 00', () => {
  test.each([
    ['0011 44 1632 960112', 'AU', '+441632960112'],
    ['011 44 1632 960112', 'US', '+441632960112'],
    ['00 44 1632 960112', 'AU', '+441632960112'],
    ['00 61 491 570 156', 'GB', '+61491570156'],
    ['0491 570 156', 'AU', '+61491570156'],
  ])('%s from %s', (typed, home, e164) => expect(readNumber(typed, home)).toMatchObject({ ok: true, number: { e164 } }))
})

// What took a time that grew with the square or the cube of the length would not come to an end here.
test.each(['a', '(a', 'a.', 'x1', '; ', '#', '+44a', '(1'])('a hundred thousand times “%s” is taken apart, and is no number', (piece) => {
  const typed = piece.repeat(100_000)
  expect(takeApart(typed).number.length).toBeLessThanOrEqual(typed.length)
  expect(readNumber(typed, 'GB')).toMatchObject({ ok: false })
})

test('a word, and another in brackets around it, say whose number it is', () =>
  expect(readNumber('Office (home (old)) 01632 960112', 'GB')).toMatchObject({ ok: true, number: { e164: '+441632960112' } }))
