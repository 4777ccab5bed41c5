export { callerLabel, type NumberReading, type ReadNumber, readNumber, writeNumber } from './read-number'
export { NUMBER_WORDS, type NumberRefusal } from './refusal'
