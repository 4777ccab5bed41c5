// Two presses that come so soon that they were one: the second must not undo the first.
import { expect, test } from 'vitest'
import { CALL, inCall } from './testing'

test.each([
  { says: 'Mute', first: { kind: 'setMute', muted: true }, second: { kind: 'setMute', muted: false }, is: (f: Floor) => f.tab.view().me?.muted, stays: true },
  { says: 'Hold', first: { kind: 'hold', callId: CALL }, second: { kind: 'retrieve', callId: CALL }, is: held, stays: 'held' },
  {
    says: 'Start recording',
    first: { kind: 'record', callId: CALL, to: 'on' },
    second: { kind: 'record', callId: CALL, to: 'off' },
    is: (f: Floor) => f.exchange.state().calls.get(CALL)?.recording?.state ?? null,
    stays: 'on',
  },
] as const)('$says pressed twice within 300 ms is one press; a moment later it is another', async ({ first, second, is, stays }) => {
  const floor = await inCall()
  expect((await floor.tab.give(first)).ok).toBe(true)
  floor.pass(250)
  expect((await floor.tab.give(second)).ok).toBe(true)
  expect(is(floor)).toBe(stays)
  floor.pass(400)
  expect((await floor.tab.give(second)).ok).toBe(true)
  expect(is(floor)).not.toBe(stays)
})

type Floor = Awaited<ReturnType<typeof inCall>>
function held(floor: Floor): string | undefined {
  return floor.exchange
    .state()
    .calls.get(CALL)
    ?.connections.find((c) => c.party.kind === 'agent')?.state
}
