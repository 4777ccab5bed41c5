export { Desk } from './desk'
export { Navigation } from './navigation'
export { Notices } from './notices'
export { outcomeLabel, outcomeSetOf, resultWords } from './outcome-words'
