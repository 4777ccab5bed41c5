export { LogScreen } from './screen'
