export { evolveReview, type Remark, RemarkSchema, type Review, type ReviewEvent, ReviewEventSchema, reviewKey } from './review'
export { BEST, isAnswer, type Score, type Sheet, type SheetQuestion, SheetSchema, scoreOf, sheetsInUse } from './sheet'
