export { DayField } from './day-field'
export { TimeField } from './time-field'
export { ClockNight, type Moment, useMoment } from './use-moment'
