export { CONFERENCE_ASKS, type ConferenceAsk, type ConferenceCommand, type ConferenceLineCommand } from './commands'
export { askForCode, callOf, codeKeyed, dialConferenceLine, followConferences, isInvited } from './joining'
export { CONFERENCE_WORDS, type ConferenceRefusal } from './refusals'
export { CONFERENCE_RULES } from './table'
