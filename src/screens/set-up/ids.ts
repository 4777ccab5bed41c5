// Ids made from names: the name may change later, the id stays.

/** `boat-handling` from a name. */
export const slug = (name: string): string =>
  name
    .toLowerCase()
    .normalize('NFKD')
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')

/** The id that is wanted; with a number where it is taken. */
export function freeId(wanted: string, taken: Iterable<string>): string {
  const ids = new Set(taken)
  let id = wanted
  for (let n = 2; ids.has(id); n++) id = `${wanted}-${n}`
  return id
}
