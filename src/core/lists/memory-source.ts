// A list that is all in memory: for simulations and tests.
import type { ListedRecord, RecordLife } from '@/core/campaigns'
import { type ListSource, zoneKey } from './calling-list'
import type { Place } from './due-index'

export function inMemory(
  records: readonly ListedRecord[],
  lives: ReadonlyMap<Place, RecordLife> = new Map(),
): ListSource & { lives(): ReadonlyMap<Place, RecordLife> } {
  const kept = new Map(lives)
  const at = (place: Place): ListedRecord => {
    const record = records[place]
    if (record === undefined) throw new Error(`nobody is at place ${place} of a list of ${records.length}`)
    return record
  }
  return {
    count: records.length,
    recordAt: at,
    lifeAt: (place) => kept.get(place),
    setLife: (place, life) => void kept.set(place, life),
    priorityAt: (place) => at(place).priority,
    zoneAt: (place) => zoneKey(at(place).numbers[0]?.zones ?? []),
    lives: () => kept,
  }
}
