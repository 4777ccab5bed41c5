import { describe, expect, test } from 'vitest'
import { checkSetUp, ENTITLEMENTS, type SetUp, SetUpSchema } from '@/core/set-up'
import { ANN, BO, FIRST, SECOND_QUEUE, SMALL } from '@/core/testing'

type Change = (setUp: SetUp) => unknown
const CRAFT = 'skill_craft'

/** A sound set-up: the small centre with somebody who may change it, and a skill that somebody has. */
const SOUND: SetUp = SetUpSchema.parse({
  ...SMALL,
  skills: [{ id: CRAFT, name: 'Craft' }],
  agents: SMALL.agents.map((a) => (a.id === ANN ? { ...a, may: ENTITLEMENTS, skills: [{ skillId: CRAFT, level: 3 }] } : a)),
})
const queue =
  (id: typeof FIRST, more: object): Change =>
  (s) => ({ ...s, queues: s.queues.map((q) => (q.id === id ? { ...q, ...more } : q)) })
const agent =
  (id: typeof ANN, more: object): Change =>
  (s) => ({ ...s, agents: s.agents.map((a) => (a.id === id ? { ...a, ...more } : a)) })
const code =
  (at: number, more: object): Change =>
  (s) => ({ ...s, outcomeSets: s.outcomeSets.map((set) => ({ ...set, codes: set.codes.map((c, i) => (i === at ? { ...c, ...more } : c)) })) })
const all =
  (...changes: Change[]): Change =>
  (s) =>
    changes.reduce<unknown>((so, change) => change(so as SetUp), s)

