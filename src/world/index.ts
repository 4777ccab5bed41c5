export { PACES, type Pace } from './paces'
export { advance, type DayRequest, simulateDay } from './simulate'
export { type AnswersAs, createWorld, type RingWish, type World, type WorldOptions } from './world'
