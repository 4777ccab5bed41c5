export { answerLeft, FORGOTTEN, gone, type IsOffered } from './left'
export { offeredBy } from './offered'
