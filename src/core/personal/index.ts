export { type Personal, putTogether, takeApart } from './parts'
export { type Found, foundIn, isListedAs, mayBeIn, plain, type Sought, soughtOf } from './sought'
