export { toCallsCsv, toNdjson } from './calls'
export { toWav } from './wav'
