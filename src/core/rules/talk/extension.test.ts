// What was typed behind a number is sent once it has answered, on whichever way it was called, and once.
import { expect, test } from 'vitest'
import type { Command } from '@/core/floor'
import { deviceOutside, toCallId } from '@/core/ids'
import { partyName } from '@/core/state'
import { get } from '@/core/table'
import { ANN, aReadyFloor, arrives } from '@/core/testing'

const call = (n: number) => toCallId(`call_test_${n}`)
const target = { kind: 'number', typed: '01632 960113 ext. 27', name: 'Harbour' } as const
const on = (kind: string, more: object = {}) => ({ kind, agentId: ANN, callId: call(1), ...more }) as Command

test.each<{ way: string; given: readonly Command[]; n: number; nth: number }>([
  { way: 'dialled', given: [{ kind: 'makeCall', agentId: ANN, typed: target.typed, customer: null }], n: 1, nth: 1 },
  { way: 'consulted', given: [arrives(), on('answer'), on('consult', { target })], n: 2, nth: 1 },
  { way: 'asked into the call', given: [arrives(), on('answer'), on('addParty', { target })], n: 1, nth: 2 },
  { way: 'sent there, the agent gone', given: [arrives(), on('answer'), on('transfer', { target })], n: 1, nth: 2 },
  { way: 'called with others', given: [{ kind: 'callTogether', agentId: ANN, targets: [target] }], n: 1, nth: 1 },
])('$way', ({ given, n, nth }) => {
  const floor = aReadyFloor([ANN])
  for (const command of given) expect(floor.give(command), JSON.stringify(command)).toBe('ok')
  const sent = () => floor.entries.flatMap((e) => (e.event.kind === 'digitsSent' ? [[e.event.digits, e.event.byAgentId]] : []))
  const device = deviceOutside(call(n), nth)
  const far = (report: 'ringing' | 'answered'): Command => ({ kind: 'farEnd', callId: call(n), deviceId: device, report })
  expect(floor.give(far('ringing'))).toBe('ok')
  expect(sent()).toEqual([])
  expect(floor.give(far('answered'))).toBe('ok')
  expect(sent()).toEqual([['27', ANN]])
  const party = get(floor.state().calls, call(n))?.connections.find((c) => c.deviceId === device)?.party
  expect(party && partyName(floor.state(), party)).toMatch(/ ext\. 27$/)
})
