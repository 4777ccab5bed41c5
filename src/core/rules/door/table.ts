import type { Rules } from '@/core/rules/rule'
import { callArrives } from './arrival'
import type { DoorCommand } from './commands'
import { keepPlace } from './kept-place'
import type { DoorRefusal } from './refusals'

export const DOOR_RULES: Rules<DoorCommand, DoorRefusal> = { callArrives, keepPlace }
