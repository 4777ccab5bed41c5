export { endWhenReplaced, openBeside, openStores, putWaitingInPlace, tellReplaced } from './browser-stores'
export { go, isReady, laid } from './put-in-place'
