'use client'
// The map of a script: its pages in the order they are reached, the ways drawn between them. A page is a button; what is wrong with it, what
// is sensitive and where the script ends is told by form and word.
import clsx from 'clsx'
import { curveBasis, line } from 'd3-shape'
import { memo, useEffect, useMemo, useRef } from 'react'
import type { Script, ScriptFinding } from '@/core/scripts'
import { layoutOf, type MapLayout, NODE, shapeOf } from './layout'

interface Props {
  readonly script: Script
  readonly findings: readonly ScriptFinding[]
  readonly selected: string
  /** Pages a rehearsal has been on, in order. */
  readonly trail?: readonly string[]
  readonly onSelect: (pageId: string) => void
}

const path = line<readonly [number, number]>()
  .x((p) => p[0])
  .y((p) => p[1])
  .curve(curveBasis)

export const ScriptMap = memo(function ScriptMap({ script, findings, selected, trail = [], onSelect }: Props) {
  const shape = shapeOf(script)
  const map = useMemo(() => layoutOf(shape), [shape])
  const frame = useRef<HTMLElement>(null)
  const at = map.nodes.find((n) => n.id === selected)
  useEffect(() => {
    if (at === undefined || frame.current === null) return
    const { scrollLeft, clientWidth } = frame.current
    // The page that is edited is always in view; nothing moves when it is.
    if (at.x - NODE.width / 2 < scrollLeft || at.x + NODE.width / 2 > scrollLeft + clientWidth) frame.current.scrollLeft = at.x - clientWidth / 2
  }, [at])
  const pages = new Map(script.pages.map((p) => [p.id, p]))
  const grades = new Map<string, ScriptFinding['grade']>()
  for (const f of findings) if (grades.get(f.pageId) !== 'error') grades.set(f.pageId, f.grade)
  return (
    <section ref={frame} aria-label="Map of the script" className="max-h-[308px] overflow-auto border-line-strong border-b bg-paper">
      <svg width={Math.max(map.width, 200)} height={map.height} className="mx-auto block" aria-label="Pages and ways">
        <title>Pages and ways</title>
        <Ways map={map} selected={selected} trail={trail} />
        {map.nodes.map(({ id, x, y }) => {
          const page = pages.get(id)
          if (page === undefined) return null
          const marks = [
            id === script.startPage ? 'start' : '',
            page.ways.length === 0 ? 'end' : '',
            page.sensitive ? 'sensitive' : '',
            page.questions.some((q) => q.kind === 'disclosure') ? 'must be read' : '',
            grades.get(id) === 'error' ? 'error' : grades.get(id) === 'warning' ? 'look at' : '',
          ].filter((m) => m !== '')
          return (
            <foreignObject key={id} x={x - NODE.width / 2} y={y - NODE.height / 2} width={NODE.width} height={NODE.height}>
              <button
                type="button"
                aria-pressed={id === selected}
                title={page.title}
                onClick={() => onSelect(id)}
                className={clsx(
                  'flex h-full w-full flex-col justify-center border px-2 text-left leading-[15px] -outline-offset-2',
                  page.ways.length === 0 ? 'rounded-full px-4' : 'rounded-sm',
                  id === script.startPage && 'border-l-4 border-l-green',
                  id === selected
                    ? 'border-2 border-ink bg-raised font-semibold'
                    : trail.includes(id)
                      ? 'border-green bg-green-wash'
                      : 'border-line-strong bg-raised',
                )}
              >
                <span className="w-full truncate text-xs">{page.title || '(no title)'}</span>
                <span className="w-full truncate text-[11px]">
                  <span className="text-soft">{marks.filter((m) => m !== 'error' && m !== 'look at').join(' · ')}</span>{' '}
                  {marks.includes('error') && (
                    <span className="font-semibold text-red">
                      <span aria-hidden>▲ </span>error
                    </span>
                  )}
                  {marks.includes('look at') && (
                    <span className="text-brass-text">
                      <span aria-hidden>△ </span>look at
                    </span>
                  )}
                </span>
              </button>
            </foreignObject>
          )
        })}
      </svg>
    </section>
  )
})

/** Ways as lines with a head; those of the page that is selected stand out, and those a rehearsal took. */
const Ways = memo(function Ways({ map, selected, trail }: { map: MapLayout; selected: string; trail: readonly string[] }) {
  const taken = new Set(trail.slice(1).map((to, i) => `${trail[i]} ${to}`))
  const ordered = map.edges.toSorted((a, b) => Number(a.from === selected) - Number(b.from === selected))
  return (
    <g aria-hidden>
      <defs>
        {(['quiet', 'strong', 'taken'] as const).map((look) => (
          <marker key={look} id={`way-${look}`} viewBox="0 0 8 8" refX="7" refY="4" markerUnits="userSpaceOnUse" markerWidth="9" markerHeight="9" orient="auto">
            <path d="M0 0L8 4L0 8z" fill={COLOURS[look]} />
          </marker>
        ))}
      </defs>
      {ordered.map(({ from, to, points }) => {
        const look = from === selected ? 'strong' : taken.has(`${from} ${to}`) ? 'taken' : 'quiet'
        return (
          <path
            key={`${from} ${to}`}
            d={path(points) ?? ''}
            fill="none"
            stroke={COLOURS[look]}
            strokeWidth={look === 'quiet' ? 1.25 : 2.25}
            markerEnd={`url(#way-${look})`}
          />
        )
      })}
    </g>
  )
})

const COLOURS = { quiet: 'var(--color-line-strong)', strong: 'var(--color-ink)', taken: 'var(--color-green)' } as const
