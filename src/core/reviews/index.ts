export { evolveReview, type Remark, RemarkSchema, type Review, type ReviewEvent, ReviewEventSchema, reviewKey } from './review'
export { SAMPLE_RULES, type SampledCall, type SampleRule, sampleBy } from './sample'
export { BEST, isAnswer, latestSheets, type Score, type Sheet, type SheetQuestion, SheetQuestionSchema, SheetSchema, scoreOf, sheetsInUse } from './sheet'
