export { COLLEAGUE_ASKS, type ColleagueCommand } from './commands'
export { COLLEAGUE_WORDS, type ColleagueRefusal } from './refusals'
export { COLLEAGUE_RULES } from './table'
export { forgetAsked, ringWhoAreFree } from './when-free'
