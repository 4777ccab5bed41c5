export { describeAfter, describeBoard, failureWords, isMine, listed, type Names, nameOf, othersOn } from './describe'
export { lacking, lackingToDial } from './entitled'
export { outcomeLabel, outcomeSetOf, resultWords } from './outcome-words'
export { diversionShort, diversionWords, spentWords, stateWords } from './state-words'
