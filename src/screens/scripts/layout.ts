// Where the pages of a script stand on its map: layers from left to right along the ways, by dagre; a very large one
// in plain columns. Depends on pages and ways alone, so that typing moves nothing.
import { Graph, layout } from '@dagrejs/dagre'
import type { Script } from '@/core/scripts'

export const NODE = { width: 144, height: 36 } as const

export interface MapLayout {
  readonly width: number
  readonly height: number
  readonly nodes: readonly { readonly id: string; readonly x: number; readonly y: number }[]
  /** Several ways between the same two pages are one line. */
  readonly edges: readonly { readonly from: string; readonly to: string; readonly points: readonly (readonly [number, number])[] }[]
}

/** What the layout depends on, as text. */
export const shapeOf = ({ pages, startPage }: Pick<Script, 'pages' | 'startPage'>): string =>
  JSON.stringify([startPage, pages.map((p) => [p.id, p.ways.map((w) => w.to)])])

export function layoutOf(shape: string): MapLayout {
  const [start, pages] = JSON.parse(shape) as [string, [string, string[]][]]
  const ids = new Set(pages.map(([id]) => id))
  const ways = pages.flatMap(([from, to]) => [...new Set(to)].filter((id) => ids.has(id) && id !== from).map((id) => [from, id] as const))
  const depth = depths(start, pages, ways)
  // A way over many layers costs a point in each of them: beyond this dagre would take seconds.
  const points = ways.reduce((sum, [from, to]) => sum + Math.abs((depth.get(to) ?? 0) - (depth.get(from) ?? 0)), 0)
  return pages.length > LARGE || points > LARGE * 4 ? inColumns(pages, ways, depth) : layered(start, pages, ways)
}

const LARGE = 120
type Pages = readonly (readonly [id: string, ways: readonly string[]])[]
type Ways = readonly (readonly [from: string, to: string])[]

function layered(start: string, pages: Pages, ways: Ways): MapLayout {
  const graph = new Graph({ multigraph: false })
  graph.setGraph({ rankdir: 'LR', nodesep: 8, ranksep: 42, marginx: MARGIN, marginy: MARGIN })
  graph.setDefaultEdgeLabel(() => ({}))
  // The start comes first, so that its layer is the leftmost.
  for (const [id] of [...pages].sort((a, b) => Number(b[0] === start) - Number(a[0] === start))) graph.setNode(id, { ...NODE })
  for (const [from, to] of ways) graph.setEdge(from, to)
  layout(graph)
  const { width = 0, height = 0 } = graph.graph() as { width?: number; height?: number }
  return {
    width,
    height,
    nodes: pages.map(([id]) => {
      const { x, y } = graph.node(id) as { x: number; y: number }
      return { id, x, y }
    }),
    edges: graph.edges().map((edge) => {
      const { points } = graph.edge(edge) as { points: { x: number; y: number }[] }
      return { from: edge.v, to: edge.w, points: points.map((p) => [p.x, p.y] as const) }
    }),
  }
}

/** A column for each number of steps from the start, pages in the order they are written; pages nobody reaches come last. */
function inColumns(pages: Pages, ways: Ways, depth: ReadonlyMap<string, number>): MapLayout {
  const columns = new Map<number, number>()
  const last = Math.max(...depth.values())
  const nodes = pages.map(([id]) => {
    const column = depth.get(id) ?? last + 1
    const row = columns.get(column) ?? 0
    columns.set(column, row + 1)
    return { id, x: MARGIN + NODE.width / 2 + column * (NODE.width + 42), y: MARGIN + NODE.height / 2 + row * (NODE.height + 8) }
  })
  const at = new Map(nodes.map((n) => [n.id, n]))
  const right = Math.max(...nodes.map((n) => n.x)) + NODE.width / 2 + MARGIN
  const bottom = Math.max(...nodes.map((n) => n.y)) + NODE.height / 2 + MARGIN
  const edges = ways.flatMap(([from, to]) => {
    const [a, b] = [at.get(from), at.get(to)]
    if (a === undefined || b === undefined) return []
    const points = [
      [a.x + NODE.width / 2, a.y] as const,
      [a.x + NODE.width / 2 + 20, a.y] as const,
      [b.x - NODE.width / 2 - 20, b.y] as const,
      [b.x - NODE.width / 2, b.y] as const,
    ]
    return [{ from, to, points }]
  })
  return { width: right, height: bottom, nodes, edges }
}

/** Steps from the start to each page that is reached. */
function depths(start: string, pages: Pages, ways: Ways): ReadonlyMap<string, number> {
  const onward = new Map<string, string[]>(pages.map(([id]) => [id, []]))
  for (const [from, to] of ways) onward.get(from)?.push(to)
  const depth = new Map([[start, 0]])
  for (const [id, steps] of depth) for (const to of onward.get(id) ?? []) if (!depth.has(to)) depth.set(to, steps + 1)
  return depth
}

const MARGIN = 12
