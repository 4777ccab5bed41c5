// A stored value as bytes: CBOR (RFC 8949; typed arrays after RFC 8746), which has a word for everything a store holds but files, and those are said in it.
import { Encoder } from 'cbor-x'

// Without records and shared structures it compiles nothing at run time, which no worker of ours may do.
const coder = new Encoder({ useRecords: false, mapsAsObjects: true, tagUint8Array: false, variableMapSize: true })

interface FileValue {
  readonly blob: Uint8Array
  readonly type: string
}
const isFileValue = (value: unknown): value is FileValue =>
  typeof value === 'object' && value !== null && Object.keys(value).join() === 'blob,type' && 'blob' in value && value.blob instanceof Uint8Array

export async function toBytes(value: unknown): Promise<Uint8Array<ArrayBuffer>> {
  const said = value instanceof Blob ? { blob: new Uint8Array(await value.arrayBuffer()), type: value.type } : value
  return Uint8Array.from(coder.encode(said))
}

export function fromBytes(bytes: Uint8Array): unknown {
  const value: unknown = coder.decode(bytes)
  return isFileValue(value) ? new Blob([Uint8Array.from(value.blob)], { type: value.type }) : value
}
