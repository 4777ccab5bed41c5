import type { Rules } from '@/core/rules/rule'
import { callArrives } from './arrival'
import type { DoorCommand } from './commands'
import { keepPlace, leaveMessage } from './kept-place'
import type { DoorRefusal } from './refusals'

export const DOOR_RULES: Rules<DoorCommand, DoorRefusal> = { callArrives, keepPlace, leaveMessage }
