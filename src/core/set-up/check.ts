// The checker of a set-up: what would keep a call from an agent, or somebody from their work. Each finding names its place,
// what is wrong and the cure. `error` must not go into use; `warning` may be meant.
import { readShort } from '@/core/directory'
import type { QueueId } from '@/core/ids'
import type { OutcomeSet } from '@/core/outcomes'
import { unknownFields } from '@/core/quick-texts'
import { sheetsInUse } from '@/core/reviews'
import { fieldsOf, patternFindings, type Script } from '@/core/scripts'
import type { AgentSetUp } from './account'
import { checkCampaigns } from './check-campaigns'
import type { Finding } from './finding'
import { DESK_LOST, MISSED_RING, OUTCOME_OWED, SOUND_LOST } from './given-reasons'
import { meetsNeeds, scriptsInUse } from './lookup'
import type { QueueSetUp } from './queue'
import type { SetUp } from './schema'

/** All findings, errors first; empty when there are none. Looks at every pair of queues and agents once. */
export function checkSetUp(setUp: SetUp): readonly Finding[] {
  const queues = setUp.queues.filter((q) => !q.retired)
  const agents = setUp.agents.filter((a) => !a.retired)
  const findings = [
    ...queues.flatMap((queue) => checkQueue(setUp, queue, agents)),
    ...circles(queues),
    ...agents.flatMap((agent) => checkAgent(setUp, agent)),
    ...setUp.skills.flatMap((skill) =>
      agents.some((a) => a.skills.some((s) => s.skillId === skill.id))
        ? []
        : [warning(`Skill ${skill.name}`, 'Nobody has this skill.', 'Give it to an agent, or take it out of what queues need.')],
    ),
    ...setUp.outcomeSets.flatMap((set) => checkOutcomeSet(setUp, set)),
    ...scriptsInUse(setUp).flatMap(checkForms),
    ...twice('Outcome set', setUp.outcomeSets),
    ...nameless('Outcome set', setUp.outcomeSets),
    ...nameless('Sheet', sheetsInUse(setUp.reviewSheets)),
    ...twice('Sheet', sheetsInUse(setUp.reviewSheets)),
    ...sheetsInUse(setUp.reviewSheets).flatMap(({ name, questions }) =>
      twice(
        `Sheet ${name}: question`,
        questions.map((q) => ({ ...q, name: q.label })),
      ),
    ),
    ...twice('Queue', queues),
    ...checkCampaigns(setUp),
    ...twice(
      'Campaign',
      setUp.campaigns.filter((c) => !c.retired),
    ),
    ...twice('Agent', agents),
    ...twice('Skill', setUp.skills),
    ...twice('Quick text', setUp.quickTexts),
    ...setUp.quickTexts.flatMap(({ name, text }) =>
      unknownFields(text).map((field) =>
        error(
          `Quick text ${name}`,
          `It speaks of “${field}”, which nothing knows.`,
          'Use {caller.name}, {caller.firstName}, {agent.name} or {agent.firstName}.',
        ),
      ),
    ),
    ...twice('Reason', setUp.notReadyReasons),
    ...checkCentre(setUp, agents),
  ]
  return [...findings.filter((f) => f.grade === 'error'), ...findings.filter((f) => f.grade === 'warning')]
}

const error = (place: string, says: string, cure: string): Finding => ({ grade: 'error', place, says, cure })
const warning = (place: string, says: string, cure: string): Finding => ({ grade: 'warning', place, says, cure })

const nameless = (what: string, items: readonly { readonly name: string }[]): readonly Finding[] =>
  items.some((i) => i.name.trim() === '') ? [error(what, 'One has no name.', 'Give it a name.')] : []

