// What a person of the list comes to: whom a call goes to, and what is kept of them.
import type { Target } from '@/core/calls'
import type { Ask } from '@/core/floor'
import { type AgentId, type ContactId, type QueueId, toAgentId } from '@/core/ids'
import type { Contact, ContactText, NumberKind } from '@/core/people'
import type { PersonView } from '@/services/exchange/people'

export const KIND_WORDS: Readonly<Record<NumberKind, string>> = { work: 'Work', mobile: 'Mobile', home: 'Home', other: 'Other' }

/** The number that is called unless another one is chosen; null for nobody who has one. */
export const usualOf = ({ usualNumber, numbers }: PersonView): string | null => usualNumber ?? numbers[0]?.number ?? null

export const agentIdOf = ({ id, isColleague }: PersonView): AgentId | null => (isColleague ? toAgentId(id) : null)

/** What calling them is; null where there is no number. */
export function callOf(person: PersonView, queueId: QueueId | null, number = usualOf(person)): Ask | null {
  const toAgentId = agentIdOf(person)
  if (toAgentId !== null) return { kind: 'callColleague', toAgentId, at: 'desk' }
  return number === null ? null : { kind: 'makeCall', typed: number, customer: { name: person.name, group: person.group, facts: [] }, queueId }
}

export function targetOf(person: PersonView): Target | null {
  const agentId = agentIdOf(person)
  if (agentId !== null) return { kind: 'agent', agentId }
  const number = usualOf(person)
  return number === null ? null : { kind: 'number', typed: number, name: person.name }
}

/** As it is kept; null of a colleague, who is an account. */
export function contactOf({ id, isColleague, name, company, group, email, note, numbers, ownerId, revision }: PersonView): Contact | null {
  return isColleague ? null : { id: id as ContactId, name, company, group, email, note, numbers, ownerId, revision }
}

export const textOf = ({ name, company, group, email, note, numbers }: PersonView): ContactText => ({ name, company, group, email, note, numbers })

/** Somebody new, with an id of their own. The worker that keeps them holds them against the schema: a page that adds somebody does not carry it. */
export const createContact = (text: ContactText, ownerId: AgentId | null): Contact => ({
  ...text,
  id: `contact_${crypto.randomUUID()}` as ContactId,
  ownerId,
  revision: 0,
})
