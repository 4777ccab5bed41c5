// Own calls that go to a colleague: followed on and on, in no circle, and a message is left for who was meant.
import { describe, expect, test } from 'vitest'
import { type Command, decide, toRefusalText } from '@/core/floor'
import { type AgentId, toAgentId } from '@/core/ids'
import { get, values } from '@/core/table'
import { ANN, aFloor, BO, CY, FIRST, SMALL } from '@/core/testing'

const DI = toAgentId('agent_di')
const CENTRE = {
  ...SMALL,
  agents: [...SMALL.agents, ...SMALL.agents.slice(0, 1).map((a) => ({ ...a, id: DI, name: 'Di' }))].map((a, i) => ({
    ...a,
    extension: String(21 + i),
    number: a.id === CY ? '+441632960022' : '',
  })),
}
const sends = (agentId: AgentId, to: object | null): Command => ({ kind: 'setDiversion', agentId, to }) as Command
const to = (agentId: AgentId) => ({ kind: 'agent', agentId })
const calls = (agentId: AgentId, toAgentId: AgentId): Command => ({ kind: 'callColleague', agentId, toAgentId, at: 'desk' })

function onShift(...off: AgentId[]) {
  const floor = aFloor(CENTRE)
  for (const agentId of [ANN, BO, CY, DI]) if (!off.includes(agentId)) give(floor, { kind: 'startShift', agentId, queueIds: [FIRST], seat: 'desk' })
  return floor
}
const give = (floor: ReturnType<typeof aFloor>, ...commands: Command[]) => {
  for (const command of commands) expect(floor.give(command), command.kind).toBe('ok')
}

describe('where own calls shall go', () => {
  test.each<[string, object, object | string]>([
    ['a colleague by name', to(CY), to(CY)],
    ['by their extension', { kind: 'number', typed: '2 3' }, to(CY)],
    ['by their number', { kind: 'number', typed: '01632 960022' }, to(CY)],
    ['oneself', to(ANN), 'diversionCircle'],
    ['one’s own extension', { kind: 'number', typed: '21' }, 'diversionCircle'],
    ['nobody here', to(toAgentId('agent_nobody')), 'diversionToNobody'],
    ['an extension of nobody', { kind: 'number', typed: '77' }, 'numberTooShort'],
  ])('%s', (_, where, then) => {
    const floor = onShift()
    expect(floor.give(sends(ANN, where))).toBe(typeof then === 'string' ? then : 'ok')
    expect(get(floor.state().agents, ANN)?.diversion).toEqual(typeof then === 'string' ? null : then)
  })

  test('never in a circle, whoever would close it; once it is open again it may', () => {
    const floor = onShift()
    give(floor, sends(ANN, to(BO)), sends(BO, to(CY)))
    const refused = decide(floor.state(), sends(CY, to(ANN)), { atMs: floor.state().atMs })
    expect(refused.ok || toRefusalText(refused.refusal).says).toBe('Your calls would go in a circle: Cy to Ann to Bo to Cy.')
    give(floor, sends(BO, null), sends(CY, to(ANN)))
    expect(floor.give(sends(BO, to(CY)))).toBe('diversionCircle')
  })
})

describe('a call for them', () => {
  test('rings at the end of the way, and at nobody’s desk before it', () => {
    const floor = onShift()
    // A diversion outlasts the shift.
    give(floor, sends(ANN, to(BO)), sends(BO, to(CY)), { kind: 'endShift', agentId: ANN }, calls(DI, ANN))
    expect([BO, CY].map((id) => get(floor.state().agents, id)?.state.name)).toEqual(['notReady', 'ringing'])
  })

  test.each<[string, Command[], AgentId, string]>([
    ['to whoever asks', [sends(BO, to(DI))], DI, 'targetGoesToYou'],
    ['to somebody off shift', [sends(BO, to(ANN))], DI, 'targetOffShift'],
    ['of oneself by a way around', [sends(BO, to(CY)), sends(CY, to(DI))], DI, 'targetGoesToYou'],
  ])('that goes %s is refused', (_, before, by, then) => {
    const floor = onShift(ANN)
    give(floor, ...before)
    expect(floor.give(calls(by, BO))).toBe(then)
  })

  test('leaves its message with who was meant, where the last of the way takes none', () => {
    const floor = onShift()
    give(floor, sends(ANN, to(BO)), { kind: 'setDoNotDisturb', agentId: BO, on: true }, calls(DI, ANN))
    const parties = values(floor.state().calls).flatMap((c) => c.connections.map((x) => x.party))
    expect(parties).toContainEqual({ kind: 'voicemail', agentId: ANN })
  })
})
