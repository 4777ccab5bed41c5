// A refusal is a value: a reason with its facts. What is said of it stands in the room that refuses.
export interface RefusalText {
  /** What happened and why, in one sentence. */
  readonly says: string
  /** What to do next. */
  readonly next: string
}

/** The words for every reason of a union; the compiler misses none. */
export type WordsOf<R extends { readonly reason: string }> = { readonly [K in R['reason']]: (refusal: Extract<R, { readonly reason: K }>) => RefusalText }
