import { onShift, onWork, type Rules } from '@/core/rules/rule'
import type { ClosingCommand } from './commands'
import { correctOutcome, takeBackOutcome } from './corrections'
import { draftNotes, saveOutcome } from './outcome'
import type { RulingRefusal } from './refusals'
import { answerScript, turnPage } from './script'
import { rateSound } from './sound'
import { extendWrapUp } from './wrap-up'

export const CLOSING_RULES: Rules<ClosingCommand, RulingRefusal> = {
  turnPage: onWork(turnPage),
  answerScript: onWork(answerScript),
  draftNotes: onWork(draftNotes),
  rateSound: onWork(rateSound),
  saveOutcome: onWork(saveOutcome),
  extendWrapUp: onWork(extendWrapUp),
  takeBackOutcome: onShift(takeBackOutcome),
  correctOutcome,
}
