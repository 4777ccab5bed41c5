// Fennholm Line as whoever runs a floor is told of it.
import { CONTACTS } from './contacts'
import { CUSTOMERS, type CustomerRecord, toCustomer } from './customers'
import { PLACES, SOUND_LINE } from './places'
import { customerById } from './population'
import { DEMO_SECRETS } from './secrets'
import { FENNHOLM } from './set-up'
import { FENNHOLM_STAGE } from './stage'

export const FENNHOLM_LINE = {
  setUp: FENNHOLM,
  stage: FENNHOLM_STAGE,
  secrets: DEMO_SECRETS,
  places: PLACES.map(({ name, number }) => ({ name, number })),
  people: CUSTOMERS.map(({ id, name, number, mobile, group }) => ({ id, name, number, mobile, group })),
  contacts: CONTACTS,
  records: {
    byId: (id: string) => customerOf(customerById(id)),
    byNumber: FENNHOLM_STAGE.records.byNumber,
  },
  soundLine: SOUND_LINE,
}

const customerOf = (record: CustomerRecord | undefined) => (record === undefined ? undefined : toCustomer(record))
