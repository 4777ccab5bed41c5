import { onCall, onShift, type Rules } from '@/core/rules/rule'
import type { ConferenceCommand } from './commands'
import { callerKeys, conferenceLineRings, joinConference, muteOthers } from './joining'
import { cancelConference, planConference, replanConference } from './plans'
import type { RulingRefusal } from './refusals'

export const CONFERENCE_RULES: Rules<ConferenceCommand, RulingRefusal> = {
  planConference,
  replanConference,
  cancelConference,
  joinConference: onShift(joinConference),
  muteOthers: onCall(muteOthers),
  conferenceLineRings,
  callerKeys,
}
