export { detectDigits } from './detector'
export { COLUMNS_HERTZ, type DtmfOptions, dtmfSamples, hertzOf, ROWS_HERTZ, TONE_RATE_HERTZ } from './dtmf'
