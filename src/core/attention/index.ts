export { type Need, needsNow, type WatchedAgent, type WatchedQueue } from './attention'
