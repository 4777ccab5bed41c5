/** What goes by an id in a list of named things; the id itself once it is not in the list any more. */
export const nameIn = (items: readonly { readonly id: string; readonly name: string }[], id: string): string => items.find((i) => i.id === id)?.name ?? id
