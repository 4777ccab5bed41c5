// Whether desks are there: asked every few seconds, and what is counted are questions that were not answered.
import { describe, expect, test } from 'vitest'
import { DESK_GRACE_MS } from '@/core/agents'
import { get, values } from '@/core/table'
import { memoryStore } from '@/services/storage'
import { restore } from './store'
import { aFloor, aTab, CALL, ELUNED, HELLO, inCall, LINNEA } from './testing'

type Running = Awaited<ReturnType<typeof inCall>>
const lost = ({ exchange }: Pick<Running, 'exchange'>) => get(exchange.state().agents, ELUNED)?.shift?.deskLost ?? null
/** Some rounds of the pulse, each with the seconds that pass before it. */
function rounds({ pass, tryAgain }: Pick<Running, 'pass' | 'tryAgain'>, count: number): void {
  for (let i = 0; i < count; i++) {
    pass(4_000)
    tryAgain()
  }
}
const ends = ({ exchange }: Pick<Running, 'exchange'>) =>
  exchange
    .state()
    .calls.get(CALL)
    ?.connections.map((c) => `${c.party.kind} ${c.state}`)

describe('a desk in a call', () => {
  test('that answers is there for as long as it likes', async () => {
    const floor = await inCall()
    rounds(floor, 5)
    expect([lost(floor), ends(floor)]).toEqual([null, ['outside connected', 'agent connected']])
  })

  test('that crashed is lost after some questions, its supervisor sees it, and its caller is somebody’s again', async () => {
    const floor = await inCall()
    const owner = aTab(floor.exchange)
    await owner.ask(HELLO)
    await owner.signIn(LINNEA)
    floor.tab.vanish()
    rounds(floor, 2)
    expect(lost(floor)).toBeNull()
    rounds(floor, 2)
    expect(lost(floor)).not.toBeNull()
    expect(ends(floor)).toEqual(['outside connected', 'agent held'])
    expect(owner.view().watched?.find((w) => w.id === ELUNED)?.deskLostSinceMs).toBe(lost(floor)?.sinceMs)
    floor.pass(DESK_GRACE_MS)
    expect(ends(floor)).toEqual(['outside connected', 'queue queued'])
  })

  test('that was closed and opened again in time goes on as it was', async () => {
    const floor = await inCall()
    floor.tab.detach()
    rounds(floor, 4)
    expect(lost(floor)).not.toBeNull()
    const again = aTab(floor.exchange)
    await again.ask({ ...HELLO, key: floor.key })
    rounds(floor, 1)
    expect([lost(floor), ends(floor)]).toEqual([null, ['outside connected', 'agent connected']])
    expect(again.view().me?.deskWasLost).toBeNull()
  })

  test('that hung and wakes up says so itself, and is there at once', async () => {
    const floor = await inCall()
    floor.tab.vanish()
    rounds(floor, 4)
    floor.tab.raw('beat')
    expect([lost(floor), ends(floor)]).toEqual([null, ['outside connected', 'agent connected']])
  })
})

test('a reload is no loss, and neither is a floor that slept or a clock that was set', async () => {
  const floor = await inCall()
  floor.tab.detach()
  rounds(floor, 1)
  const again = aTab(floor.exchange)
  await again.ask({ ...HELLO, key: floor.key })
  floor.setElapsed(8 * 3_600_000)
  floor.setClock(3_600_000)
  rounds(floor, 3)
  expect(values(floor.exchange.state().agents).filter((a) => a.shift?.deskLost != null)).toEqual([])
})

test('a floor that was closed in a call and opened without its desk waits for it as for any other', async () => {
  const store = memoryStore()
  const before = await inCall({ store })
  await before.exchange.settled()
  const floor = await aFloor({ store, restored: await restore(store) })
  await aTab(floor.exchange).ask(HELLO)
  rounds(floor, 2)
  expect(lost(floor)).toBeNull()
  rounds(floor, 2)
  expect(lost(floor)).not.toBeNull()
  floor.pass(DESK_GRACE_MS)
  expect(ends(floor)).toEqual(['outside connected', 'queue queued'])
})
