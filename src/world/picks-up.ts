/** What picks up when somebody of a calling list is called, or does not. */
export type PicksUp = 'person' | 'machine' | 'busy' | 'noAnswer' | 'invalid' | 'refused'