function checkQueue(setUp: SetUp, queue: QueueSetUp, agents: readonly AgentSetUp[]): Finding[] {
  const place = `Queue ${queue.name}`
  const findings: Finding[] = []
  const serving = agents.filter((a) => a.queueIds.includes(queue.id))
  const overflows = [...queue.overflow, ...queue.storm.overflow]
  if (serving.length === 0)
    findings.push(error(place, 'No agent serves it: its callers would wait for nobody.', 'Give it to at least one agent, or retire it.'))
  else if (!serving.some((a) => meetsNeeds(a, queue)))
    findings.push(
      error(place, 'No agent who serves it has the skill it needs.', 'Lower the level it needs, raise an agent’s, or let it overflow to any level at once.'),
    )
  for (const { skillId } of queue.needs)
    if (!setUp.skills.some((s) => s.id === skillId))
      findings.push(error(place, `It needs ${skillId}, which is no skill of this set-up.`, 'Choose one of the skills.'))
  for (const { to } of overflows) {
    const target = setUp.queues.find((q) => q.id === to)
    if (to === queue.id) findings.push(error(place, 'It overflows to itself.', 'Choose another queue, or any level.'))
    else if (to !== 'anyLevel' && (target === undefined || target.retired))
      findings.push(error(place, `It overflows to ${target?.name ?? to}, which takes no calls.`, 'Choose a queue in use.'))
  }
  if (queue.hours.some((o) => o.fromMinute >= o.toMinute))
    findings.push(error(place, 'Its opening hours end before they begin.', 'Enter an end after the beginning; a night is two rows.'))
  if (!setUp.outcomeSets.some((s) => s.id === queue.outcomeSetId))
    findings.push(error(place, 'Its outcome set is not there.', 'Choose one of the outcome sets.'))
  const scriptIds = [queue.scriptId, ...queue.scriptChoices.map((c) => c.scriptId)].filter((id) => id !== null)
  if (scriptIds.some((id) => !setUp.scripts.some((s) => s.id === id)))
    findings.push(error(place, 'Its script is not there.', 'Choose one of the scripts, or none.'))
  if (scriptIds.some((id) => setUp.archivedScriptIds.includes(id)))
    findings.push(error(place, 'Its script is archived.', 'Choose one of the scripts in use, or bring that one back.'))
  if (queue.wrapUpLimit !== null && queue.wrapUpLimit.afterMs < queue.recommendedWrapUpMs)
    findings.push(error(place, 'The limit of its wrap-up is shorter than the time that is recommended.', 'Raise the limit, or recommend less.'))
  return findings
}

/** Queues that overflow to one another in a circle: a call would be handed round to agents who have it already. */
function circles(queues: readonly QueueSetUp[]): Finding[] {
  const byId = new Map(queues.map((q) => [q.id, q]))
  const findings: Finding[] = []
  const done = new Set<QueueSetUp>()
  const follow = (queue: QueueSetUp, path: readonly QueueSetUp[]) => {
    const at = path.indexOf(queue)
    if (at >= 0) {
      const names = [...path.slice(at), queue].map((q) => q.name)
      findings.push(error(`Queue ${queue.name}`, `Its overflow goes in a circle: ${names.join(' to ')}.`, 'Take out one of these overflows.'))
      return
    }
    if (done.has(queue)) return
    for (const { to } of queue.overflow) {
      const next = to === 'anyLevel' || to === queue.id ? undefined : byId.get(to)
      if (next !== undefined) follow(next, [...path, queue])
    }
    done.add(queue)
  }
  for (const queue of queues) follow(queue, [])
  return findings
}

/** A set of outcomes: keys that choose two codes, codes nobody could save, and fields no script of its queues asks for. */
/** What else a script may lack is its author's to judge; a form that cannot be read would take any answer on every desk. */
const checkForms = (script: Script): Finding[] =>
  script.pages.flatMap((page) => patternFindings(page).map(({ says, cure }) => error(`Script ${script.name}, ${page.title}`, says, cure)))

function checkOutcomeSet(setUp: SetUp, set: OutcomeSet): Finding[] {
  const place = `Outcomes ${set.name}`
  const codes = set.codes.filter((c) => !c.retired)
  const findings: Finding[] = []
  if (!codes.some((c) => !c.onlyDialled)) findings.push(error(place, 'No code is left for a call that comes in.', 'Add one, or bring one back.'))
  for (const key of new Set(codes.map((c) => c.key))) {
    const same = codes.filter((c) => c.key === key).map((c) => c.label)
    if (same.length > 1) findings.push(error(place, `The key ${key} stands for ${same.join(' and ')}.`, 'Give each a key of its own, or retire one.'))
  }
  findings.push(
    ...twice(
      `${place}, code`,
      codes.map((c) => ({ name: c.label })),
    ),
  )
  const usedBy = setUp.queues.filter((q) => q.outcomeSetId === set.id && !q.retired)
  const ofCampaigns = setUp.campaigns.filter((c) => c.outcomeSetId === set.id && !c.retired).map((c) => c.scriptId)
  const ids = [...usedBy.flatMap((q) => [q.scriptId, ...q.scriptChoices.map((c) => c.scriptId)]), ...ofCampaigns]
  const scripts = scriptsInUse(setUp).filter((s) => ids.includes(s.id))
  if (scripts.length === 0) return findings
  const asked = new Set(scripts.flatMap((s) => s.pages.flatMap((p) => p.questions.map((q) => q.field))))
  for (const { label, needs, doubts } of codes) {
    const fields = [...(needs.field === null ? [] : [needs.field]), ...doubts.flatMap((d) => fieldsOf(d.when))]
    const strange = fields.find((f) => !asked.has(f) && !f.includes('.'))
    if (strange !== undefined)
      findings.push(
        warning(place, `“${label}” looks at the answer “${strange}”, which no script of its queues asks for.`, 'Choose a field of the script, or take it out.'),
      )
  }
  return findings
}

