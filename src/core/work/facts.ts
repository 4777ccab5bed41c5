// Facts of a piece of work. Apart from the schemas, because the reading pane asks for them.
import { recordValues } from '@/core/campaigns'
import type { AnswerValue, Known, MergeValues } from '@/core/scripts'
import type { Work } from './work'

/** What a script's conditions may ask about caller and call, besides the answers. */
export const factsOf = ({ customer, path, queueId, campaign }: Pick<Work, 'customer' | 'path' | 'queueId' | 'campaign'>): Known => ({
  ...recordValues(campaign?.record.fields ?? {}),
  'caller.name': customer?.name ?? null,
  'caller.firstName': customer === null ? null : firstName(customer.name),
  'caller.group': customer?.group ?? null,
  'caller.known': customer !== null,
  'call.path': path,
  'call.queue': queueId,
})

/** What a text may merge: the agent, the caller, the call, and the answers so far. */
export function mergeValuesOf(
  { customer, path, number, run, campaign }: Pick<Work, 'customer' | 'path' | 'number' | 'run' | 'campaign'>,
  agentName: string,
): MergeValues {
  const answers = Object.entries(run?.answers ?? {}).map(([field, value]) => [`answers.${field}`, answerText(value)])
  return {
    ...recordValues(campaign?.record.fields ?? {}),
    'agent.name': agentName,
    'agent.firstName': firstName(agentName),
    'caller.name': customer?.name ?? null,
    'caller.firstName': customer === null ? null : firstName(customer.name),
    'caller.number': number,
    'call.path': path,
    ...Object.fromEntries(answers),
  }
}

const answerText = (value: AnswerValue): string =>
  typeof value === 'boolean' ? (value ? 'yes' : 'no') : typeof value === 'object' ? value.join(', ') : String(value)

const firstName = (name: string): string => name.split(' ')[0] ?? name
