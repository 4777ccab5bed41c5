export { SheetsScreen } from './screen'
