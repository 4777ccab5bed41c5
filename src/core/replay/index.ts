export { createReplay, isMark, type Replay } from './replay'
