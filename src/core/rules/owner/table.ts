import type { RightsRefusal } from '@/core/rules/rights'
import type { AnyRefusal, Rules } from '@/core/rules/rule'
import type { OwnerCommand } from './commands'
import type { OwnerRefusal } from './refusals'
import { changeSetUp, switchStorm } from './rules'

export const OWNER_RULES: Rules<OwnerCommand, OwnerRefusal | RightsRefusal | AnyRefusal> = { switchStorm, changeSetUp }
