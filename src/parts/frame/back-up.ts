// Makes backups when they are due, for as long as a page is open. Each page looks; one at a time makes it.
import { mayHaveSchedule, openSchedule } from '@/services/backup'
import { saveBySchedule } from '@/services/backup/client'
import { dueAtMs, readSchedule, type Saved } from '@/services/backup/schedule'
import type { FloorClient } from '@/services/exchange/client'

const LOOKS_EVERY_MS = 60_000

/** What is under way is stored first; what came of it is noted by the floor. null where the page was not answered. */
export async function backUpNow(floor: FloorClient, now: boolean, onProgress?: (done: number, of: number) => void): Promise<Saved | null> {
  const begun = await floor.ask({ kind: 'backsUp', came: 'begins' })
  if (!begun.ok) return null
  const saved = await saveBySchedule(now, onProgress).answer
  if (saved?.is === 'saved') await floor.ask({ kind: 'backsUp', came: 'saved' })
  if (saved?.is === 'failed' && saved.isNew) await floor.ask({ kind: 'backsUp', came: saved.needsLeave ? 'needsLeave' : 'failed' })
  return saved
}

/** Looks now and then whether one is due. The answer ends it. */
export function beginBackingUp(floor: FloorClient): () => void {
  let isBusy = false
  const look = async () => {
    if (isBusy || !(await mayHaveSchedule())) return
    isBusy = true
    try {
      const schedule = await readSchedule(await openSchedule())
      if (schedule !== null && dueAtMs(schedule, Date.now()) <= Date.now()) await backUpNow(floor, false)
    } catch (error) {
      // What the schedule knows of it is said in Set-up; a page that cannot even read that has nothing to say.
      console.warn('Whether a backup is due cannot be told:', error)
    } finally {
      isBusy = false
    }
  }
  void look()
  const timer = setInterval(() => void look(), LOOKS_EVERY_MS)
  return () => clearInterval(timer)
}
