import { onShift, type Rules } from '@/core/rules/rule'
import { makeAttempt, reportAttempt } from './attempt'
import type { CampaignCommand } from './commands'
import { callRecord, offerRecord, skipRecord } from './preview'
import { offerPromise } from './promise'
import type { RulingRefusal } from './refusals'
import { changeState, listDone, putBackRecords } from './state'

export const CAMPAIGN_RULES: Rules<CampaignCommand, RulingRefusal> = {
  startCampaign: changeState('running'),
  pauseCampaign: changeState('paused'),
  finishCampaign: changeState('finished'),
  putBackRecords,
  callRecord: onShift(callRecord),
  skipRecord: onShift(skipRecord),
  makeAttempt,
  offerRecord,
  offerPromise,
  listDone,
  reportAttempt,
}
