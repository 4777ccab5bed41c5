// Where the pages of a script stand on its map: layers from left to right along the ways, by dagre. Depends on pages and ways alone,
// so that typing moves nothing.
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
  const graph = new Graph({ multigraph: false })
  graph.setGraph({ rankdir: 'LR', nodesep: 8, ranksep: 42, marginx: 12, marginy: 12 })
  graph.setDefaultEdgeLabel(() => ({}))
  const ids = new Set(pages.map(([id]) => id))
  // The start comes first, so that its layer is the leftmost.
  for (const [id] of [...pages].sort((a, b) => Number(b[0] === start) - Number(a[0] === start))) graph.setNode(id, { ...NODE })
  for (const [id, ways] of pages) for (const to of ways) if (ids.has(to) && to !== id) graph.setEdge(id, to)
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
