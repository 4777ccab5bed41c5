export { factsOf, mergeValuesOf } from './facts'
export {
  behalfOf,
  behalfOfPart,
  type Caption,
  createWork,
  evolveWork,
  followCall,
  isClosed,
  mayWrite,
  type OfCampaign,
  OfCampaignSchema,
  triesOf,
  type Work,
  type WorkEvent,
  WorkEventSchema,
} from './work'
