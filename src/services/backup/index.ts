export { endWhenReplaced, openBeside, openStores, putWaitingInPlace, tellReplaced } from './browser-stores'
export { go, isReady } from './put-in-place'
