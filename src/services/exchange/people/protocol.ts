// What tabs and the floor's worker say to each other about people.
import * as z from 'zod'
import { type AgentId, type ContactId, ContactIdSchema } from '@/core/ids'
import { type Contact, ContactSchema, type ContactText } from '@/core/people'

const PeopleAskedSchema = z.object({
  search: z.string().max(200),
  group: z.string().max(100),
  sort: z.enum(['name', 'number', 'group']),
  descending: z.boolean(),
  from: z.number().int().nonnegative(),
  atMost: z.number().int().positive().max(20_000),
  /** Ids and numbers of whom the account has spoken with lately. */
  recent: z.array(z.string()).max(100),
})
export type PeopleAsked = z.infer<typeof PeopleAskedSchema>

const ContactTextSchema = ContactSchema.unwrap().omit({ id: true, ownerId: true, revision: true })
export const CONTACTS_AT_ONCE = 20_000

export const peopleMessages = <R extends z.ZodType>(requestId: R) =>
  [
    z.object({ kind: z.literal('people'), requestId, asked: PeopleAskedSchema }).readonly(),
    z.object({ kind: z.literal('whoseNumbers'), requestId, numbers: z.array(z.string()).max(2_000) }).readonly(),
    /** Puts people in or anew, and takes people out; answered with what undoes it. */
    z
      .object({
        kind: z.literal('changePeople'),
        requestId,
        puts: z.array(ContactSchema).max(CONTACTS_AT_ONCE),
        removes: z.array(ContactIdSchema).max(CONTACTS_AT_ONCE),
      })
      .readonly(),
    /** How people would be kept, and whom they may be already. */
    z.object({ kind: z.literal('checkPeople'), requestId, contacts: z.array(ContactTextSchema).max(CONTACTS_AT_ONCE) }).readonly(),
    z.object({ kind: z.literal('setFavourite'), requestId, id: z.string(), on: z.boolean() }).readonly(),
    /** Which of somebody's numbers is called by this account; null for the first. */
    z.object({ kind: z.literal('setUsualNumber'), requestId, id: z.string(), number: z.string().nullable() }).readonly(),
  ] as const

const messages = z.union(peopleMessages(z.string()))
export type PeopleMessage = z.infer<typeof messages>

const PEOPLE_KINDS: ReadonlySet<string> = new Set(peopleMessages(z.string()).map((m) => m.unwrap().shape.kind.value))
export const isPeopleMessage = (message: { readonly kind: string }): message is PeopleMessage => PEOPLE_KINDS.has(message.kind)

export interface PersonView extends Pick<Contact, 'name' | 'company' | 'group' | 'numbers' | 'email' | 'note' | 'ownerId' | 'revision'> {
  readonly id: ContactId | AgentId
  readonly isColleague: boolean
  readonly isFavourite: boolean
  /** The number this account calls; null for the first one. */
  readonly usualNumber: string | null
}

export interface PeoplePage {
  readonly found: number
  readonly rows: readonly PersonView[]
  readonly groups: readonly { readonly key: string; readonly label: string; readonly count: number }[]
}

export interface CheckedContact {
  readonly contact: ContactText
  readonly duplicates: readonly { readonly id: ContactId; readonly name: string; readonly company: string; readonly isOwn: boolean }[]
}
