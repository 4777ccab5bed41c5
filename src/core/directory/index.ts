export { withExtension } from './extension'
export { callerLabel, callingCodeOf, type NumberReading, type ReadNumber, readDialled, readNumber, writeNumber } from './read-number'
export { NUMBER_WORDS, type NumberRefusal, numberIn, reachesIn } from './refusal'
export { isEmergency, isPublic, readShort, type ShortKind } from './short-number'
