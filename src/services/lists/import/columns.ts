// What the columns of a file stand for: guessed by their names and by what is in them, corrected by hand, and remembered for the next file of the same shape.

export const ROLES = ['person', 'number', 'zone', 'priority', 'key', 'field', 'leftOut'] as const
export type Role = (typeof ROLES)[number]

export const ROLE_WORDS: Readonly<Record<Role, string>> = {
  person: 'Name of the person',
  number: 'Telephone number',
  zone: 'Time zone',
  priority: 'Priority',
  key: 'Own key',
  field: 'Kept, for the script',
  leftOut: 'Left out',
}

const BY_NAME: readonly (readonly [Role, RegExp])[] = [
  ['zone', /^(time ?)?zone$|^tz$/i],
  ['priority', /^prio(rity)?$/i],
  ['key', /^(id|key|ref(erence)?|(customer|booking|account|record|pass)[ _-]?(id|key|no|number|ref(erence)?))$/i],
  ['number', /phone|mobile|^tel|^cell|^number|landline|^fax$/i],
  ['person', /^(full[ _-]?)?name$|^person$|^customer$|^contact$|(first|last|given|family|sur)[ _-]?name/i],
]

/** `sample` has some rows below the heading. Several columns may be numbers, and several parts of the name; of the others the first that fits. */
export function guessRoles(columns: readonly string[], sample: readonly (readonly string[])[]): readonly Role[] {
  const roles: Role[] = columns.map((name) => BY_NAME.find(([, is]) => is.test(name.trim()))?.[0] ?? 'field')
  for (const once of ['zone', 'priority', 'key'] as const)
    for (const [i, role] of roles.entries()) if (role === once && roles.indexOf(once) !== i) roles[i] = 'field'
  const valuesOf = (i: number) => sample.map((row) => (row[i] ?? '').trim()).filter((v) => v !== '')
  // A column by another name whose every cell looks like a telephone number.
  if (!roles.includes('number'))
    for (const i of columns.keys()) if (roles[i] === 'field' && valuesOf(i).length > 0 && valuesOf(i).every(looksLikeNumber)) roles[i] = 'number'
  if (!roles.includes('person')) {
    const at = columns.findIndex(
      (_, i) => roles[i] === 'field' && valuesOf(i).length > 0 && valuesOf(i).every((v) => /^\p{Lu}[\p{L}'’-]+( \p{L}[\p{L}'’.-]*)+$/u.test(v)),
    )
    if (at >= 0) roles[at] = 'person'
  }
  return roles
}

const looksLikeNumber = (text: string): boolean => /^[+(]?[\d\s()./-]{7,}$/.test(text) && text.replace(/\D/g, '').length >= 8

/** Files with the same headings are of the same shape. */
export const shapeKey = (columns: readonly string[]): string => columns.map((c) => c.trim().toLowerCase()).join('\u0001')

/** Why the file cannot be taken with these roles; null when it can. */
export function rolesProblem(roles: readonly Role[]): string | null {
  if (!roles.includes('number')) return 'No column is a telephone number, so nobody could be called. Say which one it is.'
  return null
}
