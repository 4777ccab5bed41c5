// Fennholm Line as the stand-ins are told of it.
import { toAgentId } from '@/core/ids'
import type { Stage } from '@/world'
import { BUSINESS, OTHER_BUSINESS } from './business'
import { CAMPAIGNING } from './campaigning'
import { toCustomer } from './customers'
import { HABITS } from './habits'
import { PLACES } from './places'
import { customerById, customersByNumber, someone, strangersNumber } from './population'
import { RHYTHM } from './rhythm'
import { FENNHOLM } from './set-up'
import { TALKS } from './talks'
import { WORDS } from './words'

export const FENNHOLM_STAGE: Stage = {
  setUp: FENNHOLM,
  rhythm: RHYTHM,
  records: {
    numberOf: (id) => customerById(id)?.number,
    byNumber: (number, struck) => customersByNumber(number, struck).map(toCustomer),
    someone: (chance) => someone(chance).number,
    stranger: strangersNumber,
  },
  business: BUSINESS,
  otherBusiness: OTHER_BUSINESS,
  campaigns: CAMPAIGNING,
  opensCampaigns: toAgentId('agent_linnea-wickerby'),
  words: WORDS,
  talks: TALKS,
  places: PLACES,
  habits: HABITS,
  lines: [
    // By satellite, and by mobile telephone at the far end of an island.
    { prefix: '+61', often: 0.9, line: { delayMs: 420, lossRatio: 0.01, burstRatio: 1 } },
    { prefix: '+1', often: 0.3, line: { delayMs: 260, lossRatio: 0.02, burstRatio: 1 } },
    { prefix: '+447', often: 0.12, line: { delayMs: 150, lossRatio: 0.09, burstRatio: 2 } },
    { prefix: '+44', often: 0.01, line: { delayMs: 40, lossRatio: 0.05, burstRatio: 1 } },
  ],
  abroad: [
    { prefix: '+33', timeZone: 'Europe/Paris', isOverseas: false },
    { prefix: '+1', timeZone: 'America/New_York', isOverseas: true },
    { prefix: '+61', timeZone: 'Australia/Sydney', isOverseas: true },
  ],
}
