export { type AgainstPlan, againstPlan } from './against-plan'
export { onShiftAt, overPlan, type Session, type Spell, sessionsOf, type TimeSums, timeSums } from './sessions'
