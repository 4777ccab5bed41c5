// What this account may not do, as the refusal the floor would give: a control that is not allowed stays in view and says why.
import type { FloorRefusal } from '@/core/floor'
import type { Entitlement } from '@/core/set-up'
import type { CentreView, MeView } from '@/services/exchange/protocol'

type Account = Pick<MeView, 'may'>
type Centre = Pick<CentreView, 'owners' | 'homeCountry'>

export const lacking = ({ may }: Account, { owners }: Centre, what: Entitlement): FloorRefusal | null =>
  may.includes(what) ? null : { reason: 'notEntitled', what, ask: owners }

/** Of a number that was read as one of a country; `null` for one that has not been read yet. */
export const lackingToDial = (me: Account, centre: Centre, readAs: string | null): FloorRefusal | null =>
  lacking(me, centre, 'outsideCalls') ?? (readAs === null || readAs === centre.homeCountry ? null : lacking(me, centre, 'internationalCalls'))
