export { Conversation } from './conversation'
export { InHand, type Piece, pieceOf } from './in-hand'
export { queueAddress, SaveMail } from './save-mail'
export { WriteFirst } from './write-first'
