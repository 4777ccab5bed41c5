export { type OfCampaign, OfCampaignSchema, type WorkEvent, WorkEventSchema } from './event'
export { factsOf, mergeValuesOf } from './facts'
export {
  behalfOf,
  behalfOfPart,
  type Caption,
  createWork,
  createWritten,
  evolveWork,
  followCall,
  followThread,
  isClosed,
  mayWrite,
  triesOf,
  type Work,
} from './work'
