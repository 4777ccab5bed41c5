// A row into somebody who can be called, or the reason why not. Numbers are read once for all that begin alike: whether and in which country one is a number
// goes by how it begins and how long it is, and a million of them have few beginnings.
import { type ListedNumber, type ListedRecord, zonesOfCountry } from '@/core/campaigns'
import { bareCell } from '@/core/csv'
import { readNumber } from '@/core/directory'
import { isTimeZone } from '@/core/time'
import type { Role } from './columns'

export type Person = Pick<ListedRecord, 'key' | 'person' | 'numbers' | 'priority' | 'fields'>

const LONGEST_NAME = 200
const MOST_PRIORITY = 32_767
const MOST_BEGINNINGS = 200_000

export interface Reader {
  read(cells: readonly string[]): Person | 'noNumber' | 'badNumber' | 'tooManyCells'
}

/** `timeZone` is the campaign's: of numbers whose country has none. */
export function createReader(
  columns: readonly string[],
  roles: readonly Role[],
  { homeCountry, timeZone }: { readonly homeCountry: string; readonly timeZone: string },
): Reader {
  const at = (role: Role) => roles.flatMap((r, i) => (r === role ? [i] : []))
  const [people, numbers, zones, priorities, keys] = [at('person'), at('number'), at('zone'), at('priority'), at('key')]
  const fields = roles.flatMap((r, i) => (r === 'field' ? [[i, columns[i] as string] as const] : []))
  const numberOf = createNumberReader(homeCountry, timeZone)
  const cell = (cells: readonly string[], i: number | undefined): string => {
    const text = i === undefined ? '' : (cells[i] ?? '')
    if (text === '') return ''
    const trimmed = text.trim()
    return trimmed.startsWith("'") ? bareCell(trimmed) : trimmed
  }
  return {
    read(cells) {
      if (cells.length > columns.length && cells.slice(columns.length).some((c) => c.trim() !== '')) return 'tooManyCells'
      const typed = numbers.map((i) => cell(cells, i)).filter((t) => t !== '')
      if (typed.length === 0) return 'noNumber'
      const zone = cell(cells, zones[0])
      const stated = zone !== '' && isTimeZone(zone) ? [zone] : null
      const read: ListedNumber[] = []
      for (const t of typed) {
        const number = numberOf(t)
        if (number !== null && !read.some((n) => n.number === number.number)) read.push(stated === null ? number : { number: number.number, zones: stated })
      }
      if (read.length === 0) return 'badNumber'
      const name = people.map((i) => cell(cells, i)).filter((t) => t !== '')
      const priority = Number(cell(cells, priorities[0]))
      const kept: Record<string, string> = {}
      for (const [i, column] of fields) {
        const value = cell(cells, i)
        if (value !== '') kept[column] = value
      }
      return {
        key: cell(cells, keys[0]) || null,
        person: name.join(' ').slice(0, LONGEST_NAME) || (read[0]?.number ?? ''),
        numbers: read,
        priority: Number.isFinite(priority) ? Math.max(-MOST_PRIORITY, Math.min(MOST_PRIORITY, Math.round(priority))) : 0,
        fields: kept,
      }
    },
  }
}

interface Beginning {
  readonly e164: string
  readonly zones: readonly string[]
}

function createNumberReader(homeCountry: string, timeZone: string): (typed: string) => ListedNumber | null {
  const beginnings = new Map<string, Beginning | null>()
  const zonesFor = (readAs: string): readonly string[] => {
    const zones = /^[A-Z]{2}$/.test(readAs) ? zonesOfCountry(readAs) : []
    return zones.length === 0 ? [timeZone] : zones
  }
  const whole = (typed: string): ListedNumber | null => {
    const reading = readNumber(typed, homeCountry)
    return reading.ok ? { number: reading.number.e164, zones: zonesFor(reading.number.readAs) } : null
  }
  return (typed) => {
    const end = typed.length - 4
    if (end < 4 || !endsInDigits(typed)) return whole(typed)
    const key = `${typed.length} ${typed.slice(0, end)}`
    const known = beginnings.get(key)
    if (known !== undefined) return known === null ? null : { number: known.e164 + typed.slice(end), zones: known.zones }
    const read = whole(typed)
    if (beginnings.size >= MOST_BEGINNINGS) beginnings.clear()
    // The last digits of what was read are those that were typed, or the number has been changed in the reading.
    const isPlain = read === null || read.number.endsWith(typed.slice(end))
    if (isPlain) beginnings.set(key, read === null ? null : { e164: read.number.slice(0, -4), zones: read.zones })
    return read
  }
}

function endsInDigits(text: string): boolean {
  for (let i = text.length - 4; i < text.length; i++) {
    const code = text.charCodeAt(i)
    if (code < 48 || code > 57) return false
  }
  return true
}
