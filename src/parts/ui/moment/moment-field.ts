// What fields for days and times take, besides their value.
export interface MomentFieldProps {
  readonly label: string
  /** In a row the name is not shown: what stands around it says it. */
  readonly inRow?: boolean
  readonly problem?: string | null
  readonly className?: string
}
