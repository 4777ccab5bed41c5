// Staffing: what waits to expect from so many calls and so many agents.
export { erlangA, erlangC, type Staffing, type WaitingFigures } from './erlang'
export { type DayCounts, type Forecast, type ForecastError, forecastDay, forecastError, QUARTERS } from './forecast'
export { type Need, type QueueLoad, staffDay } from './plan'
export { type Aim, agentsNeeded, type Load, serviceLevelA } from './service-level'
export { atWorkAt, type LaidShift, layShifts, type ShiftKind, type ShiftPlan, type ShiftWish, type SolveProgram } from './shifts'
