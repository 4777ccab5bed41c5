// Which places an account may enter. The floor asks the same again for everything that is done there.
import type { AccountView } from '@/services/exchange/protocol'

export const PLACES = [
  { id: 'desk', href: '/', label: 'Desk' },
  { id: 'people', href: '/people', label: 'People' },
  { id: 'callbacks', href: '/callbacks', label: 'Callbacks' },
  { id: 'campaigns', href: '/campaigns', label: 'Campaigns' },
  { id: 'floor', href: '/floor', label: 'Floor' },
  { id: 'results', href: '/results', label: 'Results' },
  { id: 'set-up', href: '/set-up', label: 'Set-up' },
] as const

export type Place = (typeof PLACES)[number]['id']

const NEEDS: Record<Place, (account: AccountView) => boolean> = {
  /** Whoever listens in needs a desk with sound, and need not serve anything. */
  desk: ({ queueIds, may }) => queueIds.length > 0 || may.includes('listening'),
  people: () => true,
  callbacks: () => true,
  campaigns: ({ may }) => may.includes('supervision'),
  floor: ({ may }) => may.includes('supervision'),
  /** An agent sees their own. */
  results: () => true,
  'set-up': ({ may }) => may.includes('setUp'),
}

export const mayEnter = (account: AccountView, place: Place): boolean => NEEDS[place](account)

/** Sees the results of everybody, and takes them away as files. */
export const seesEverybody = ({ may }: AccountView): boolean => may.includes('supervision')
