export { contactsOf, type Matching, matchColumns, PEOPLE_FIELDS, type PeopleField, readPeopleCsv, toPeopleCsv } from './csv'
export { fromVCards, type ReadCard, toVCards } from './vcard'
