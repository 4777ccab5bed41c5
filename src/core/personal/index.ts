export { type Personal, putTogether, takeApart } from './parts'
export { aboutWhom } from './sites'
export { type Found, foundIn, foundInLines, isListedAs, mayBeIn, mergeFound, plain, type Sought, SoughtSchema, soughtOf } from './sought'
