/** Before the type of a piece that is sealed. What kind of sound it was stays to be seen: decoding asks for it. */
export const SEALED = 'sealed '
export const isSealed = (piece: Blob): boolean => piece.type.startsWith(SEALED)
