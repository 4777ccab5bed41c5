// The methods a worker answers to pages, each with who may ask it. Whoever is refused is refused before anything is done, and nothing is answered that has no
// row.
import { tooMuch } from './size'

/** `account`: somebody is signed in; `floor`: they answer for everybody's work. */
export type Right = 'anybody' | 'account' | 'floor'

export type Rights<T> = { readonly [K in keyof T]: Right }

export type Whose = { readonly everybody: boolean } | null

/** The same methods, asked of by rows; `whose` says who is at the other end, as it is known by now. */
export function guarded<T extends object>(end: T, rights: Rights<T>, whose: () => Promise<Whose>): T {
  const guard =
    (name: keyof T & string) =>
    async (...args: readonly unknown[]) => {
      const much = tooMuch(args)
      if (much !== null) throw new Error(`${name} was asked with ${much}, which is more than is taken at once`)
      const right = rights[name]
      const account = right === 'anybody' ? null : await whose()
      if (right !== 'anybody' && account === null) throw new Error(`${name}: nobody is signed in at this tab`)
      if (right === 'floor' && account?.everybody !== true) throw new Error(`${name} is for those who answer for the floor`)
      return (end[name] as (...args: readonly unknown[]) => unknown).apply(end, [...args])
    }
  return Object.fromEntries((Object.keys(rights) as (keyof T & string)[]).map((name) => [name, guard(name)])) as unknown as T
}
