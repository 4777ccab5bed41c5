// Columns of text: any text as UTF-8 in one array of bytes, and words, which come again and again, as places in a dictionary.
import { LRUCache } from 'lru-cache'
import { type Numbers, numberAt, packNumbers } from './numbers'

export interface Texts {
  readonly bytes: Uint8Array
  /** Where each text begins in the whole, in UTF-16 units; one more for the end. */
  readonly at: Uint32Array
}

/** Stands for null: no text of a call has it. */
const NULL = '\u0000'

export function packTexts(values: readonly (string | null)[]): Texts {
  const at = new Uint32Array(values.length + 1)
  const parts = values.map((value) => value ?? NULL)
  let length = 0
  for (let i = 0; i < parts.length; i++) {
    at[i] = length
    length += (parts[i] as string).length
  }
  at[parts.length] = length
  return { bytes: new TextEncoder().encode(parts.join('')), at }
}

const DECODED_UNITS = 16_000_000
/** Decoding a column takes a moment, and whoever reads one text of it reads the next. */
const decoded = new LRUCache<Texts, string>({ maxSize: DECODED_UNITS, sizeCalculation: (text) => text.length + 1 })
const decoder = new TextDecoder('utf-8', { ignoreBOM: true })

/** All texts of the column, one after the other. */
export function wholeOf(texts: Texts): string {
  const known = decoded.get(texts)
  if (known !== undefined) return known
  const whole = decoder.decode(texts.bytes)
  decoded.set(texts, whole)
  return whole
}

export function textAt(texts: Texts, row: number): string | null {
  const text = wholeOf(texts).slice(texts.at[row], texts.at[row + 1])
  return text === NULL ? null : text
}

export interface Words {
  readonly words: Texts
  readonly index: Numbers
}

export function packWords(values: readonly (string | null)[]): Words {
  const places = new Map<string, number>()
  const index = values.map((value) => {
    if (value === null) return null
    const known = places.get(value)
    if (known !== undefined) return known
    places.set(value, places.size)
    return places.size - 1
  })
  return { words: packTexts([...places.keys()]), index: packNumbers(index) }
}

export const listWords = ({ words }: Words): string[] => Array.from({ length: words.at.length - 1 }, (_, i) => textAt(words, i) ?? '')

/** The place of the word in the dictionary; null for no word. */
export const placeAt = ({ index }: Words, row: number): number | null => numberAt(index, row)

export function wordAt({ words, index }: Words, row: number): string | null {
  const place = numberAt(index, row)
  return place === null ? null : textAt(words, place)
}

/** Texts that end in a running number, as ids do: the beginnings are words. */
export interface Numbered {
  readonly beginnings: Words
  readonly ends: Numbers
}

export function packNumbered(values: readonly string[]): Numbered {
  const split = values.map((value) => /^(.*_)(0|[1-9]\d{0,8})$/s.exec(value) ?? ['', value, null])
  return { beginnings: packWords(split.map(([, begins]) => begins ?? '')), ends: packNumbers(split.map(([, , end]) => (end == null ? null : Number(end)))) }
}

export const numberedAt = ({ beginnings, ends }: Numbered, row: number): string => `${wordAt(beginnings, row) ?? ''}${numberAt(ends, row) ?? ''}`
