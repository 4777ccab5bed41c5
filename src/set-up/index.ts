export { SetUpScreen } from './set-up'
