'use client'
// Coded calls as a bar for each group. An outcome has one colour in all of them; the legend says which, and shows those alone that are pressed in it.
import clsx from 'clsx'
import { max, sum } from 'd3-array'
import { scaleLinear } from 'd3-scale'
import { useState } from 'react'
import type { Grouped } from '@/core/reports'

const SHADES = ['var(--color-green)', 'var(--color-sea)', 'var(--color-brass)', 'var(--color-soft)', 'var(--color-red)']
const OTHERS = 'others'
const OTHERS_SHADE = 'var(--color-line-strong)'

interface Props {
  readonly label: string
  readonly groups: readonly Grouped[]
  /** Of all of them together: the most frequent have a colour of their own. */
  readonly all: Readonly<Record<string, number>>
  readonly labels: Readonly<Record<string, string>>
  readonly chosen: string | null
  readonly onChoose: (id: string | null) => void
}

export function OutcomeBars({ label, groups, all, labels, chosen, onChoose }: Props) {
  const [only, setOnly] = useState<ReadonlySet<string>>(new Set())
  const coloured = Object.entries(all)
    .sort((a, b) => b[1] - a[1])
    .slice(0, SHADES.length)
    .map(([code]) => code)
  const hasOthers = Object.keys(all).length > coloured.length
  const kinds = hasOthers ? [...coloured, OTHERS] : coloured
  const nameOf = (kind: string) => (kind === OTHERS ? 'Other outcomes' : (labels[kind] ?? kind))
  const shadeOf = (kind: string) => (kind === OTHERS ? OTHERS_SHADE : (SHADES[coloured.indexOf(kind)] ?? OTHERS_SHADE))
  const countOf = (g: Grouped, kind: string) =>
    kind === OTHERS ? sum(Object.entries(g.measures.outcomes), ([code, n]) => (coloured.includes(code) ? 0 : n)) : (g.measures.outcomes[kind] ?? 0)
  const shown = only.size === 0 ? kinds : kinds.filter((kind) => only.has(kind))
  const total = (g: Grouped) => sum(shown, (kind) => countOf(g, kind))
  const width = scaleLinear()
    .domain([0, Math.max(1, max(groups, total) ?? 1)])
    .range([0, 100])
  return (
    <>
      <fieldset data-legend aria-label="Outcomes shown" className="mb-2 flex flex-wrap gap-x-2 gap-y-1">
        {kinds.map((kind) => (
          <button
            key={kind}
            type="button"
            aria-pressed={only.has(kind)}
            onClick={() => setOnly(toggled(only, kind))}
            className="flex min-h-6 items-center gap-1.5 rounded-sm border border-transparent px-1.5 hover:border-line-strong aria-pressed:border-ink aria-pressed:bg-raised aria-pressed:font-semibold"
          >
            <span aria-hidden className="inline-block size-2.5 bg-current" style={{ color: shadeOf(kind) }} />
            {nameOf(kind)}
          </button>
        ))}
        {only.size > 0 && (
          <button type="button" className="min-h-6 px-1.5 underline underline-offset-2 print:hidden" onClick={() => setOnly(new Set())}>
            Show all
          </button>
        )}
      </fieldset>
      <ul aria-label={label} className="space-y-1">
        {groups.map((g) => {
          const says = shown.flatMap((kind) => (countOf(g, kind) === 0 ? [] : [`${nameOf(kind)} ${countOf(g, kind)}`])).join(', ')
          return (
            <li key={g.id}>
              <button
                type="button"
                aria-pressed={g.id === chosen}
                title={says}
                onClick={() => onChoose(g.id === chosen ? null : g.id)}
                className={clsx(
                  'group grid w-full grid-cols-[minmax(0,9.375rem)_1fr_3.5rem] items-center gap-x-2 rounded-sm px-1 py-0.5 text-left',
                  g.id === chosen ? 'bg-green-wash' : 'hover:bg-raised',
                )}
              >
                <span className="truncate">{g.name}</span>
                <span aria-hidden className="flex h-5" style={{ width: `${width(total(g))}%` }}>
                  {shown.map((kind) => (
                    <span
                      key={kind}
                      title={`${nameOf(kind)}: ${countOf(g, kind)}`}
                      className="h-full border-raised border-r bg-current last:border-r-0"
                      style={{ width: `${(countOf(g, kind) / Math.max(1, total(g))) * 100}%`, color: shadeOf(kind) }}
                    />
                  ))}
                </span>
                <span className="tabular text-right">{total(g)}</span>
                <span className="sr-only">{says}</span>
                {/* Who goes through them by keyboard reads what a pointer is told. */}
                <span aria-hidden className="col-span-full hidden text-soft text-xs group-focus-visible:block">
                  {says}
                </span>
              </button>
            </li>
          )
        })}
      </ul>
    </>
  )
}

const toggled = (before: ReadonlySet<string>, kind: string): ReadonlySet<string> => {
  const after = new Set(before)
  if (!after.delete(kind)) after.add(kind)
  return after
}
