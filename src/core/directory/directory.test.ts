import { describe, expect, test } from 'vitest'
import { readNumber } from '@/core/directory'

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
  ])('"%s" is refused as %s', (typed, reason) => expect(readNumber(typed, 'GB')).toMatchObject({ ok: false, refusal: { reason } }))
})
