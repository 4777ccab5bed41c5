// In which time zones the owner of a number may be, by its country. A country of several zones has several, and a call is allowed only where it is in all.
import { isTimeZone } from '@/core/time'

const known = new Map<string, readonly string[]>()

/** IANA names of the zones of a country (ISO 3166-1, two letters), as the platform's CLDR has them; none where it knows of none. */
export function zonesOfCountry(country: string): readonly string[] {
  const found = known.get(country)
  if (found !== undefined) return found
  const zones = distinct(zonesFrom(country))
  known.set(country, zones)
  return zones
}

type WithZones = Intl.Locale & { readonly timeZones?: readonly string[]; getTimeZones?: () => readonly string[] | undefined }

function zonesFrom(country: string): readonly string[] {
  try {
    const locale = new Intl.Locale('und', { region: country }) as WithZones
    return locale.getTimeZones?.() ?? locale.timeZones ?? []
  } catch (error) {
    if (error instanceof RangeError) return []
    throw error
  }
}

/** Zones that keep the same time all year count once: what is allowed in one is in the other. */
function distinct(zones: readonly string[]): readonly string[] {
  const byOffsets = new Map<string, string>()
  for (const zone of zones) {
    if (!isTimeZone(zone)) continue
    const key = MONTHS_MS.map((atMs) => offsetOf(zone, atMs)).join(' ')
    if (!byOffsets.has(key)) byOffsets.set(key, zone)
  }
  return [...byOffsets.values()]
}

/** The middle of each month, and the weeks in which clocks are set here but not there. */
const MONTHS_MS = [0, 31, 59, 69, 80, 88, 120, 151, 181, 212, 243, 273, 300, 306, 334].map((day) => Date.UTC(2026, 0, 1 + day, 12))

function offsetOf(zone: string, atMs: number): string {
  const parts = new Intl.DateTimeFormat('en-GB', { timeZone: zone, timeZoneName: 'longOffset' }).formatToParts(atMs)
  return parts.find((p) => p.type === 'timeZoneName')?.value ?? ''
}
