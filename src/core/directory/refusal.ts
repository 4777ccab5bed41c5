// Why a number cannot be read, and what is said of it.
import type { WordsOf } from '@/core/refusal'
import type { ShortKind } from './short-number'

export type NumberRefusal =
  | { readonly reason: 'numberEmpty' }
  | { readonly reason: 'matchesNobody'; readonly typed: string }
  | { readonly reason: 'noCountryReads'; readonly typed: string }
  | { readonly reason: 'numberTooShort'; readonly typed: string; readonly readAs: string }
  | { readonly reason: 'numberTooLong'; readonly typed: string; readonly readAs: string }
  | { readonly reason: 'numberOfNoLength'; readonly typed: string; readonly readAs: string }

/** Made when a number is first refused: making it takes longer than all else this file does. */
let countries: Intl.DisplayNames | undefined
const countryOf = (region: string): string => {
  countries ??= new Intl.DisplayNames(['en'], { type: 'region' })
  return countries.of(region) ?? region
}

/** What a number is, by the country it was read as (ISO 3166-1) or, where several share it, its calling code: `a UK number`, `a number in France`. */
export const numberIn = (readAs: string): string => (readAs === 'GB' ? 'a UK number' : `a number in ${/^[A-Z]{2}$/.test(readAs) ? countryOf(readAs) : readAs}`)

/** What dialling it reaches, in words. */
export const reachesIn = ({ kind, readAs }: { readonly kind: 'number' | ShortKind; readonly readAs: string }): string =>
  kind === 'number' ? numberIn(readAs) : SHORT_WORDS[kind]
const SHORT_WORDS = { emergency: 'the emergency services', service: 'a short number of the country', code: 'a code of the network' } as const

export const NUMBER_WORDS: WordsOf<NumberRefusal> = {
  numberEmpty: () => ({ says: 'Nothing is typed to dial.', next: 'Type a number or a name.' }),
  matchesNobody: (refusal) => ({ says: `“${refusal.typed}” matches nobody we know, and is not a number.`, next: 'Check the spelling, or type the number.' }),
  noCountryReads: (refusal) => ({
    says: `“${refusal.typed}” is not a number of any country.`,
    next: 'Check the country code after the +, or leave it out for a number at home.',
  }),
  numberTooShort: (refusal) => ({
    says: `“${refusal.typed}” is too short for ${numberIn(refusal.readAs)}.`,
    next: 'Add the missing digits, or begin with + and the country code.',
  }),
  numberTooLong: (refusal) => ({
    says: `“${refusal.typed}” is too long for ${numberIn(refusal.readAs)}.`,
    next: 'Take the extra digits out, or begin with + and the country code.',
  }),
  numberOfNoLength: (refusal) => ({
    says: `“${refusal.typed}” has a digit too many or too few for ${numberIn(refusal.readAs)}.`,
    next: 'Compare it digit by digit, or begin with + and the country code.',
  }),
}
