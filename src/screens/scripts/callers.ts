// Made-up callers for rehearsals and the preview.
import type { Customer } from '@/core/calls'

export interface MadeUpCaller {
  readonly label: string
  readonly customer: Customer | null
  readonly number: string | null
  readonly path: string | null
}

const person = (name: string, group: string, path: string): MadeUpCaller => ({
  label: `${name}, ${group.toLowerCase()}`,
  customer: { name, group, facts: [] },
  number: '+441632960102',
  path,
})

export const CALLERS: readonly MadeUpCaller[] = [
  person('Ottoline Fjelding', 'Islander with a pass', 'Change a booking'),
  person('Aldous Quayle-Storr', 'Haulier', 'Freight'),
  person('Wilhelmina-Josephine Featherstonehaugh of Great Hythe', 'Wedding party', 'Is my boat running'),
  { label: 'Somebody we do not know', customer: null, number: '+447700900123', path: 'Something else' },
  { label: 'A withheld number', customer: null, number: null, path: null },
]
