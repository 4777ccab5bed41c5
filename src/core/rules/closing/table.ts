import { onContact, onShift, type Rules } from '@/core/rules/rule'
import type { ClosingCommand } from './commands'
import { correctOutcome, takeBackOutcome } from './corrections'
import { draftNotes, saveOutcome } from './outcome'
import type { RulingRefusal } from './refusals'
import { answerScript, turnPage } from './script'
import { extendWrapUp } from './wrap-up'

export const CLOSING_RULES: Rules<ClosingCommand, RulingRefusal> = {
  turnPage: onContact(turnPage),
  answerScript: onContact(answerScript),
  draftNotes: onContact(draftNotes),
  saveOutcome: onContact(saveOutcome),
  extendWrapUp: onContact(extendWrapUp),
  takeBackOutcome: onShift(takeBackOutcome),
  correctOutcome,
}
