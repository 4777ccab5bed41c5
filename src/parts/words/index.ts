export {
  becomesWords,
  CAMPAIGN_STATE_WORDS,
  leftIn,
  MANNER_MEANS,
  MANNER_WORDS,
  percent,
  RECORD_STATE_WORDS,
} from './campaign-words'
export { describeAfter, describeBoard, failureWords, isMine, listed, type Names, nameOf, othersOn } from './describe'
export { lacking, lackingToDial } from './entitled'
export { answerAs, answerWords, type EventNames, eventWords } from './event-words'
export { lineWords } from './line-words'
export { NumberLinks } from './number-links'
export { callerWords, memoInWords, numberWords, useNumberWords } from './number-words'
export { ATTEMPT_WORDS, behalfWords, outcomeLabel, outcomeLabels, outcomeSetOf, outcomeSetOfRecord, RESULT_WORDS, resultWords } from './outcome-words'
export { SOUND_WORDS } from './sound-words'
export { diversionShort, diversionWords, ROLE_WORDS, ROLES_BY_SILENCE, spentWords, stateWords } from './state-words'
export { CHANNEL_WORDS, threadName } from './thread-words'
