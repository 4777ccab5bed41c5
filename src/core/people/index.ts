export { BOOK_WORDS, type Book, type BookRefusal, type Change, createBook, type Entry, type PeopleSort, sees, type Viewer } from './book'
export {
  type Contact,
  type ContactNumber,
  ContactNumberSchema,
  ContactSchema,
  type ContactText,
  duplicatesOf,
  EMPTY_CONTACT,
  folded,
  hasWords,
  MOST_NUMBERS,
  mergeContacts,
  NUMBER_KINDS,
  type NumberKind,
} from './contact'
export { type Findable, fitting, type Key, keyOf } from './find'
