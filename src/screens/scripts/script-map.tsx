'use client'
// The map of a script: its pages in the order they are reached, the ways drawn between them. A page is a button; what is wrong with it, what
// is sensitive and where the script ends is told by form and word.
import clsx from 'clsx'
import { curveBasis, line } from 'd3-shape'
import { type KeyboardEvent, memo, useEffect, useMemo, useRef, useState } from 'react'
import type { Script, ScriptFinding } from '@/core/scripts'
import { Button, beginningWith, isLetter, NOTHING_TYPED } from '@/parts/ui'
import { layoutOf, type MapLayout, NODE, shapeOf } from './layout'
import { pageThatWay } from './map-keys'
import { MapPage } from './map-page'

interface Props {
  readonly script: Script
  readonly findings: readonly ScriptFinding[]
  readonly selected: string
  /** Pages a rehearsal has been on, in order. */
  readonly trail?: readonly string[]
  readonly onSelect: (pageId: string) => void
}

/** Of more pages than these one wants to see where one is. */
const AT_A_GLANCE = 24

const path = line<readonly [number, number]>()
  .x((p) => p[0])
  .y((p) => p[1])
  .curve(curveBasis)

export const ScriptMap = memo(function ScriptMap({ script, findings, selected, trail = [], onSelect }: Props) {
  const shape = shapeOf(script)
  const map = useMemo(() => layoutOf(shape), [shape])
  const frame = useRef<HTMLDivElement>(null)
  const [whole, setWhole] = useState(false)
  const at = map.nodes.find((n) => n.id === selected)
  useEffect(() => {
    if (at === undefined || frame.current === null) return
    const { scrollLeft, scrollTop, clientWidth, clientHeight } = frame.current
    // The page that is edited is always in view; nothing moves when it is.
    if (at.x - NODE.width / 2 < scrollLeft || at.x + NODE.width / 2 > scrollLeft + clientWidth) frame.current.scrollLeft = at.x - clientWidth / 2
    if (at.y - NODE.height / 2 < scrollTop || at.y + NODE.height / 2 > scrollTop + clientHeight) frame.current.scrollTop = at.y - clientHeight / 2
  }, [at])
  // One Tab stop, at the page the keyboard was on last: arrows go from page to page, letters to a title, Home to the first page.
  const [stop, setStop] = useState(selected)
  const stopAt = map.nodes.some((n) => n.id === stop) ? stop : selected
  const typed = useRef(NOTHING_TYPED())
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.altKey || event.ctrlKey || event.metaKey) return
    const titles = map.nodes.map((n) => pages.get(n.id)?.title ?? '')
    const index = map.nodes.findIndex((n) => n.id === stopAt)
    const to =
      event.key === 'Home'
        ? script.startPage
        : isLetter(event.key)
          ? map.nodes[beginningWith(typed.current, event.key, index, titles.length, (i) => titles[i] ?? '')]?.id
          : pageThatWay(map.nodes, stopAt, event.key)
    if (to === undefined) return
    event.preventDefault()
    frame.current?.querySelector<HTMLElement>(`[data-page="${CSS.escape(to)}"]`)?.focus()
  }
  const pages = new Map(script.pages.map((p) => [p.id, p]))
  const grades = new Map<string, ScriptFinding['grade']>()
  for (const f of findings) if (grades.get(f.pageId) !== 'error') grades.set(f.pageId, f.grade)
  return (
    <section aria-label="Map of the script" className="border-line-strong border-b bg-paper">
      {map.nodes.length > AT_A_GLANCE && (
        <div className="flex flex-wrap items-center gap-x-4 gap-y-1 border-line border-b bg-raised px-4 py-1">
          <p className="text-soft">
            {script.pages.length} pages, {script.pages.filter((p) => p.ways.length === 0).length} ends
          </p>
          <label className="ml-auto flex items-center gap-2">
            Page
            <select
              className="h-7 w-72 max-w-full rounded-sm border border-line-strong bg-raised px-1"
              value={selected}
              onChange={(e) => onSelect(e.target.value)}
            >
              {script.pages.map((p) => (
                <option key={p.id} value={p.id}>
                  {p.title || '(no title)'}
                </option>
              ))}
            </select>
          </label>
          <Button
            className="!h-7 aria-pressed:!border-ink aria-pressed:!bg-ink aria-pressed:!text-on-fill"
            aria-pressed={whole}
            onClick={() => setWhole(!whole)}
          >
            Whole map
          </Button>
        </div>
      )}
      {/* biome-ignore lint/a11y/noStaticElementInteractions: keys are heard for its pages together */}
      <div ref={frame} onKeyDown={onKeyDown} className="max-h-[19.25rem] overflow-auto">
        <svg
          {...(whole ? { viewBox: `0 0 ${map.width} ${map.height}`, width: '100%' } : { width: Math.max(map.width, 200), height: map.height })}
          className={clsx('mx-auto block', whole && 'max-h-[19.25rem]')}
          aria-label="Pages and ways"
        >
          <title>Pages and ways</title>
          <Ways map={map} selected={selected} trail={trail} />
          {map.nodes.map(({ id, x, y }) => {
            const page = pages.get(id)
            if (page === undefined) return null
            return (
              <foreignObject key={id} x={x - NODE.width / 2} y={y - NODE.height / 2} width={NODE.width} height={NODE.height}>
                <MapPage
                  page={page}
                  isStart={id === script.startPage}
                  isSelected={id === selected}
                  wasOn={trail.includes(id)}
                  grade={grades.get(id) ?? null}
                  isStop={id === stopAt}
                  small={whole}
                  onFocus={() => setStop(id)}
                  onSelect={() => onSelect(id)}
                />
              </foreignObject>
            )
          })}
        </svg>
      </div>
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
            vectorEffect="non-scaling-stroke"
            markerEnd={`url(#way-${look})`}
          />
        )
      })}
    </g>
  )
})

const COLOURS = { quiet: 'var(--color-line-strong)', strong: 'var(--color-ink)', taken: 'var(--color-green)' } as const
