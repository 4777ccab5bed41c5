// The methods a worker answers to pages, each with who may ask it and with what. Whoever is refused is refused before anything is done, and nothing is
// answered that has no row.
import * as z from 'zod'
import { tooMuch } from './size'

/** `account`: somebody is signed in; `floor`: they answer for everybody's work. */
export type Right = 'anybody' | 'account' | 'floor'

type Asked<Method> = Method extends (...asked: infer A) => unknown ? A : never

export interface Door<Args> {
  readonly right: Right
  /** What it is asked with, one after the other. */
  readonly asked: z.ZodType<Args>
}

export type Doors<T> = { readonly [K in keyof T]: Door<Asked<T[K]>> }

export type Whose = { readonly everybody: boolean } | null

/** The same methods, asked of by rows; `whose` says who is at the other end, as it is known by now. */
export function guarded<T extends object>(end: T, doors: Doors<T>, whose: () => Promise<Whose>): T {
  const guard =
    (name: keyof T & string) =>
    async (...args: readonly unknown[]) => {
      const much = tooMuch(args)
      if (much !== null) throw new Error(`${name} was asked with ${much}, which is more than is taken at once`)
      const { right, asked } = doors[name]
      const account = right === 'anybody' ? null : await whose()
      if (right !== 'anybody' && account === null) throw new Error(`${name}: nobody is signed in at this tab`)
      if (right === 'floor' && account?.everybody !== true) throw new Error(`${name} is for those who answer for the floor`)
      const read = asked.safeParse(args)
      if (!read.success) throw new Error(`${name} was asked with what it does not take: ${z.prettifyError(read.error)}`)
      return (end[name] as (...args: readonly unknown[]) => unknown).apply(end, [...read.data])
    }
  return Object.fromEntries((Object.keys(doors) as (keyof T & string)[]).map((name) => [name, guard(name)])) as unknown as T
}

/** What crosses by reference: a function of the other end, a port. */
export const crossing = <T>() => z.custom<T>((value) => typeof value === 'function' || (typeof value === 'object' && value !== null))
