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
  type OfCampaign,
  OfCampaignSchema,
  triesOf,
  type Work,
  type WorkEvent,
  WorkEventSchema,
} from './work'
