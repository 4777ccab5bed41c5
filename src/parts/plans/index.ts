// Plans of shifts, for the screens that make them and those that hold a day against them.
export { type KeptPlan, type KeptShift, presentAt, useKeptPlan } from './kept-plan'
export { quarterClock } from './quarter-clock'
