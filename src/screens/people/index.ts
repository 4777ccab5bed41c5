export { AddPerson } from './add-person'
export { PeopleScreen } from './screen'
