// The people of Fennholm Line's contact centre. All invented.
import { type AgentId, type SkillId, toAgentId, toSkillId } from '@/core/ids'
import { ABOVE_AGENTS, type AgentSetUp, ENTITLEMENTS, type Entitlement, type Skill } from '@/core/set-up'
import { DESK_NUMBER } from './places'
import { ASSISTANCE, DISRUPTION, FREIGHT, SAILINGS } from './queue-ids'

export { ASSISTANCE, DISRUPTION, FREIGHT, SAILINGS }

export const SKILL_FREIGHT = toSkillId('skill_freight')
export const SKILL_REBOOKING = toSkillId('skill_rebooking')
export const SKILL_CARE = toSkillId('skill_care')

export const SKILLS: readonly Skill[] = [
  { id: SKILL_FREIGHT, name: 'Freight papers' },
  { id: SKILL_REBOOKING, name: 'Rebooking' },
  { id: SKILL_CARE, name: 'Boarding help' },
]

/** Seats that are left to people; the stand-ins may play the others. */
const FREE_SEATS = ['Eluned Tarnow', 'Kester Oddersey', 'Sunniva Merrowby']

/** Levels of freight papers, rebooking and boarding help, 0 for none. */
type Levels = readonly [freight: number, rebooking: number, care: number]

const SEATS: readonly (readonly [name: string, queueIds: AgentSetUp['queueIds'], levels: Levels])[] = [
  ['Eluned Tarnow', [SAILINGS, FREIGHT, DISRUPTION, ASSISTANCE], [3, 4, 3]],
  ['Kester Oddersey', [SAILINGS, DISRUPTION, ASSISTANCE], [0, 2, 2]],
  ['Sunniva Merrowby', [SAILINGS, FREIGHT, DISRUPTION], [2, 3, 0]],
  ['Bevan Skarrow', [SAILINGS, DISRUPTION], [0, 4, 0]],
  ['Marit Lundeby', [SAILINGS, DISRUPTION, ASSISTANCE], [0, 3, 5]],
  ['Hollis Varrick', [FREIGHT, SAILINGS], [5, 1, 0]],
  ['Idony Penhallis', [SAILINGS, DISRUPTION], [0, 5, 0]],
  ['Jorun Strandby', [FREIGHT, DISRUPTION], [4, 2, 0]],
  ['Wrenna Corrieshaw', [SAILINGS, ASSISTANCE], [0, 1, 4]],
  ['Ulric Grunvik', [FREIGHT, SAILINGS, DISRUPTION], [3, 2, 0]],
  ['Fenella Eddystane', [SAILINGS, DISRUPTION, ASSISTANCE], [0, 3, 3]],
  ['Torin Kellowick', [SAILINGS, FREIGHT], [1, 0, 0]],
  ['Yrsa Tidesley', [SAILINGS, DISRUPTION, ASSISTANCE], [0, 2, 1]],
  ['Odhran Saltergate', [SAILINGS, DISRUPTION], [0, 1, 0]],
]

/** The supervisors’ desk; the others follow. */
const FIRST_EXTENSION = 500

/** How often somebody catches the early boat home and leaves the last call of the day uncoded. */
export const LEAVES_IN_A_HURRY: ReadonlyMap<AgentId, number> = new Map([[idOf('Eluned Tarnow'), 0.75]])

/** What single accounts lack of what agents have. */
const LACKS: Readonly<Record<string, readonly Entitlement[]>> = { 'Sunniva Merrowby': ['internationalCalls', 'conference'] }

export const AGENTS: readonly AgentSetUp[] = [
  ...SEATS.map(([name, queueIds, levels], i) => ({
    id: idOf(name),
    name,
    role: 'agent' as const,
    team: teamOf(queueIds),
    number: DESK_NUMBER,
    extension: String(FIRST_EXTENSION + i + 1),
    queueIds,
    skills: SKILLS.flatMap(({ id }, skill) => levelOf(id, levels[skill] ?? 0)),
    may: ENTITLEMENTS.filter((e) => !ABOVE_AGENTS.includes(e) && !LACKS[name]?.includes(e)),
    answersItself: false,
    takesWrapUp: true,
    carries: null,
    playable: !FREE_SEATS.includes(name),
    retired: false,
  })),
  {
    id: idOf('Linnea Wickerby'),
    name: 'Linnea Wickerby',
    role: 'supervisor',
    team: 'Supervisors',
    number: DESK_NUMBER,
    extension: String(FIRST_EXTENSION),
    queueIds: [],
    skills: [],
    may: ENTITLEMENTS,
    answersItself: false,
    takesWrapUp: true,
    carries: null,
    playable: false,
    retired: false,
  },
]

/** By what somebody does before all else. */
function teamOf(queueIds: AgentSetUp['queueIds']): string {
  if (queueIds[0] === FREIGHT) return 'Freight desk'
  return queueIds.includes(ASSISTANCE) ? 'Passenger care' : 'Sailings desk'
}

function levelOf(skillId: SkillId, level: number) {
  return level === 0 ? [] : [{ skillId, level }]
}

function idOf(name: string) {
  return toAgentId(`agent_${name.toLowerCase().replaceAll(' ', '-')}`)
}
