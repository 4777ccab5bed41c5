import { onCall, onShift, type Rules } from '@/core/rules/rule'
import { endShiftOf, putAwayTold, sendWord, setReadiness } from './acts'
import type { SupervisionCommand } from './commands'
import { askForHelp, dropHelp, takeHelp } from './help'
import { stopListening, takeOver, takeRole } from './listen'
import type { RulingRefusal } from './refusals'
import { moveWaiting, setDoor } from './waiting'
import { assignWork } from './work'

export const SUPERVISION_RULES: Rules<SupervisionCommand, RulingRefusal> = {
  takeRole: onCall(takeRole),
  takeOver: onCall(takeOver),
  stopListening: onCall(stopListening),
  askForHelp: onCall(askForHelp),
  dropHelp: onShift(dropHelp),
  takeHelp,
  assignWork,
  setReadiness,
  endShiftOf,
  sendWord,
  putAwayTold,
  moveWaiting,
  setDoor,
}
