'use client'
// When people answer: the answer rate by weekday and hour, as the clock stands at their place. The darker the more often; hours of which little is known
// are said to be so, and not coloured.
import { extent } from 'd3-array'
import { scaleLinear } from 'd3-scale'
import { measureAttempts } from '@/core/reports'
import type { OfHour } from '@/services/lists/client'

const DAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday']
/** With fewer attempts a rate is chance. */
const ENOUGH = 20

export function BestHours({ hours }: { readonly hours: readonly OfHour[] }) {
  const known = hours.filter((h) => h.sums.ended >= ENOUGH)
  const [low = 0, high = 1] = extent(known, (h) => measureAttempts(h.sums).answerRatio ?? 0)
  const shade = scaleLinear([low, Math.max(high, low + 0.01)], [4, 55])
  const first = Math.min(...hours.map((h) => h.hour))
  const last = Math.max(...hours.map((h) => h.hour))
  const columns = Array.from({ length: last - first + 1 }, (_, i) => first + i)
  const at = new Map(hours.map((h) => [`${h.day} ${h.hour}`, h]))
  const best = known.toSorted((a, b) => (measureAttempts(b.sums).answerRatio ?? 0) - (measureAttempts(a.sums).answerRatio ?? 0))[0]
  return (
    <section aria-labelledby="best-hours">
      <h2 id="best-hours" className="font-semibold">
        When people answer
      </h2>
      <p className="text-soft">
        Live answers of attempts that ended, by the hour at the called person’s place.{' '}
        {best === undefined
          ? `No hour has ${ENOUGH} attempts yet.`
          : `Best: ${DAYS[best.day - 1]}, ${best.hour} to ${best.hour + 1} o’clock. Hours with fewer than ${ENOUGH} attempts are left pale.`}
      </p>
      <div className="mt-2 overflow-x-auto print:overflow-visible">
        <table className="border-separate border-spacing-0.5 text-sm">
          <caption className="sr-only">Answer rate by weekday and hour</caption>
          <thead>
            <tr>
              <td />
              {columns.map((hour) => (
                <th key={hour} scope="col" className="w-11 font-normal text-soft text-xs">
                  {hour}
                  <span className="sr-only"> o’clock</span>
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {DAYS.map((day, i) => (
              <tr key={day}>
                <th scope="row" className="pr-3 text-left font-normal">
                  {day}
                </th>
                {columns.map((hour) => (
                  <HourCell key={hour} of={at.get(`${i + 1} ${hour}`)} shade={shade} says={`${day}, ${hour} to ${hour + 1}`} />
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </section>
  )
}

function HourCell({ of, shade, says }: { of: OfHour | undefined; shade: (rate: number) => number; says: string }) {
  const rate = of === undefined ? null : measureAttempts(of.sums).answerRatio
  if (of === undefined || rate === null) return <td className="h-8 bg-line/30" title={`${says}: nobody was called`} />
  const title = `${says}: ${of.sums.live} of ${of.sums.ended} answered`
  const words = `${Math.round(rate * 100)}`
  if (of.sums.ended < ENOUGH)
    return (
      <td className="tabular h-8 border border-line border-dashed text-center text-soft" title={`${title}, too few to say`}>
        {words}
      </td>
    )
  const percent = shade(rate)
  return (
    <td
      className="tabular h-8 text-center"
      title={title}
      style={{
        backgroundColor: `color-mix(in srgb, var(--color-green) ${percent}%, var(--color-raised))`,
      }}
    >
      {words}
    </td>
  )
}
