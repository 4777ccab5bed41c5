export { StartFrame } from './frame'
export { StartShift } from './start-shift'
