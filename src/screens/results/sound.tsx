'use client'
// How calls sounded, as far as agents have said: by sound path and by number range, with what was wrong.
import { useCallback } from 'react'
import { SOUND_CAUSES } from '@/core/sound-quality'
import { SOUND_WORDS } from '@/parts/words'
import { floorNow } from '@/services/exchange/floor-time'
import type { SoundRow } from '@/services/history/client'
import { useHistory } from '@/services/history/react'
import { percent } from './format'

const PATHS: Readonly<Record<string, string>> = { computer: 'This computer', handset: 'Desk handset', ownPhone: 'Own phone', none: 'No sound' }

export function Sound({ fromMs, toMs }: { fromMs: number; toMs: number }) {
  const { latest: value } = useHistory(useCallback((api) => api.sound({ fromMs, toMs, nowMs: floorNow() }), [fromMs, toMs]))
  // Nothing was rated: there is nothing to say.
  if (value === null || value.all.rated === 0) return null
  const groups: readonly (readonly [string, readonly SoundRow[]])[] = [
    ['Sound path', value.paths.map((r) => ({ ...r, of: PATHS[r.of] ?? r.of }))],
    ['Number range', value.ranges.map((r) => ({ ...r, of: r.of === 'withheld' ? 'withheld' : `${r.of}…` }))],
  ]
  return (
    <section aria-label="Sound" className="mt-8">
      <h2 className="font-semibold text-lg">How calls sounded</h2>
      <p className="text-soft">
        {value.all.rated === 1 ? '1 call was rated' : `${value.all.rated} calls were rated`}; trouble in {percent(troubleOf(value.all) / value.all.rated)}. R is
        the rating factor of lines that were measured (ITU-T G.107): below 70 many are not satisfied.
      </p>
      <div className="mt-2 grid gap-6 lg:grid-cols-2">
        {groups.map(([heading, rows]) => (
          <table key={heading} aria-label={heading}>
            <thead>
              <tr className="border-line-strong border-b">
                {[heading, 'Rated', 'Trouble', ...SOUND_CAUSES.map((c) => SOUND_WORDS[c]), 'R'].map((name, i) => (
                  <th key={name} scope="col" className={`eyebrow py-1 ${i === 0 ? 'text-left' : 'text-right'}`}>
                    {name}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {rows.map((row) => (
                <tr key={row.of} className="border-line border-b">
                  <th scope="row" className="py-1 text-left font-semibold">
                    {row.of}
                  </th>
                  <td className="tabular text-right">{row.rated}</td>
                  <td className="tabular text-right">{percent(troubleOf(row) / row.rated)}</td>
                  {SOUND_CAUSES.map((cause) => (
                    <td key={cause} className="tabular text-right text-soft">
                      {row.causes[cause] ?? ''}
                    </td>
                  ))}
                  <td className="tabular text-right">{row.meanR === null ? '' : row.meanR.toFixed(0)}</td>
                </tr>
              ))}
            </tbody>
          </table>
        ))}
      </div>
    </section>
  )
}

const troubleOf = ({ causes }: SoundRow): number => Object.values(causes).reduce((sum, n) => sum + n, 0)
