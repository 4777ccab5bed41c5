export { Tomorrow } from './tomorrow'
