export {
  type AttemptMeasures,
  type AttemptSums,
  abandonedWithDrops,
  type CodeCounts,
  measureAttempts,
  NO_ATTEMPTS,
  withAttempt,
} from './attempts'
export { DEFINITIONS } from './definitions'
export {
  byAgent,
  byQueue,
  DEFAULT_SERVICE_LEVEL_MS,
  type Grouped,
  inInterval,
  isHandling,
  isOffered,
  type MeasureOptions,
  type Measures,
  measure,
  occupancy,
  ofAgent,
  UNCODED_AFTER_MS,
} from './measures'
export { concurrencyOf, measureWritten, type WrittenMeasures, type WrittenOptions } from './written'
