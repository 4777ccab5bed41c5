// Chance that belongs to one call and one purpose: a floor that comes back after a break meets the same people.
import { type Chance, createChance, seedFor } from '@/core/chance'
import type { CallId } from '@/core/ids'

export const chanceOfCall = (seed: number, callId: CallId, purpose: string): Chance => createChance(seedFor(seed, `${purpose} ${callId}`))
