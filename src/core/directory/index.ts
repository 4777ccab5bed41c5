export { callerLabel, callingCodeOf, type NumberReading, type ReadNumber, readNumber, writeNumber } from './read-number'
export { NUMBER_WORDS, type NumberRefusal, numberIn } from './refusal'
