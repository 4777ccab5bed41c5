export { endWhenReplaced, mayHaveSchedule, openBeside, openSchedule, openStores, putWaitingInPlace, tellReplaced } from './browser-stores'
export { go, isReady, laid } from './put-in-place'
