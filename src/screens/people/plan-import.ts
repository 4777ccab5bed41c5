// What an import would do: who is new, who is there already, and the change it comes to.
import type { AgentId, ContactId } from '@/core/ids'
import { type Contact, type ContactText, folded, mergeContacts } from '@/core/people'
import type { CheckedContact, PersonView } from '@/services/exchange/people'
import { contactOf, createContact } from './person'

/** Of who is there already: left, added to, or brought in besides. */
export type IfThere = 'leave' | 'add' | 'both'

export interface ImportPlan {
  readonly fresh: readonly CheckedContact[]
  readonly there: readonly CheckedContact[]
  /** How many stand in the file more than once. */
  readonly twice: number
  /** How many would come in or be added to. */
  readonly count: number
  /** `now`: everybody as they are at this moment. */
  changes(now: readonly PersonView[]): { readonly puts: readonly Contact[]; readonly added: number; readonly into: number }
}

export function planImport(checked: readonly CheckedContact[], ifThere: IfThere, ownerId: AgentId | null): ImportPlan {
  const once: CheckedContact[] = []
  const seen = new Set<string>()
  for (const one of checked) {
    const keys = keysOf(one.contact)
    if (!keys.some((key) => seen.has(key))) once.push(one)
    for (const key of keys) seen.add(key)
  }
  const fresh = once.filter((c) => c.duplicates.length === 0)
  const there = once.filter((c) => c.duplicates.length > 0)
  return {
    fresh,
    there,
    twice: checked.length - once.length,
    count: fresh.length + (ifThere === 'leave' ? 0 : there.length),
    changes(now) {
      const add = ifThere === 'both' ? once : fresh
      const puts = new Map<ContactId, Contact>(add.map(({ contact }) => createContact(contact, ownerId)).map((c) => [c.id, c]))
      const into = new Set<ContactId>()
      if (ifThere === 'add')
        for (const { contact, duplicates } of there) {
          const person = now.find((p) => p.id === duplicates[0]?.id)
          const before = person === undefined ? null : contactOf(person)
          if (before === null) continue
          // Two of the file may be the same one here.
          puts.set(before.id, mergeContacts(puts.get(before.id) ?? before, { ...before, ...contact, name: before.name }))
          into.add(before.id)
        }
      return { puts: [...puts.values()], added: add.length, into: into.size }
    },
  }
}

/** By what two of a file are the same person: a number, or name and company. */
const keysOf = ({ name, company, numbers }: ContactText): readonly string[] => [`${folded(name)} ${folded(company)}`, ...numbers.map((n) => n.number)]
