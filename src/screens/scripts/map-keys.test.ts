import { expect, test } from 'vitest'
import { SCRIPTS } from '@/world/scenario/scripts'
import { layoutOf, shapeOf } from './layout'
import { pageThatWay } from './map-keys'

const KEYS = ['ArrowRight', 'ArrowLeft', 'ArrowDown', 'ArrowUp']

test.each(SCRIPTS.map((script) => ({ script, name: script.name })))('$name: arrows lead from the first page to every page', ({ script }) => {
  const { nodes } = layoutOf(shapeOf(script))
  const reached = new Set([script.startPage])
  for (const from of reached)
    for (const key of KEYS) {
      const to = pageThatWay(nodes, from, key)
      if (to !== undefined) reached.add(to)
    }
  expect([...reached].toSorted()).toEqual(script.pages.map((p) => p.id).toSorted())
})

test.each([
  { key: 'ArrowRight', to: 'ahead', why: 'straight ahead before nearer aside' },
  { key: 'ArrowDown', to: 'below', why: 'what lies that way at all' },
  { key: 'ArrowLeft', to: undefined, why: 'nothing lies there' },
  { key: 'a', to: undefined, why: 'no arrow' },
])('$key: $why', ({ key, to }) => {
  const nodes = [
    { id: 'here', x: 0, y: 0 },
    { id: 'ahead', x: 200, y: 0 },
    { id: 'below', x: 150, y: 60 },
  ]
  expect(pageThatWay(nodes, 'here', key)).toBe(to)
})
