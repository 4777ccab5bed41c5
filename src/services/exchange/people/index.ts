export { answerPeople } from './answers'
export { openPeople, type PeopleStore } from './kept'
export { createPeople, type People } from './people'
export { type CheckedContact, CONTACTS_AT_ONCE, isPeopleMessage, type PeopleAsked, type PeoplePage, type PersonView, peopleMessages } from './protocol'
