export { ConferencesScreen } from './screen'
