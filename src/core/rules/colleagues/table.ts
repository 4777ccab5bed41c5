import { onShift, type Rules } from '@/core/rules/rule'
import { answerQuestion, askFirst, closeQuestion } from './ask'
import { callColleague, callTogether } from './call'
import type { ColleagueCommand } from './commands'
import type { RulingRefusal } from './refusals'
import { callWhenFree, dropCallWhenFree } from './when-free'

export const COLLEAGUE_RULES: Rules<ColleagueCommand, RulingRefusal> = {
  callColleague: onShift(callColleague),
  callTogether: onShift(callTogether),
  askFirst: onShift(askFirst),
  answerQuestion: onShift(answerQuestion),
  closeQuestion: onShift(closeQuestion),
  callWhenFree: onShift(callWhenFree),
  dropCallWhenFree: onShift(dropCallWhenFree),
}
