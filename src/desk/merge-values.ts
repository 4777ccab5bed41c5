// What a script page may merge: the agent, the caller, the call, and earlier answers.
import type { Contact } from '@/core/contacts'
import type { AnswerValue, MergeValues } from '@/core/scripts'
import type { MeView } from '@/exchange/protocol'

export function mergeValues(me: MeView, contact: Contact): MergeValues {
  const caller = contact.customer?.name ?? null
  const answers = Object.entries(contact.run?.answers ?? {}).map(([field, value]) => [`answers.${field}`, answerText(value)])
  return {
    'agent.name': me.name,
    'agent.firstName': firstName(me.name),
    'caller.name': caller,
    'caller.firstName': caller === null ? null : firstName(caller),
    'call.path': contact.path,
    ...Object.fromEntries(answers),
  }
}

const answerText = (value: AnswerValue): string =>
  typeof value === 'boolean' ? (value ? 'yes' : 'no') : typeof value === 'object' ? value.join(', ') : String(value)

const firstName = (name: string): string => name.split(' ')[0] ?? name
