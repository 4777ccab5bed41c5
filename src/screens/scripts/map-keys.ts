// Where an arrow leads on the map: to the nearest page that way, straight ahead before aside.
import type { MapLayout } from './layout'

type Node = MapLayout['nodes'][number]

const WAYS: Readonly<Record<string, readonly [dx: number, dy: number]>> = {
  ArrowRight: [1, 0],
  ArrowLeft: [-1, 0],
  ArrowDown: [0, 1],
  ArrowUp: [0, -1],
}
/** What lies aside counts so many times what lies ahead. */
const ASIDE = 2.5

/** The page an arrow leads to from a page; undefined for another key, and where nothing lies that way. */
export function pageThatWay(nodes: readonly Node[], from: string, key: string): string | undefined {
  const way = WAYS[key]
  const here = nodes.find((n) => n.id === from)
  if (way === undefined || here === undefined) return undefined
  const [dx, dy] = way
  let best: { readonly id: string; readonly far: number } | undefined
  for (const { id, x, y } of nodes) {
    const ahead = (x - here.x) * dx + (y - here.y) * dy
    if (id === from || ahead <= 0) continue
    const far = ahead + ASIDE * Math.abs((x - here.x) * dy + (y - here.y) * dx)
    if (best === undefined || far < best.far) best = { id, far }
  }
  return best?.id
}
