export { instantAt, localDay, localMidnight, localTime, zoneAheadMs } from './local'
export { InstantSchema } from './schemas'
export { A_YEAR_MS, DAY, type EpochMs, formatClock, HOUR, isTimeZone, LAST_INSTANT_MS, MINUTE, minuteClock, QUARTER_MS, SECOND, utcDay, wholeMs } from './time'
