export { FloorScreen } from './screen'
