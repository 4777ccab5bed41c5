import { describe, expect, test, vi } from 'vitest'
import { createNumbers, type NumbersAsked } from './numbers'
import { aFloor, aTab, HELLO } from './testing'

/** Numbers of a tab at a floor that answers, or is silent for a while. */
async function aTabsNumbers() {
  const { exchange } = await aFloor()
  const tab = aTab(exchange)
  await tab.ask(HELLO)
  const asked: NumbersAsked[] = []
  const floor = { isSilent: false }
  const numbers = createNumbers()
  numbers.answerBy(async (request) => {
    asked.push(request)
    return floor.isSilent ? { ok: false } : ((await tab.ask(request)) as never)
  })
  let told = 0
  numbers.subscribe(() => told++)
  return { numbers, asked, floor, told: () => told }
}

describe('numbers that the floor reads and writes for a tab', () => {
  test('stand as they are kept until they are known; what is drawn in one go is asked for in one message, once', async () => {
    const { numbers, asked, told } = await aTabsNumbers()
    const write = numbers.writer()
    expect([write('+441632960112'), write('+33123456789'), write('+441632960112'), write('21')]).toEqual([
      '+441632960112',
      '+33123456789',
      '+441632960112',
      '21',
    ])
    await vi.waitFor(() => expect(told()).toBe(1))
    expect(asked.map((a) => a.write)).toEqual([['+441632960112', '+33123456789', '21']])
    // What is shown by the former function is drawn anew with the next.
    expect(numbers.writer()).not.toBe(write)
    expect(['+441632960112', '+33123456789', '21'].map(numbers.writer())).toEqual(['+44 1632 960112', '+33 1 23 45 67 89', '21'])
    expect(asked).toHaveLength(1)
  })

  test('what is typed is read by the home country it was typed in, whatever it is', async () => {
    const { numbers, told } = await aTabsNumbers()
    const long = `01632 960112 ${'x'.repeat(5_000)}`
    for (const [typed, home] of [
      ['01632 960112', 'GB'],
      ['01632 960112', 'DE'],
      [long, 'GB'],
    ] as const)
      expect(numbers.read(typed, home)).toBeUndefined()
    await vi.waitFor(() => expect(told()).toBe(1))
    expect(numbers.read('01632 960112', 'GB')).toMatchObject({ ok: true, number: { e164: '+441632960112', international: '+44 1632 960112' } })
    expect(numbers.read('01632 960112', 'DE')).not.toEqual(numbers.read('01632 960112', 'GB'))
    expect(numbers.read(long, 'GB')).toMatchObject({ ok: false })
    expect(await numbers.reading('07700 900018', 'GB')).toMatchObject({ ok: true, number: { e164: '+447700900018' } })
  })

  test('a floor that was silent is asked again by whoever is drawn next', async () => {
    const { numbers, asked, floor, told } = await aTabsNumbers()
    floor.isSilent = true
    numbers.writer()('+441632960112')
    await vi.waitFor(() => expect(asked).toHaveLength(1))
    expect(await numbers.reading('07700 900018', 'GB')).toBeUndefined()
    floor.isSilent = false
    expect(numbers.writer()('+441632960112')).toBe('+441632960112')
    await vi.waitFor(() => expect(told()).toBe(1))
    expect(numbers.writer()('+441632960112')).toBe('+44 1632 960112')
  })
})
