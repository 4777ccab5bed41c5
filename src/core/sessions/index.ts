export { onShiftAt, overPlan, type Session, type Spell, sessionsOf, type TimeSums, timeSums } from './sessions'
