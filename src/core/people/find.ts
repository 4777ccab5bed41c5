// Finding people as one types: by name, number, company or group, by the beginnings of words, and by the letters on a telephone's keys.
import { folded } from './contact'

export interface Findable {
  readonly name: string
  readonly company: string
  readonly group: string
  readonly numbers: readonly { readonly number: string }[]
}

/** What is looked at for every letter typed; made once for each person. */
export interface Key {
  /** Words of name, company and group, folded, each after a space. */
  readonly words: string
  /** The digits of every number, each after a space, also as it is dialled at home. */
  readonly digits: string
  /** The words as they are typed on a keypad, each after a space. */
  readonly keypad: string
}

/** Letters on the keys 2 to 9 (ITU-T E.161, option A). */
const KEYS = ['abc', 'def', 'ghi', 'jkl', 'mno', 'pqrs', 'tuv', 'wxyz']
const KEY_OF = new Map(KEYS.flatMap((letters, i) => [...letters].map((letter) => [letter, String(i + 2)] as const)))

/** `callingCode` is that of the home country, as digits: numbers of home are found without it, with a nought before. */
export function keyOf({ name, company, group, numbers }: Findable, callingCode: string): Key {
  const words = ` ${wordsOf([name, company, group].join(' ')).join(' ')}`
  const keypad = [...words].map((letter) => (letter === ' ' ? ' ' : (KEY_OF.get(letter) ?? letter))).join('')
  const digits = numbers.map(({ number }) => {
    const all = number.replace(/\D/g, '')
    return number.startsWith(`+${callingCode}`) ? ` ${all} 0${all.slice(callingCode.length)}` : ` ${all}`
  })
  return { words, digits: digits.join(''), keypad }
}

/**
 * Whether everything that was typed fits: words at the beginnings of words, in any order; digits anywhere in a number (written with whatever between them)
 * or, where there are two or more, as letters at the beginning of a word. Nothing typed fits everybody.
 */
export function fitting(typed: string): (key: Key) => boolean {
  const text = typed.trim()
  if (text === '') return () => true
  const tests = isNumber(text) ? [numberTest(text.replace(/\D/g, ''))] : wordsOf(text).map(wordTest)
  return (key) => tests.every((test) => test(key))
}

const isNumber = (text: string): boolean => /^[+(]?[\d\s().\-/]+$/.test(text)

const wordTest = (word: string) => {
  const begins = ` ${word}`
  const isDigits = /^\d+$/.test(word)
  return ({ words, digits, keypad }: Key) => words.includes(begins) || (isDigits && (digits.includes(word) || keypad.includes(begins)))
}

const numberTest = (typed: string) => {
  const asLetters = typed.length < 2 ? null : ` ${typed}`
  return ({ digits, keypad }: Key) => digits.includes(typed) || (asLetters !== null && keypad.includes(asLetters))
}

/** Folded, without what stands between them. */
const wordsOf = (text: string): readonly string[] =>
  folded(text)
    .split(/[^\p{L}\p{N}]+/u)
    .filter(Boolean)
