export { SCRIPTS } from './scripts'
