// What a supervisor takes back: only what still stands as it was left, agent by agent, for a while.
import { expect, test } from 'vitest'
import type { Ask } from '@/core/floor'
import { get } from '@/core/table'
import { FREIGHT, SAILINGS } from '@/world/scenario'
import { UNDO_FOR_MS } from './acts'
import { aFloor, aTab, ELUNED, HELLO, KESTER, LINNEA } from './testing'

async function two() {
  const floor = await aFloor()
  const seat = async (id: typeof ELUNED) => {
    const tab = aTab(floor.exchange)
    await tab.ask(HELLO)
    await tab.signIn(id)
    return tab
  }
  const [eluned, kester, linnea] = [await seat(ELUNED), await seat(KESTER), await seat(LINNEA)]
  for (const tab of [eluned, kester]) {
    await tab.give({ kind: 'startShift', queueIds: [SAILINGS], seat: 'desk' })
    await tab.give({ kind: 'goReady' })
  }
  const is = (id = ELUNED) => get(floor.exchange.state().agents, id)
  const does = async (ask: Ask): Promise<string> => {
    const reply = await linnea.give(ask)
    if (!reply.ok || reply.text === null) throw new Error(JSON.stringify(reply))
    return reply.text
  }
  const takesBack = async (act: string, by = linnea) => {
    const reply = await by.ask({ kind: 'takeBackAct', act })
    return reply.ok ? JSON.parse(reply.text ?? '') : reply.refusal.reason
  }
  return { ...floor, eluned, kester, linnea, is, does, takesBack }
}
const BREAK: Ask = { kind: 'setReadiness', agentIds: [ELUNED, KESTER], ready: false, reason: 'Break' }

test('of a group those come back who are as they were left; who has gone to lunch since stays there, whatever waits', async () => {
  const { eluned, is, does, takesBack } = await two()
  const act = await does(BREAK)
  await eluned.give({ kind: 'goNotReady', reason: 'Lunch' })
  expect(await takesBack(act)).toEqual({ undone: [KESTER], leftAlone: [ELUNED] })
  expect([is()?.availability, is(KESTER)?.availability]).toEqual([
    { ready: false, reason: 'Lunch' },
    { ready: true, reason: null },
  ])
})

test('what somebody did again afterwards is theirs, also where it looks the same', async () => {
  const { eluned, is, does, takesBack } = await two()
  const act = await does({ ...BREAK, agentIds: [ELUNED] })
  await eluned.give({ kind: 'goReady' })
  await eluned.give({ kind: 'goNotReady', reason: 'Break' })
  expect(await takesBack(act)).toEqual({ undone: [], leftAlone: [ELUNED] })
  expect(is()?.availability.ready).toBe(false)
})

test('it is taken back once, within a minute, and by who did it', async () => {
  const { does, takesBack, eluned, pass, is } = await two()
  const act = await does(BREAK)
  expect(await takesBack(act, eluned)).toBe('tooLateToUndo')
  expect(await takesBack(act)).toEqual({ undone: [ELUNED, KESTER], leftAlone: [] })
  expect(await takesBack(act)).toBe('tooLateToUndo')
  const late = await does(BREAK)
  pass(UNDO_FOR_MS + 1)
  expect(await takesBack(late)).toBe('tooLateToUndo')
  expect(is()?.availability.reason).toBe('Break')
})

test('work that was changed goes back where nobody has changed it since', async () => {
  const { does, takesBack, is } = await two()
  const act = await does({ kind: 'assignWork', agentIds: [ELUNED, KESTER], add: [FREIGHT], drop: [] })
  await does({ kind: 'assignWork', agentIds: [KESTER], add: [], drop: [SAILINGS] })
  expect(await takesBack(act)).toEqual({ undone: [ELUNED], leftAlone: [KESTER] })
  expect([is()?.shift?.queueIds, is(KESTER)?.shift?.queueIds]).toEqual([[SAILINGS], [FREIGHT]])
})

test('a door that was opened again by somebody else is theirs', async () => {
  const { does, takesBack, exchange } = await two()
  const closed = await does({ kind: 'setDoor', queueId: FREIGHT, door: 'closed' })
  await does({ kind: 'setDoor', queueId: FREIGHT, door: 'open' })
  expect(await takesBack(closed)).toEqual({ undone: [], leftAlone: [FREIGHT] })
  const again = await does({ kind: 'setDoor', queueId: FREIGHT, door: 'closed' })
  expect(await takesBack(again)).toEqual({ undone: [FREIGHT], leftAlone: [] })
  expect(exchange.state().doors[FREIGHT]).toBe('open')
})
