// What the exchange is told of the centre it runs, and of the records and numbers outside it: a port, so that nothing here knows whose centre it is.
import type { Customer } from '@/core/calls'
import type { AgentId } from '@/core/ids'
import type { Contact } from '@/core/people'
import type { SetUp } from '@/core/set-up'
import type { FloorState } from '@/core/state'
import type { Stage } from '@/world'
import type { PinSecret } from './accounts'
import type { CentreView } from './protocol'

export interface Scenario {
  /** How the centre is set up when its ledger begins. */
  readonly setUp: SetUp
  /** What the stand-ins are told of it. */
  readonly stage: Stage
  /** What its accounts sign in with. */
  readonly secrets: ReadonlyMap<AgentId, PinSecret>
  /** Numbers the centre calls often. */
  readonly places: CentreView['places']
  /** Who can be looked up by name. */
  readonly people: CentreView['people']
  /** Whom the book of people begins with. */
  readonly contacts: readonly Contact[]
  /** The customer records. */
  readonly records: {
    readonly byId: (id: string) => Customer | undefined
    /** Whose number it is (E.164); those it was struck for are left out. */
    readonly byNumber: (number: string, struck: FloorState['struck']) => readonly Customer[]
  }
  /** The number a phone of one's own dials to carry a desk's sound, in E.164. */
  readonly soundLine: string
}
