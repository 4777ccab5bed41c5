import { addDays, format, parseISO } from 'date-fns'
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { dayShown, readDay, readTime, timeStepped } from './read'

/** A Tuesday. */
const TODAY = '2026-12-01'

describe('a day as it is typed', () => {
  test.each([
    ['2.12.', '2026-12-02'],
    ['2/12', '2026-12-02'],
    ['02122026', '2026-12-02'],
    ['021226', '2026-12-02'],
    ['0212', '2026-12-02'],
    ['2 12 26', '2026-12-02'],
    ['2-12-2026', '2026-12-02'],
    ['2026-12-02', '2026-12-02'],
    ['2026/12/2', '2026-12-02'],
    ['2 Dec', '2026-12-02'],
    ['Dec 2', '2026-12-02'],
    ['2nd of December 2026', '2026-12-02'],
    ['Wed 2 Dec', '2026-12-02'],
    ['Wednesday, 2 December 2026', '2026-12-02'],
    ['tomorrow', '2026-12-02'],
    ['tom', '2026-12-02'],
    ['TODAY', '2026-12-01'],
    ['yesterday', '2026-11-30'],
    ['wed', '2026-12-02'],
    ['Friday', '2026-12-04'],
    // The day it is: in a week's time.
    ['tue', '2026-12-08'],
    // Without a year it is the next one.
    ['30.11.', '2027-11-30'],
    ['29 Feb', '2028-02-29'],
    // The day comes first, unless it cannot.
    ['12/02/2026', '2026-02-12'],
    ['12/25/2026', '2026-12-25'],
  ])('%s is %s', (typed, day) => expect(readDay(typed, TODAY)).toBe(day))

  test.each(['', ' ', '31.2.2026', '0', '2', '13.13.', 'Thu 2 Dec', 'soon', 'dec', '2 dec 3', '1.1.0001', '99999999', 'we', '2026-13-01'])(
    '“%s” is none',
    (typed) => expect(readDay(typed, TODAY)).toBeNull(),
  )

  test('of days that are over the last one is meant', () => {
    expect(readDay('30.11.', TODAY, 'back')).toBe('2026-11-30')
    expect(readDay('2.12.', TODAY, 'back')).toBe('2025-12-02')
    expect(readDay('mon', TODAY, 'back')).toBe('2026-11-30')
    expect(readDay('tue', TODAY, 'back')).toBe('2026-11-24')
  })

  test('whatever is shown back is read as what it is', () =>
    fc.assert(
      fc.property(fc.integer({ min: -4_000, max: 4_000 }), fc.constantFrom('ahead' as const, 'back' as const), (days, leans) => {
        const day = format(addDays(parseISO(TODAY), days), 'yyyy-MM-dd')
        expect(readDay(dayShown(day, TODAY), TODAY, leans)).toBe(day)
      }),
    ))
})

describe('a time as it is typed', () => {
  test.each([
    ['10', '10:00'],
    ['10:00', '10:00'],
    ['9.30', '09:30'],
    ['930', '09:30'],
    ['1430', '14:30'],
    ['14h30', '14:30'],
    ['14 h', '14:00'],
    ['2:30 pm', '14:30'],
    ['0230PM', '14:30'],
    ['12am', '00:00'],
    ['12 p.m.', '12:00'],
    ['noon', '12:00'],
    ['midnight', '00:00'],
    ['0', '00:00'],
  ])('%s is %s', (typed, time) => expect(readTime(typed)).toBe(time))

  test.each(['', '24', '24:00', '10:60', '13pm', '0am', '1:2', 'ten', '12345'])('“%s” is none', (typed) => expect(readTime(typed)).toBeNull())

  test('steps go round', () => {
    expect(timeStepped('23:58', 5)).toBe('00:03')
    expect(timeStepped('00:00', -60)).toBe('23:00')
  })
})
