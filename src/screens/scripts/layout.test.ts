import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { addPage, type Script, withPage } from '@/core/scripts'
import { SMALL } from '@/core/testing'
import { SCRIPTS } from '@/world/scenario/scripts'
import { layoutOf, NODE, shapeOf } from './layout'

const small = SMALL.scripts[0] as Script
const mapOf = (script: Pick<Script, 'pages' | 'startPage'>) => layoutOf(shapeOf(script))

describe('the map of a script', () => {
  test.each(SCRIPTS.map((script) => ({ script, name: script.name })))('$name: every page once and apart from the others, every way drawn', ({ script }) => {
    const map = mapOf(script)
    expect(map.nodes.map((n) => n.id).sort()).toEqual(script.pages.map((p) => p.id).sort())
    const overlapping = map.nodes.filter((a) => map.nodes.some((b) => a !== b && Math.abs(a.x - b.x) < NODE.width && Math.abs(a.y - b.y) < NODE.height))
    expect(overlapping).toEqual([])
    const ways = new Set(script.pages.flatMap((p) => p.ways.filter((w) => w.to !== p.id).map((w) => `${p.id} ${w.to}`)))
    expect(new Set(map.edges.map((e) => `${e.from} ${e.to}`))).toEqual(ways)
    const start = map.nodes.find((n) => n.id === script.startPage)
    expect(map.nodes.every((n) => n.x >= (start?.x ?? Infinity))).toBe(true)
  })

  test('a script of 500 pages with ways across all of it is laid out at once, no page on another', () => {
    const id = (n: number) => `p${Math.min(n, 500)}`
    const page = (n: number) => ({
      ...(small.pages[0] as Script['pages'][number]),
      id: id(n),
      ways: n === 500 ? [] : [n + 1, n + 10, 500].map((to) => ({ when: null, to: id(to) })),
    })
    const map = mapOf({ startPage: 'p0', pages: Array.from({ length: 501 }, (_, n) => page(n)) })
    expect(map.nodes).toHaveLength(501)
    expect(new Set(map.nodes.map((n) => `${n.x} ${n.y}`)).size).toBe(501)
    expect(map.edges.length).toBeGreaterThan(1400)
  })

  test('typing moves nothing, a new way does', () => {
    const typed = withPage(small, { ...(small.pages[0] as Script['pages'][number]), title: 'Another title', say: ['Other words'] })
    expect(shapeOf(typed)).toBe(shapeOf(small))
    expect(shapeOf(addPage(small, 'end').script)).not.toBe(shapeOf(small))
  })

  test('circles, ways to oneself and pages nobody reaches are drawn all the same', () => {
    const ids = ['a', 'b', 'c', 'd']
    const way = fc.constantFrom(...ids).map((to) => ({ when: null, to }))
    const page = (id: string, ways: { when: null; to: string }[]) => ({ ...(small.pages[0] as Script['pages'][number]), id, ways })
    fc.assert(
      fc.property(fc.tuple(...ids.map(() => fc.array(way, { maxLength: 4 }))), (ways) => {
        const map = mapOf({ startPage: 'a', pages: ids.map((id, i) => page(id, ways[i] ?? [])) })
        expect(map.nodes).toHaveLength(ids.length)
        for (const { x, y } of map.nodes) expect(Number.isFinite(x) && Number.isFinite(y)).toBe(true)
      }),
      { seed: 3, numRuns: 60 },
    )
  })
})
