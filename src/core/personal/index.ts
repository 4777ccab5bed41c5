export { type Personal, putTogether, takeApart } from './parts'
export { aboutWhom } from './sites'
export {
  type Found,
  foundIn,
  foundInLines,
  isListedAs,
  LONGEST_SOUGHT,
  MOST_SOUGHT,
  mayBeIn,
  mergeFound,
  plain,
  type Sought,
  SoughtSchema,
  soughtOf,
} from './sought'
