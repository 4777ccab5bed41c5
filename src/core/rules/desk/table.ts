import type { Rules } from '@/core/rules/rule'
import type { DeskReport } from './commands'
import { reportDeskBack, reportDeskLost } from './vanished'

export const DESK_RULES: Rules<DeskReport, never> = { reportDeskLost, reportDeskBack }
