export interface Finding {
  readonly grade: 'error' | 'warning'
  /** `Queue Sailings`, `Agent Bo`. */
  readonly place: string
  readonly says: string
  readonly cure: string
}
