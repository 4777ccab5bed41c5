// Numbers that are dialled as they are and have no country code: those of the emergency services, short ones of the country (ITU-T E.164, 6.2.5: not part of the
// international numbering plan), and codes of the network that begin with a star or a hash (ETSI ETS 300 738). Which there are is a table by country, made from
// the same metadata that numbers are read by.
import TABLE from './short-numbers.json'

export type ShortKind = 'emergency' | 'service' | 'code'

export interface ShortNumber {
  readonly kind: ShortKind
  /** As it is dialled: digits, and of codes stars and hashes. */
  readonly digits: string
}

const PATTERNS: Readonly<Record<string, readonly string[] | undefined>> = TABLE
/** A star or a hash, digits and more of them; a number of the public network may follow. */
const CODE = /^[*#][\d*#]{1,30}$/
const BLANKS_AND_DASHES = /[\s\u00A0.\u2010-\u2015-]+/g
const LONGEST_SHORT = 8

const patterns = new Map<string, { readonly emergency: RegExp; readonly service: RegExp }>()
function patternsOf(country: string) {
  const known = patterns.get(country)
  if (known !== undefined) return known
  const [emergency = '', service = ''] = PATTERNS[country] ?? []
  // Of a country without any nothing matches.
  const whole = (pattern: string) => new RegExp(pattern === '' ? '(?!)' : `^(?:${pattern})$`)
  const made = { emergency: whole(emergency), service: whole(service) }
  patterns.set(country, made)
  return made
}

/** What was typed as a short number of `homeCountry`, two letters (ISO 3166-1); null where it is none. Spaces, dots and dashes between digits do not count. */
export function readShort(typed: string, homeCountry: string): ShortNumber | null {
  const digits = typed.normalize('NFKC').replace(BLANKS_AND_DASHES, '')
  if (CODE.test(digits)) return { kind: 'code', digits }
  if (digits.length > LONGEST_SHORT) return null
  const { emergency, service } = patternsOf(homeCountry)
  if (emergency.test(digits)) return { kind: 'emergency', digits }
  return service.test(digits) ? { kind: 'service', digits } : null
}

/** Whether it is a number of the public network, in E.164, and not one that is dialled as it is. */
export const isPublic = (number: string): boolean => number.startsWith('+')

/** Whether it reaches the emergency services of a country, dialled from there. */
export const isEmergency = (number: string, homeCountry: string): boolean => readShort(number, homeCountry)?.kind === 'emergency'
