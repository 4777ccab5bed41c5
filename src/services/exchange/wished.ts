// What a tab's address wishes for: the world, its seed and how many past days it comes with.
import { PACES, type Past } from '@/world'

export const wishedPast = (): Past => ({ days: wishedDays(), seed: wishedSeed() })

const DEMO_DAYS = 7
const MOST_DAYS = 31
const DEMO_SEED = 7

/** `?days=0` begins without past days. */
function wishedDays(): number {
  const days = Number(new URLSearchParams(location.search).get('days') ?? DEMO_DAYS)
  return Number.isInteger(days) && days >= 0 ? Math.min(days, MOST_DAYS) : DEMO_DAYS
}

/** `?seed=` holds for past days as for today. */
function wishedSeed(): number {
  const seed = Number(new URLSearchParams(location.search).get('seed') ?? DEMO_SEED)
  return Number.isSafeInteger(seed) && seed >= 0 ? seed : DEMO_SEED
}

/** What the address says of the world, for whoever comes to this computer next. */
export function worldOfAddress(): string {
  const said = new URLSearchParams(location.search)
  for (const key of [...said.keys()]) if (!['world', 'seed', 'days'].includes(key)) said.delete(key)
  return said.size === 0 ? '' : `?${said}`
}

/** `?world=quiet&seed=7` says which world a floor that opens now begins with; a floor that runs keeps its own. */
export function wishedWorld() {
  const pace = PACES.find((p) => p === new URLSearchParams(location.search).get('world'))
  return pace === undefined ? null : { pace, seed: wishedSeed() }
}
