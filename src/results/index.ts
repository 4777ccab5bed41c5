export { OneCall } from './one-call'
export { Results } from './results'
