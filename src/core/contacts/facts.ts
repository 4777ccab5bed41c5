// Facts of a contact. Apart from the schemas, because the reading pane asks for them.
import type { Known } from '@/core/scripts'
import type { Contact } from './index'

/** What a script's conditions may ask about caller and call, besides the answers. */
export const factsOf = ({ customer, path, queueId }: Pick<Contact, 'customer' | 'path' | 'queueId'>): Known => ({
  'caller.name': customer?.name ?? null,
  'caller.firstName': customer?.name.split(' ')[0] ?? null,
  'caller.group': customer?.group ?? null,
  'caller.known': customer !== null,
  'call.path': path,
  'call.queue': queueId,
})
