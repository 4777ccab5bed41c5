export { FloorScreen, FloorThen } from './screen'
