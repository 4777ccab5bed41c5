'use client'
// Panes side by side, as wide as somebody makes them: dragged, or moved by the arrow keys on the line between two; kept for each account, and back to
// the start with one press or a double click. On a narrow window they stand one below the other.
import clsx from 'clsx'
import { Fragment, type ReactNode, useRef, useSyncExternalStore } from 'react'
import { Group, type GroupImperativeHandle, type Layout, Panel, Separator } from 'react-resizable-panels'
import { Button } from './button'
import { usePersonalSetting } from './personal-setting'

export interface Pane {
  readonly id: string
  /** What the line before it changes the width of: `Width of <name>`. */
  readonly name: string
  /** Pixels to begin with; the one without takes what is left. */
  readonly px?: number
  readonly minPx: number
  readonly content: ReactNode
}

interface Props {
  /** Unique among all panes; with whose they are, what widths are kept under. */
  readonly name: string
  readonly accountId: string
  readonly panes: readonly Pane[]
  readonly className?: string
  /** Below this width of the window there is nothing to drag. */
  readonly stacksBelowPx?: number
}

export function Panes({ name, accountId, panes, className, stacksBelowPx = 0 }: Props) {
  const group = useRef<GroupImperativeHandle>(null)
  const key = panes.map((p) => p.id).join(' ')
  const [json, setJson] = usePersonalSetting<string>(`widths ${accountId} ${name} ${key}`, '')
  const isNarrow = useIsNarrow(stacksBelowPx)
  const kept = layoutOf(json, panes)
  if (isNarrow)
    return (
      <div className={clsx('overflow-auto', className)}>
        {panes.map((p) => (
          <Fragment key={p.id}>{p.content}</Fragment>
        ))}
      </div>
    )
  const begins = panes.find((p) => p.px === undefined) ?? panes[0]
  return (
    // Other widths to begin with are another group.
    <Group
      key={`${key} ${kept === null}`}
      groupRef={group}
      className={className}
      {...(kept === null ? {} : { defaultLayout: kept })}
      onLayoutChanged={(layout, { isUserInteraction, requestedLayout }) => isUserInteraction && setJson(JSON.stringify(requestedLayout ?? layout))}
    >
      {panes.map((p, i) => (
        <Fragment key={p.id}>
          {i > 0 && (
            <Separator
              // The narrower one beside it is what is meant.
              aria-label={`Width of ${(p === begins ? (panes[i - 1] as Pane) : p).name}`}
              className="group relative w-px shrink-0 bg-line-strong outline-none"
            >
              <span className="absolute inset-y-0 -left-[3px] z-10 w-[7px] group-focus-visible:bg-ink group-data-[separator=active]:bg-ink group-data-[separator=hover]:bg-line-strong" />
              {kept !== null && i === 1 && (
                <Button
                  className="!absolute -left-14 bottom-1 z-20 !h-6 w-28 !px-1 opacity-0 focus-visible:opacity-100 group-data-[separator=hover]:opacity-100 group-focus-visible:opacity-100"
                  onPointerDown={(e) => e.stopPropagation()}
                  onClick={() => setJson('')}
                >
                  Widths as before
                </Button>
              )}
            </Separator>
          )}
          <Panel
            id={p.id}
            minSize={p.minPx}
            {...(p.px === undefined ? {} : { defaultSize: p.px, groupResizeBehavior: 'preserve-pixel-size' as const })}
            // What stands in it fills it.
            className="grid min-h-0 grid-cols-[minmax(0,1fr)] grid-rows-[minmax(0,1fr)]"
          >
            {p.content}
          </Panel>
        </Fragment>
      ))}
    </Group>
  )
}

/** What was kept, where it is of these panes. */
function layoutOf(json: string, panes: readonly Pane[]): Layout | null {
  try {
    const kept = JSON.parse(json) as unknown
    if (typeof kept !== 'object' || kept === null) return null
    return panes.every((p) => typeof (kept as Record<string, unknown>)[p.id] === 'number') ? (kept as Layout) : null
  } catch {
    return null
  }
}

/** By the browser's own text size: who has larger letters has a narrower window. */
function useIsNarrow(belowPx: number): boolean {
  const query = `(width < ${belowPx / 16}rem)`
  return useSyncExternalStore(
    (changed) => {
      const media = window.matchMedia(query)
      media.addEventListener('change', changed)
      return () => media.removeEventListener('change', changed)
    },
    () => window.matchMedia(query).matches,
    () => false,
  )
}
