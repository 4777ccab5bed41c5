// A column of whole numbers, in the narrowest array they fit: times of one day take four bytes, names of a dictionary one or two.

export interface Numbers {
  /** Of the smallest value. */
  readonly base: number
  /** 0 is null; otherwise the value less the base, plus one. */
  readonly data: Uint8Array | Uint16Array | Uint32Array | Float64Array
}

/** Whole numbers of at most 53 bits, or null. Throws for any other: a column must give back what was put in. */
export function packNumbers(values: readonly (number | null)[]): Numbers {
  let [least, most] = [Infinity, -Infinity]
  for (const value of values) {
    if (value === null) continue
    if (!Number.isSafeInteger(value)) throw new Error(`${value} is no whole number`)
    if (value < least) least = value
    if (value > most) most = value
  }
  const base = least === Infinity ? 0 : least
  const data = new (arrayFor(most - base + 1))(values.length)
  for (let i = 0; i < values.length; i++) {
    const value = values[i] as number | null
    data[i] = value === null ? 0 : value - base + 1
  }
  return { base, data }
}

const arrayFor = (most: number): Uint8ArrayConstructor | Uint16ArrayConstructor | Uint32ArrayConstructor | Float64ArrayConstructor =>
  most <= 0xff || most === -Infinity ? Uint8Array : most <= 0xffff ? Uint16Array : most <= 0xffff_ffff ? Uint32Array : Float64Array

export function numberAt({ base, data }: Numbers, row: number): number | null {
  const stored = data[row] as number
  return stored === 0 ? null : base + stored - 1
}

/** Of a column without nulls. */
export const valueAt = ({ base, data }: Numbers, row: number): number => base + (data[row] as number) - 1

export const isNullAt = ({ data }: Numbers, row: number): boolean => data[row] === 0
