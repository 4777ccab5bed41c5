import type { RightsRefusal } from '@/core/rules/rights'
import type { AnyRefusal, Rules } from '@/core/rules/rule'
import type { DoNotCallCommand } from './commands'
import type { DoNotCallRefusal } from './refusals'
import { addDoNotCall, removeDoNotCall } from './rules'

export const DO_NOT_CALL_RULES: Rules<DoNotCallCommand, DoNotCallRefusal | RightsRefusal | AnyRefusal> = { addDoNotCall, removeDoNotCall }
