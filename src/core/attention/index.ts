export { type Need, needsNow, type WatchedAgent, type WatchedLine, type WatchedQueue } from './attention'
