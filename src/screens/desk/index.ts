export { BoardThen } from './board-then'
export { CorrectOutcome } from './correct-outcome'
export { Desk } from './desk'
export { SmallWindow } from './small-window'
