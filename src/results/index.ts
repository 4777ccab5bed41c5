export { CampaignResults } from './campaign-results'
export { OneCall } from './one-call'
export { Results } from './results'
export { Sessions } from './sessions'
