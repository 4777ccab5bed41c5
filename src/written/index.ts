export { Conversation } from './conversation'
export { InHand, type Piece, pieceOf } from './in-hand'
export { WriteFirst } from './write-first'
