export { PACES, type Pace } from './paces'
export type { RingWish } from './persona'
export { advance, type DayRequest, daySteps, simulateDay } from './simulate'
export { type AnswersAs, createWorld, type World, type WorldOptions } from './world'
