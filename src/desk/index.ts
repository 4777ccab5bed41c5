export { CorrectOutcome } from './correct-outcome'
export { Desk } from './desk'
