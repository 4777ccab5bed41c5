// Which short numbers a country has is held against the library the table was made from, read in its own way.
import fc from 'fast-check'
import phones from 'google-libphonenumber'
import { describe, expect, test } from 'vitest'
import { isEmergency, readDialled, readNumber } from '@/core/directory'

const known = phones.ShortNumberInfo.getInstance()
const numbers = phones.PhoneNumberUtil.getInstance()
const COUNTRIES = numbers.getSupportedRegions()

test('every number of up to four digits is one of the emergency services where it is one, and nowhere else', () => {
  const found = new Set<string>()
  for (const country of COUNTRIES)
    for (let digits = 2; digits <= 4; digits++)
      for (let n = 0; n < 10 ** digits; n++) {
        const number = String(n).padStart(digits, '0')
        const is = isEmergency(number, country)
        if (is) found.add(country)
        // Asking the library costs a hundred times as much: all that are, and of those that are not a share.
        if (is || n % 97 === 0) expect(`${country} ${number} ${is}`).toBe(`${country} ${number} ${known.isEmergencyNumber(number, country)}`)
      }
  expect(found.size).toBeGreaterThan(230)
})

test('a short number is taken where its country has it, and where whole numbers are as short it is one of those', () => {
  let taken = 0
  fc.assert(
    fc.property(fc.constantFrom(...COUNTRIES), fc.stringMatching(/^[1-9][0-9]{2,5}$/), (country, typed) => {
      const reading = readDialled(typed, country)
      const number = new phones.PhoneNumber()
      number.setCountryCode(numbers.getCountryCodeForRegion(country))
      number.setNationalNumber(Number(typed))
      if (reading.ok && reading.number.kind !== 'number') taken++
      if (reading.ok && reading.number.kind === 'service') expect(known.isPossibleShortNumberForRegion(number, country)).toBe(true)
      expect(reading.ok && reading.number.kind === 'emergency').toBe(known.isEmergencyNumber(typed, country))
    }),
    { numRuns: 2_000, seed: 5 },
  )
  expect(taken).toBeGreaterThan(20)
})

describe('what is dialled', () => {
  test.each([
    ['999', 'GB', 'emergency', '999'],
    ['112', 'GB', 'emergency', '112'],
    ['9 9 9', 'GB', 'emergency', '999'],
    ['tel:999', 'GB', 'emergency', '999'],
    ['９９９', 'GB', 'emergency', '999'],
    ['911', 'US', 'emergency', '911'],
    ['000', 'AU', 'emergency', '000'],
    ['110', 'DE', 'emergency', '110'],
    ['17', 'FR', 'emergency', '17'],
    ['101', 'GB', 'service', '101'],
    ['111', 'GB', 'service', '111'],
    ['1571', 'GB', 'service', '1571'],
    ['*21#', 'GB', 'code', '*21#'],
    ['*#21#', 'GB', 'code', '*#21#'],
    ['#31#01632960112', 'GB', 'code', '#31#01632960112'],
    ['01632 960112', 'GB', 'number', '+441632960112'],
  ])('%s in %s is %s', (typed, country, kind, dialled) => {
    expect(readDialled(typed, country)).toMatchObject({ ok: true, number: { kind, e164: dialled, extension: null } })
  })
  test.each(['998', '99', '9999', '+999', '999 0', '*', '#', '12', 'Room 999', ''])('%j in GB is none of them', (typed) => {
    expect(readDialled(typed, 'GB')).toEqual(readNumber(typed, 'GB'))
  })
  test('kept, promised or listed is none of them', () => {
    for (const typed of ['999', '101', '*21#']) expect(readNumber(typed, 'GB').ok).toBe(false)
  })
})