describe('the checker of a set-up', () => {
  test('finds nothing in a sound one', () => {
    expect(checkSetUp(SOUND)).toEqual([])
  })

  test.each<{ says: string; change: Change; grade?: string; place: string; names: RegExp }>([
    {
      says: 'a queue nobody serves',
      change: (s) => ({ ...s, agents: s.agents.map((a) => ({ ...a, queueIds: [SECOND_QUEUE] })) }),
      place: 'Queue First',
      names: /No agent serves it/,
    },
    { says: 'a level nobody has', change: queue(FIRST, { needs: [{ skillId: CRAFT, level: 4 }] }), place: 'Queue First', names: /the skill it needs/ },
    {
      says: 'a skill that is not there',
      change: queue(FIRST, { needs: [{ skillId: 'skill_none', level: 1 }] }),
      place: 'Queue First',
      names: /no skill of this set-up/,
    },
    { says: 'a skill nobody has', change: agent(ANN, { skills: [] }), grade: 'warning', place: 'Skill Craft', names: /Nobody has this skill/ },
    { says: 'overflow to itself', change: queue(FIRST, { overflow: [{ afterMs: 1, to: FIRST }] }), place: 'Queue First', names: /to itself/ },
    {
      says: 'overflow in a circle',
      change: all(queue(FIRST, { overflow: [{ afterMs: 1, to: SECOND_QUEUE }] }), queue(SECOND_QUEUE, { overflow: [{ afterMs: 1, to: FIRST }] })),
      place: 'Queue First',
      names: /First to Second to First/,
    },
    {
      says: 'overflow to a queue that is retired',
      change: all(queue(FIRST, { overflow: [{ afterMs: 1, to: SECOND_QUEUE }] }), queue(SECOND_QUEUE, { retired: true })),
      place: 'Queue First',
      names: /Second, which takes no calls/,
    },
    {
      says: 'a limit of wrap-up under what is recommended',
      change: queue(FIRST, { wrapUpLimit: { afterMs: 10_000, andThen: 'ready', extensionMs: 0 } }),
      place: 'Queue First',
      names: /shorter than the time that is recommended/,
    },
    { says: 'a script that is archived', change: (s) => ({ ...s, archivedScriptIds: ['script_small'] }), place: 'Queue First', names: /is archived/ },
    {
      says: 'no code for a call that comes in',
      change: all(code(0, { onlyDialled: true }), code(1, { retired: true })),
      place: 'Outcomes Small',
      names: /No code is left/,
    },
    {
      says: 'one extension of two desks',
      change: all(agent(ANN, { extension: '214' }), agent(BO, { extension: '214' })),
      place: 'Agent Ann',
      names: /214, is that of Bo as well/,
    },
    { says: 'an extension that calls the police', change: agent(ANN, { extension: '999' }), place: 'Agent Ann', names: /emergency services/ },
    {
      says: 'an extension that hides a service number',
      change: agent(ANN, { extension: '101' }),
      grade: 'warning',
      place: 'Agent Ann',
      names: /short number of the network/,
    },
    { says: 'two codes of one name', change: code(1, { label: 'Done' }), place: 'Outcomes Small, code Done', names: /Two have this name/ },
    {
      says: 'a code that needs an answer no script asks for',
      change: code(0, { needs: { notes: false, field: 'shoeSize' } }),
      grade: 'warning',
      place: 'Outcomes Small',
      names: /looks at the answer “shoeSize”/,
    },
    {
      says: 'a reason of the floor that is gone',
      change: (s) => ({ ...s, notReadyReasons: s.notReadyReasons.filter((r) => r.name !== 'Outcome owed') }),
      place: 'Reasons',
      names: /“Outcome owed” is missing/,
    },
    {
      says: 'hours that end before they begin',
      change: queue(FIRST, { hours: [{ days: [1], fromMinute: 600, toMinute: 540 }] }),
      place: 'Queue First',
      names: /end before they begin/,
    },
    { says: 'a script that is not there', change: queue(FIRST, { scriptId: 'script_none' }), place: 'Queue First', names: /script is not there/ },
    {
      says: 'an outcome set that is not there',
      change: queue(FIRST, { outcomeSetId: 'outcomes_none' }),
      place: 'Queue First',
      names: /outcome set is not there/,
    },
    { says: 'two queues of one name', change: queue(SECOND_QUEUE, { name: ' first' }), place: 'Queue  first', names: /Two have this name/ },
    { says: 'an agent without a queue', change: agent(BO, { queueIds: [] }), grade: 'warning', place: 'Agent Bo', names: /no queue/ },
    { says: 'an agent of a queue that is not there', change: agent(BO, { queueIds: ['queue_none'] }), place: 'Agent Bo', names: /no queue of this set-up/ },
    { says: 'nobody who may change it', change: agent(ANN, { may: [] }), place: 'Accounts', names: /Nobody could change/ },
    {
      says: 'no reason an agent could choose',
      change: (s) => ({ ...s, notReadyReasons: s.notReadyReasons.filter((r) => r.givenByFloor) }),
      place: 'Reasons',
      names: /could choose/,
    },
    {
      says: 'a reason the floor gives is missing',
      change: (s) => ({ ...s, notReadyReasons: s.notReadyReasons.filter((r) => !r.givenByFloor) }),
      place: 'Reasons',
      names: /Missed ring/,
    },
  ])('$says', ({ change, grade = 'error', place, names }) => {
    const found = checkSetUp(SetUpSchema.parse(change(SOUND))).filter((f) => f.place === place && names.test(f.says))
    expect(found).toHaveLength(1)
    expect(found[0]).toMatchObject({ grade, cure: expect.stringMatching(/\.$/) })
  })

  test('forty queues that all overflow to one another are looked at in no time', () => {
    const ids = Array.from({ length: 40 }, (_, i) => `queue_${i}`)
    const queues = ids.map((id) => ({ ...SOUND.queues[0], id, name: id, overflow: ids.filter((to) => to !== id).map((to) => ({ afterMs: 1, to })) }))
    const findings = checkSetUp(SetUpSchema.parse({ ...SOUND, queues, agents: SOUND.agents.map((a) => ({ ...a, queueIds: ids })) }))
    expect(findings.some((f) => /circle/.test(f.says))).toBe(true)
  })

  test('a set-up is the same after it was written and read', () => {
    expect(SetUpSchema.parse(JSON.parse(JSON.stringify(SOUND)))).toEqual(SOUND)
  })

  test('finds a key for two codes while they are being edited; a file with one is refused by its schema', () => {
    const twice = code(1, { key: '1' })(SOUND) as SetUp
    expect(checkSetUp(twice)).toMatchObject([{ grade: 'error', place: 'Outcomes Small', says: 'The key 1 stands for done and later.' }])
    expect(SetUpSchema.safeParse(twice).success).toBe(false)
  })
})
