export { CallbacksScreen } from './screen'
