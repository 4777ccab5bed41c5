export { evolveQuestion, evolveWhenFree, LONGEST_QUESTION, type Pair, pairKey, type Question, SOON_MS, type WhenFree } from './asked'
export { ANSWERS, type Answer, type ColleagueEvent, ColleagueEventSchema } from './event'
