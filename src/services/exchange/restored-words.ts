// What everybody is told of how the floor came back from what was stored.
import type { Notice } from './protocol'
import type { Restored } from './store'

export function saidOfRestored({ newer, damage, cameBack }: Restored): readonly Notice[] {
  const said: Notice[] = []
  if (newer)
    said.push({
      id: 'newer',
      tone: 'loss',
      says: 'What is stored here was written by a newer version of Loyal Switchboard. It is left as it is; what happens now is kept in memory only. Load the newer version to go on with it.',
      offersDamaged: false,
    })
  if (damage !== null) said.push({ id: 'damaged', tone: 'loss', says: ofDamage(damage), offersDamaged: true })
  if (cameBack > 0)
    said.push({
      id: 'came back',
      tone: 'info',
      says: `${events(cameBack)} that could not be read before can be read now and are in their places again.`,
      offersDamaged: false,
    })
  return said
}

const events = (count: number): string => (count === 1 ? '1 event' : `${count} events`)

function ofDamage({ lostCount, reason, isWhole }: NonNullable<Restored['damage']>): string {
  if (lostCount === 0) return `The stored ledger was changed on the disk: ${reason}. Every event can be read, and one may not say what it said.`
  const rest = isWhole ? 'The floor begins anew.' : 'Everything else is here.'
  const are = lostCount === 1 ? 'is' : 'are'
  return `The stored ledger could not be read everywhere: ${reason}. ${events(lostCount)} ${are} left out and set aside. ${rest}`
}
