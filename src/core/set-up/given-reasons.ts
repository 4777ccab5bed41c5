// Reasons the floor gives by name. Apart from the schema, so that screens which name one do not carry the schema library.
export const MISSED_RING = 'Missed ring'
export const SOUND_LOST = 'Sound lost'
