// What a set-up owner does: switch a queue to storm and back, and change the set-up. Nobody needs to be on shift for it.
import { barred, type RightsRefusal } from '@/core/rules/rights'
import { type AnyRefusal, type Ruling as RulingFor, refuse } from '@/core/rules/rule'
import { keepOwedLimit } from '@/core/rules/shift'
import { agentName, checkSetUp, type SetUp } from '@/core/set-up'
import { type Draft, emit } from '@/core/state'
import { get, values } from '@/core/table'
import type { OwnerCommand } from './commands'
import type { OwnerRefusal } from './refusals'

type Of<K extends OwnerCommand['kind']> = Extract<OwnerCommand, { kind: K }>
type Ruling = RulingFor<OwnerRefusal | RightsRefusal | AnyRefusal>

const ownerOnly = ({ state }: Draft, command: Of<'changeSetUp' | 'switchStorm'>): Ruling => barred(state, command.agentId, 'setUp')

/** Refused: noSuchAccount, notEntitled, targetUnknown, stormUnchanged. */
export function switchStorm(draft: Draft, command: Of<'switchStorm'>): Ruling {
  const { queueId, on, agentId } = command
  const refused = ownerOnly(draft, command)
  if (refused !== null) return refused
  if (!draft.state.setUp.queues.some((q) => q.id === queueId)) return refuse({ reason: 'targetUnknown' })
  if (draft.state.storm.includes(queueId) === on) return refuse({ reason: 'stormUnchanged' })
  return emit(draft, null, { kind: 'stormSwitched', queueId, on, byAgentId: agentId })
}

/**
 * Takes the set-up whole. Refused: noSuchAccount, notEntitled; setUpMoved when somebody else has changed it since; setUpUnsound with the first error of the checker;
 * setUpForgets when something the ledger speaks of is missing (it is retired, never taken out); worksThere when somebody on
 * shift would lose their account or the only queue they serve.
 */
export function changeSetUp(draft: Draft, command: Of<'changeSetUp'>): Ruling {
  const { setUp, agentId } = command
  const refused = ownerOnly(draft, command)
  if (refused !== null) return refused
  const { setUpSeq, setUpBy } = draft.state
  if (command.basedOn !== undefined && command.basedOn !== setUpSeq)
    return refuse({ reason: 'setUpMoved', by: setUpBy === null ? null : agentName(draft.state.setUp, setUpBy) })
  const unsound = checkSetUp(setUp).find((f) => f.grade === 'error')
  if (unsound !== undefined) return refuse({ reason: 'setUpUnsound', place: unsound.place, says: unsound.says, cure: unsound.cure })
  const forgotten = forgets(draft.state.setUp, setUp)
  if (forgotten !== null) return refuse({ reason: 'setUpForgets', what: forgotten })
  for (const account of setUp.agents) {
    const shift = get(draft.state.agents, account.id)?.shift
    if (shift != null && account.retired) return refuse({ reason: 'worksThere', name: account.name, what: 'the account' })
  }
  const lost = onlyQueueLost(draft, setUp)
  if (lost !== null) return refuse({ reason: 'worksThere', name: lost, what: 'the only queue they serve' })
  const idle = setUp.campaigns.find((c) => c.retired && values(draft.state.agents).some((a) => a.shift?.campaignId === c.id))
  if (idle !== undefined) return refuse({ reason: 'worksThere', name: idle.name, what: 'the campaign' })
  const retired = setUp.queues.find((q) => q.retired && busyQueue(draft, q.id))
  if (retired !== undefined) return refuse({ reason: 'worksThere', name: retired.name, what: 'the queue' })
  emit(draft, null, { kind: 'setUpChanged', byAgentId: agentId, setUp })
  for (const { id } of values(draft.state.agents)) keepOwedLimit(draft, id)
  return null
}

/** Somebody on shift whose every queue would be retired; who serves none loses none. */
function onlyQueueLost(draft: Draft, setUp: SetUp): string | null {
  const inUse = new Set(setUp.queues.filter((q) => !q.retired).map((q) => q.id))
  const worked = new Set(setUp.campaigns.filter((c) => !c.retired).map((c) => c.id))
  const left = values(draft.state.agents).find(
    ({ shift }) =>
      shift !== null &&
      (shift.queueIds.length > 0 || shift.campaignId !== null) &&
      !shift.queueIds.some((id) => inUse.has(id)) &&
      (shift.campaignId === null || !worked.has(shift.campaignId)),
  )
  return left === undefined ? null : agentName(draft.state.setUp, left.id)
}

const busyQueue = ({ state }: Draft, queueId: SetUp['queues'][number]['id']): boolean =>
  values(state.calls).some((c) => c.queueId === queueId) || values(state.threads).some((t) => t.queueId === queueId && t.state !== 'ended')

function forgets(before: SetUp, after: SetUp): string | null {
  const lists = ['agents', 'queues', 'campaigns', 'skills', 'scripts', 'outcomeSets'] as const
  for (const list of lists) {
    const kept = new Set<string>(after[list].map((item) => item.id))
    const gone = before[list].find((item) => !kept.has(item.id))
    if (gone !== undefined) return gone.name
  }
  for (const set of before.outcomeSets) {
    const codes = after.outcomeSets.find((s) => s.id === set.id)?.codes ?? []
    const gone = set.codes.find((c) => !codes.some((k) => k.code === c.code))
    if (gone !== undefined) return `${set.name}, ${gone.label}`
  }
  for (const script of before.scripts) {
    const kept = after.scripts.find((s) => s.id === script.id && s.version === script.version)
    // What was published is what calls have run: it is never another text under the same number.
    if (kept === undefined || JSON.stringify(kept) !== JSON.stringify(script)) return `${script.name}, version ${script.version}`
  }
  return null
}
