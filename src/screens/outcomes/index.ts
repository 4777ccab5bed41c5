export { OutcomesScreen } from './screen'
