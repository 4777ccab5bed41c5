export { type Personal, putTogether, takeApart } from './parts'
export { type Found, foundIn, mayBeIn, type Sought, soughtOf } from './sought'
