// Reads telephone numbers in any pasted form and says as which country's it was read (ITU-T E.164 numbering,
// through libphonenumber's metadata). Numbers reserved for fiction are possible but not assigned, so a number is
// taken when its length fits its country, not only when its range is in use.
import { type CountryCode, getCountryCallingCode, ParseError, parsePhoneNumberWithError } from 'libphonenumber-js/min'

export interface ReadNumber {
  /** `+441632960112` */
  readonly e164: string
  /** As people of that country write it, with the country code: `+44 1632 960112`. */
  readonly international: string
  /** Two-letter code, or the calling code (`+44`) where several countries share it and none can be told. */
  readonly readAs: string
}

export type NumberRefusal =
  | { readonly reason: 'numberEmpty' }
  | { readonly reason: 'matchesNobody'; readonly typed: string }
  | { readonly reason: 'noCountryReads'; readonly typed: string }
  | { readonly reason: 'numberTooShort'; readonly typed: string; readonly readAs: string }
  | { readonly reason: 'numberTooLong'; readonly typed: string; readonly readAs: string }

export type NumberReading = { readonly ok: true; readonly number: ReadNumber } | { readonly ok: false; readonly refusal: NumberRefusal }

/** Reads what was typed or pasted; without a leading `+` or `00` as a number of `homeCountry`. */
export function readNumber(typed: string, homeCountry: string): NumberReading {
  const text = typed.trim()
  if (text === '') return { ok: false, refusal: { reason: 'numberEmpty' } }
  if (/\p{L}/u.test(text.replace(/^tel:/i, ''))) return { ok: false, refusal: { reason: 'matchesNobody', typed: text } }
  try {
    const number = parsePhoneNumberWithError(text.replace(/^tel:/i, '').replace(/^00/, '+'), homeCountry as CountryCode)
    const readAs = number.country ?? countryOf(number.countryCallingCode, homeCountry as CountryCode)
    if (!number.isPossible()) {
      const tooShort = number.nationalNumber.length < 9
      return { ok: false, refusal: { reason: tooShort ? 'numberTooShort' : 'numberTooLong', typed: text, readAs } }
    }
    return { ok: true, number: { e164: number.number, international: number.formatInternational(), readAs } }
  } catch (error) {
    if (!(error instanceof ParseError)) throw error
    if (error.message === 'TOO_SHORT') return { ok: false, refusal: { reason: 'numberTooShort', typed: text, readAs: homeCountry } }
    if (error.message === 'TOO_LONG') return { ok: false, refusal: { reason: 'numberTooLong', typed: text, readAs: homeCountry } }
    return { ok: false, refusal: { reason: 'noCountryReads', typed: text } }
  }
}

/** Several countries share some calling codes: a shared code is read as the home country's where it is one of them. */
const countryOf = (callingCode: string, homeCountry: CountryCode): string =>
  getCountryCallingCode(homeCountry) === callingCode ? homeCountry : `+${callingCode}`
