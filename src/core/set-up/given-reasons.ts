// Reasons the floor gives by name. Apart from the schema, so that screens which name one do not carry the schema library.
export const MISSED_RING = 'Missed ring'
export const SOUND_LOST = 'Sound lost'
/** Nothing is heard of the page at which they work. */
export const DESK_LOST = 'Desk lost'
/** More outcomes are owed than the centre allows, or a wrap-up was over its limit and the queue says so. */
export const OUTCOME_OWED = 'Outcome owed'
