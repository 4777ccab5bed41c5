// Reads telephone numbers in any pasted form and says as which country's it was read (ITU-T E.164 numbering,
// through libphonenumber's metadata). Numbers reserved for fiction are possible but not assigned, so a number is
// taken when its length fits its country, not only when its range is in use.
import {
  type CountryCode,
  getCountryCallingCode,
  ParseError,
  type PhoneNumber,
  parsePhoneNumberWithError,
  validatePhoneNumberLength,
} from 'libphonenumber-js/min'
import { takeApart } from './pasted'
import type { NumberRefusal } from './refusal'
import { readShort, type ShortKind } from './short-number'

export interface ReadNumber {
  /** `number` is one of the public network; the others are dialled as they are. */
  readonly kind: 'number' | ShortKind
  /** `+441632960112`; of a short one its digits. */
  readonly e164: string
  /** As people of that country write it, with the country code: `+44 1632 960112`. */
  readonly international: string
  /** Two-letter code, or the calling code (`+44`) where several countries share it and none can be told. */
  readonly readAs: string
  /** Digits to be sent as tones once the number has answered. */
  readonly extension: string | null
}

export type NumberReading = { readonly ok: true; readonly number: ReadNumber } | { readonly ok: false; readonly refusal: NumberRefusal }

/** Characters of what may be a number with everything people paste around it; what is longer is none. */
const LONGEST_TYPED = 300

type Length = ReturnType<typeof validatePhoneNumberLength>

/**
 * Reads what was typed or pasted: with spaces and punctuation of any kind, a label or a remark, as a `tel:`, `callto:` or `sip:` link,
 * with an extension. Without a leading `+` or the prefix for calls abroad (00, or that of the home country) as a number of
 * `homeCountry`. Never throws.
 */
export function readNumber(typed: string, homeCountry: string): NumberReading {
  const text = typed.trim()
  if (text === '') return { ok: false, refusal: { reason: 'numberEmpty' } }
  if (text.length > LONGEST_TYPED) return { ok: false, refusal: { reason: 'noCountryReads', typed: `${text.slice(0, 40)}…` } }
  const { number: bare, extension } = takeApart(text)
  if (/\p{L}/u.test(bare)) return { ok: false, refusal: { reason: 'matchesNobody', typed: text } }
  const home = homeCountry as CountryCode
  let wrong: NumberRefusal = { reason: 'noCountryReads', typed: text }
  for (const [i, candidate] of formsOf(bare).entries()) {
    const read = parse(candidate, home)
    if (typeof read === 'string') {
      if (i === 0) wrong = refusalFor(read, text, homeCountry)
      continue
    }
    const readAs = read.country ?? countryOf(read.countryCallingCode, home)
    if (read.isPossible()) return { ok: true, number: { kind: 'number', e164: read.number, international: read.formatInternational(), readAs, extension } }
    if (i === 0) wrong = refusalFor(validatePhoneNumberLength(read.number), text, readAs)
  }
  return { ok: false, refusal: wrong }
}

/**
 * The same of what is to be dialled now: numbers of the emergency services, short ones of the home country and codes of its network as well, which are no number
 * of anybody to be kept or promised to.
 */
export function readDialled(typed: string, homeCountry: string): NumberReading {
  const short = readShort(typed, homeCountry) ?? readShort(takeApart(typed.slice(0, LONGEST_TYPED)).number, homeCountry)
  const long = short?.kind === 'emergency' ? null : readNumber(typed, homeCountry)
  // Where whole numbers are as short as that, it is one of those.
  if (short === null || long?.ok) return long ?? readNumber(typed, homeCountry)
  const { kind, digits } = short
  return { ok: true, number: { kind, e164: digits, international: digits, readAs: homeCountry, extension: null } }
}

/** As people of its country group it, with the country code: `+44 1632 960112`. Whatever cannot be read stays as it is. */
export function writeNumber(e164: string): string {
  const read = e164.startsWith('+') ? parse(e164, 'GB') : e164
  return typeof read === 'string' ? e164 : read.formatInternational()
}

/** The outside party's name when known, otherwise their number, otherwise `Withheld number`. */
export const callerLabel = ({ customer, number }: { readonly customer: { readonly name: string } | null; readonly number: string | null }): string =>
  customer?.name ?? (number === null ? 'Withheld number' : writeNumber(number))

/** As it stands, read by the home country's own rules; then with 00 as the way abroad, which most of the world dials. */
const formsOf = (bare: string): readonly string[] => (/^00/.test(bare) ? [bare, bare.replace(/^00/, '+')] : [bare])

function parse(text: string, home: CountryCode): PhoneNumber | Exclude<Length, undefined> {
  try {
    return parsePhoneNumberWithError(text, home)
  } catch (error) {
    if (!(error instanceof ParseError)) throw error
    return error.message as Exclude<Length, undefined>
  }
}

function refusalFor(why: Length, typed: string, readAs: string): NumberRefusal {
  switch (why) {
    case 'TOO_SHORT':
      return { reason: 'numberTooShort', typed, readAs }
    case 'TOO_LONG':
      return { reason: 'numberTooLong', typed, readAs }
    case 'INVALID_LENGTH':
      return { reason: 'numberOfNoLength', typed, readAs }
    default:
      return { reason: 'noCountryReads', typed }
  }
}

/** Several countries share some calling codes: a shared code is read as the home country's where it is one of them. */
const countryOf = (callingCode: string, homeCountry: CountryCode): string =>
  getCountryCallingCode(homeCountry) === callingCode ? homeCountry : `+${callingCode}`

/** The digits after the plus that numbers of a country begin with: `44` for `GB`. */
export const callingCodeOf = (country: string): string => getCountryCallingCode(country as CountryCode)