function checkAgent(setUp: SetUp, agent: AgentSetUp): Finding[] {
  const place = `Agent ${agent.name}`
  const findings: Finding[] = []
  const strange = agent.queueIds.find((id) => !setUp.queues.some((q) => q.id === id))
  if (strange !== undefined) findings.push(error(place, `They serve ${strange}, which is no queue of this set-up.`, 'Choose among the queues.'))
  if (agent.skills.some((s) => !setUp.skills.some((k) => k.id === s.skillId)))
    findings.push(error(place, 'They have a skill that is not on the list of skills.', 'Choose among the skills.'))
  if (agent.role === 'agent' && !inUse(setUp, agent.queueIds))
    findings.push(warning(place, 'They serve no queue, so they cannot start a shift.', 'Give them a queue.'))
  return [...findings, ...checkExtension(setUp, place, agent)]
}

/** What the network knows by the same digits is not to be reached by mistake, or kept from whoever needs it. */
function checkExtension({ homeCountry, agents }: SetUp, place: string, { id, extension }: AgentSetUp): Finding[] {
  if (extension === '') return []
  const other = agents.find((a) => !a.retired && a.id !== id && a.extension === extension)
  if (other !== undefined) return [error(place, `Their extension, ${extension}, is that of ${other.name} as well.`, 'Give one of them another one.')]
  const short = readShort(extension, homeCountry)
  if (short === null) return []
  return short.kind === 'emergency'
    ? [error(place, `Their extension, ${extension}, is a number of the emergency services.`, 'Give them another one.')]
    : [
        warning(
          place,
          `Their extension, ${extension}, is a short number of the network as well, which nobody here reaches then.`,
          'Give them another one, or mean it.',
        ),
      ]
}

function checkCentre(setUp: SetUp, agents: readonly AgentSetUp[]): Finding[] {
  const findings: Finding[] = []
  if (!agents.some((a) => a.may.includes('setUp')))
    findings.push(error('Accounts', 'Nobody could change the set-up any more.', 'Let at least one account change the set-up.'))
  if (!setUp.outcomeSets.some((s) => s.id === setUp.outsideOutcomeSetId))
    findings.push(error('Centre', 'The outcome set of calls dialled by hand is not there.', 'Choose one of the outcome sets.'))
  for (const name of [MISSED_RING, SOUND_LOST, DESK_LOST, OUTCOME_OWED])
    if (!setUp.notReadyReasons.some((r) => r.name === name && r.givenByFloor))
      findings.push(error('Reasons', `“${name}” is missing, which the floor gives by itself.`, 'Add it, and mark it as given by the floor.'))
  if (!setUp.notReadyReasons.some((r) => !r.givenByFloor))
    findings.push(error('Reasons', 'There is no reason an agent could choose.', 'Add at least one, such as Break.'))
  return findings
}

function twice(kind: string, items: readonly { readonly name: string }[]): Finding[] {
  const seen = new Set<string>()
  return items.flatMap(({ name }) => {
    const key = name.trim().toLowerCase()
    if (!seen.has(key)) {
      seen.add(key)
      return []
    }
    return [error(`${kind} ${name}`, 'Two have this name.', 'Give one of them another name.')]
  })
}

const inUse = (setUp: SetUp, ids: readonly QueueId[]): boolean => setUp.queues.some((q) => !q.retired && ids.includes(q.id))
