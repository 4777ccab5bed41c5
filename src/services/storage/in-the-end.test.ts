import { expect, test } from 'vitest'
import { openInTheEnd } from './in-the-end'

test('a floor whose store says no is opened once it says yes, and whoever waits hears why it takes so long', async () => {
  const pauses: number[] = []
  const said: string[] = []
  let tries = 0
  const opened = await openInTheEnd(
    async () => {
      if (++tries < 9) throw new DOMException(`try ${tries}`, 'UnknownError')
      return 'the floor'
    },
    {
      later: (inMs, again) => {
        pauses.push(inMs)
        again()
      },
      failed: (says) => said.push(says),
    },
  )
  expect(opened).toBe('the floor')
  expect(said).toEqual(Array.from({ length: 8 }, (_, i) => `try ${i + 1}`))
  expect(pauses).toEqual([500, 1_000, 2_000, 4_000, 8_000, 15_000, 15_000, 15_000])
})

test('where tries are counted, the last reason is thrown', async () => {
  let tries = 0
  const opening = openInTheEnd(() => Promise.reject(new Error(`try ${++tries}`)), { later: (_, again) => again(), failed: () => {}, atMost: 3 })
  await expect(opening).rejects.toThrow('try 3')
})
