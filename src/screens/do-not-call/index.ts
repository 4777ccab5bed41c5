export { DoNotCallScreen } from './screen'
