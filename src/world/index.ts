export { type Day, dayAfter, dayAt, daysBetween, startOfDayMs, weekdayOf } from './calendar'
export type { AnswersAs, WorldOptions } from './memory'
export { nextArrivalMs } from './pace'
export { PACES, type Pace } from './paces'
export { type Past, type PastAsked, pastDaysQuery } from './past-days'
export { PICKS_UP, type PicksUp } from './picks-up'
export { advance, type DayRequest, daySteps, simulateDay } from './simulate'
export type {
  Abroad,
  Business,
  BusinessId,
  Campaigning,
  Codes,
  CustomerRecords,
  Habits,
  Hours,
  Intent,
  Lines,
  Place,
  Rhythm,
  Stage,
  Talk,
  Words,
} from './stage'
export type { RingWish, WriteWish } from './wish'
export { createWorld, resumeWorld, type World, type WorldData } from './world'
