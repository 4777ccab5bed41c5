export { StartShift } from './start-shift'
