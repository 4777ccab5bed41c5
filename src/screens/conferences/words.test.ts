import { expect, test } from 'vitest'
import { MINUTE } from '@/core/time'
import { whenWords } from './words'

const NOW_MS = Date.UTC(2026, 10, 27, 12)

test.each([
  { says: 'this year, in the centre’s time', at: Date.UTC(2026, 10, 30, 14), zone: 'Europe/London', words: 'Mon 30 Nov, 14:00 to 14:30' },
  { says: 'another year', at: Date.UTC(2027, 0, 4, 9), zone: 'Europe/London', words: 'Mon 4 Jan 2027, 09:00 to 09:30' },
  { says: 'arranged in another time', at: Date.UTC(2026, 10, 30, 14), zone: 'America/Toronto', words: 'Mon 30 Nov, 14:00 to 14:30 (09:00 in Toronto)' },
  { says: 'where it is the next day', at: Date.UTC(2026, 10, 30, 20), zone: 'Asia/Tokyo', words: 'Mon 30 Nov, 20:00 to 20:30 (Tue 05:00 in Tokyo)' },
  { says: 'over midnight', at: Date.UTC(2026, 10, 30, 23, 45), zone: 'Europe/London', words: 'Mon 30 Nov, 23:45 to 00:15' },
])('when a conference is: $says', ({ at, zone, words }) => {
  const plan = { title: 'Boats', startsAtMs: at, lastsMs: 30 * MINUTE, timeZone: zone, invited: [], note: '' }
  expect(whenWords({ plan }, 'Europe/London', NOW_MS)).toBe(words)
})
