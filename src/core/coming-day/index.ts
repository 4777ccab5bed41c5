// A coming day, played: what a forecast, a plan and the rules come to.
export { type Caller, type CameAt, callsIn, type Durations, drawCallers, QUARTER_MS, quantileAt, sameCallers, type Traffic } from './callers'
export { type ChangedDay, changed, type DayBasis, type DayChange, NO_CHANGE } from './change'
export { type Compared, compared, FIGURES, type Figure, inTimeOf, type Pair, playChanged } from './compare'
export { callingOrder, crewFor, giveOut, type OnDuty, type ShiftSpan } from './crew'
export { type DaySaid, daySaid, type PlayedDay, type QueueDay } from './figures'
export { type NeededAsked, type NeededFound, neededByPlay } from './needed'
export { type DayToPlay, playDay } from './play'
export { differenceOf, type Spread, spreadOf } from './spread'
