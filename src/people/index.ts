export { PeopleScreen } from './screen'
