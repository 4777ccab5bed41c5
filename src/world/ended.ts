/** How a call ended, as whoever codes it knows. */
export type Ended = 'done' | 'brokenOff' | 'putThrough' | 'noAnswer' | 'busy' | 'machine'
