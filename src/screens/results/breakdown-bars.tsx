'use client'
// The rows of a breakdown as bars, with those of the days before in outline; the table says the same in figures.
import { max } from 'd3-array'
import { scaleBand, scaleLinear } from 'd3-scale'
import type { CrossTable, Dimension } from '@/services/history/client'
import { dimensionWords, type Figure, inOrder, keyWords, type Words } from './breakdown-words'

interface Props {
  readonly table: CrossTable
  readonly before: CrossTable | null
  readonly rows: Dimension
  readonly figure: Figure
  readonly words: Words
}

const WIDTH = 1232
const STEP = 24
const NAME = 210
/** More than these are in the table only. */
const SHOWN = 24

export function BreakdownBars({ table, before, rows, figure, words }: Props) {
  const keys = inOrder(rows, table.rows, ({ measures }) => figure.value(measures)).slice(0, SHOWN)
  const former = (key: string) => {
    const found = before?.rows.find((r) => r.key === key)
    return found === undefined ? null : figure.value(found.measures)
  }
  const y = scaleBand<string>()
    .domain(keys.map((k) => k.key))
    .range([0, keys.length * STEP])
    .padding(0.3)
  const x = scaleLinear([0, max(keys, (k) => Math.max(figure.value(k.measures) ?? 0, former(k.key) ?? 0)) || 1], [NAME, WIDTH - 90])
  return (
    <figure>
      <figcaption className="font-semibold">
        {figure.name} by {dimensionWords(rows, words).toLowerCase()}
        {before !== null && <span className="ml-3 font-normal text-soft text-xs">outline: the days before</span>}
        {table.rows.length > SHOWN && (
          <span className="ml-3 font-normal text-soft text-xs">
            the first {SHOWN} of {table.rows.length}; all of them stand in the table
          </span>
        )}
      </figcaption>
      <svg
        viewBox={`0 0 ${WIDTH} ${keys.length * STEP + 4}`}
        className="mt-1 w-full"
        role="img"
        aria-label={`${figure.name}. ${keys.map((k) => `${keyWords(rows, k.key, words)}: ${figure.words(figure.value(k.measures))}`).join('; ')}`}
      >
        {keys.map(({ key, measures }) => {
          const value = figure.value(measures)
          const was = former(key)
          const at = y(key) ?? 0
          return (
            <g key={key} transform={`translate(0 ${at})`}>
              <title>{`${keyWords(rows, key, words)}: ${figure.words(value)}${was === null ? '' : `, before ${figure.words(was)}`}`}</title>
              <text x={NAME - 8} y={y.bandwidth() / 2} dy="0.35em" textAnchor="end" fontSize="13" fill="var(--color-ink)">
                {short(keyWords(rows, key, words))}
              </text>
              <rect x={NAME} width={Math.max(0, x(value ?? 0) - NAME)} height={y.bandwidth()} fill="var(--color-green)" />
              {was !== null && (
                <rect
                  x={NAME}
                  y={-1}
                  width={Math.max(0, x(was) - NAME)}
                  height={y.bandwidth() + 2}
                  fill="none"
                  stroke="var(--color-ink)"
                  strokeDasharray="3 3"
                />
              )}
              <text x={x(value ?? 0) + 6} y={y.bandwidth() / 2} dy="0.35em" fontSize="12" fill="var(--color-soft)">
                {figure.words(value)}
              </text>
            </g>
          )
        })}
      </svg>
    </figure>
  )
}

const short = (text: string): string => (text.length > 28 ? `${text.slice(0, 27)}…` : text)
