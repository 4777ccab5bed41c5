// Backups that are made by themselves: into a folder this browser was given (File System Access), at set times, of which the last few are kept. Sealed for an
// age recipient (age-encryption.org/v1, X25519), so that what opens them need not be kept where they are made.

import { millisecondsInDay, millisecondsInHour, millisecondsInMinute, millisecondsInWeek } from 'date-fns/constants'
import * as z from 'zod'
import type { KeyValue } from '@/services/storage'

export const EVERY_MS = { hour: millisecondsInHour, day: millisecondsInDay, week: millisecondsInWeek } as const
export type Every = keyof typeof EVERY_MS
export const EVERY = Object.keys(EVERY_MS) as readonly Every[]

/** A browser's folder, as far as it is needed; what asks for leave is there where the browser has that. */
export interface Folder {
  readonly name: string
  keys(): AsyncIterable<string>
  getFileHandle(name: string, options: { readonly create: boolean }): Promise<{ createWritable(): Promise<WritableStream<Uint8Array>> }>
  removeEntry(name: string): Promise<void>
  queryPermission?(asked: { readonly mode: 'readwrite' }): Promise<PermissionState>
  requestPermission?(asked: { readonly mode: 'readwrite' }): Promise<PermissionState>
}

const ScheduleSchema = z.object({
  folder: z.custom<Folder>((value) => typeof value === 'object' && value !== null && 'getFileHandle' in value),
  every: z.enum(['hour', 'day', 'week']),
  /** So many are kept; older ones of this schedule are taken away. */
  keeps: z.number().int().min(1).max(1_000),
  /** null for open files. */
  recipient: z.string().startsWith('age1').nullable(),
  centre: z.string(),
  lastMs: z.number().nullable(),
  lastFile: z.string().nullable(),
  /** Why the latest could not be made, and since when none could; null when it was. */
  trouble: z.object({ sinceMs: z.number(), triedMs: z.number(), says: z.string(), needsLeave: z.boolean() }).nullable(),
})
export type Schedule = Readonly<z.infer<typeof ScheduleSchema>>

const KEY = 'schedule'
/** One that failed is tried again after so long. */
export const TRIES_AGAIN_MS = 10 * millisecondsInMinute

/** null where there is none. */
export async function readSchedule(store: KeyValue): Promise<Schedule | null> {
  const read = ScheduleSchema.safeParse(await store.get(KEY))
  return read.success ? read.data : null
}
export const writeSchedule = (store: KeyValue, schedule: Schedule | null): Promise<void> => (schedule === null ? store.remove(KEY) : store.set(KEY, schedule))

/** When the next is due, epoch milliseconds: never sooner than one that failed is tried again. A clock that was set back waits for no more than one period. */
export function dueAtMs({ every, lastMs, trouble }: Pick<Schedule, 'every' | 'lastMs' | 'trouble'>, nowMs: number): number {
  const next = lastMs === null || lastMs > nowMs ? nowMs : lastMs + EVERY_MS[every]
  const again = trouble === null || trouble.triedMs > nowMs ? nowMs : trouble.triedMs + TRIES_AGAIN_MS
  return trouble === null ? next : Math.max(next, again)
}

const slug = (centre: string): string => centre.toLowerCase().replace(/[^a-z0-9]+/g, '-') || 'centre'
/** In the order of their names they are in the order of time. */
export const fileName = ({ centre, recipient }: Pick<Schedule, 'centre' | 'recipient'>, atMs: number): string =>
  `${slug(centre)}-by-itself-${new Date(atMs).toISOString().slice(0, 19).replace(/[:T]/g, '-')}.${recipient === null ? 'zip' : 'zip.age'}`
const isOurs = ({ centre }: Pick<Schedule, 'centre'>, name: string): boolean =>
  name.startsWith(`${slug(centre)}-by-itself-`) && /-\d{4}(-\d\d){5}\.zip(\.age)?$/.test(name)

export type Saved =
  | { readonly is: 'saved'; readonly file: string }
  | { readonly is: 'failed'; readonly says: string; readonly needsLeave: boolean; readonly isNew: boolean }
  | { readonly is: 'notDue' }

interface Making {
  readonly store: KeyValue
  readonly nowMs: () => number
  /** A stream of all of it, sealed for whoever is meant. */
  readonly pack: (schedule: Schedule) => Promise<ReadableStream<Uint8Array>>
  /** Also when none is due yet. */
  readonly now?: boolean
}

/** Makes the backup that is due, if one is: a file is there whole or not at all, and only then older ones go. What fails is kept with the schedule. */
export async function saveWhenDue({ store, nowMs, pack, now = false }: Making): Promise<Saved> {
  const schedule = await readSchedule(store)
  if (schedule === null || (!now && dueAtMs(schedule, nowMs()) > nowMs())) return { is: 'notDue' }
  /** Whoever has changed the schedule meanwhile means another one. */
  const note = async (change: Partial<Schedule>) => {
    const latest = await readSchedule(store)
    if (latest !== null) await writeSchedule(store, { ...latest, ...change })
  }
  try {
    if ((await schedule.folder.queryPermission?.({ mode: 'readwrite' })) === 'prompt') throw new NeedsLeave()
    const file = fileName(schedule, nowMs())
    const handle = await schedule.folder.getFileHandle(file, { create: true })
    try {
      // What the browser writes beside takes the file's place when it is closed.
      await (await pack(schedule)).pipeTo(await handle.createWritable())
    } catch (error) {
      await schedule.folder.removeEntry(file).catch(() => {})
      throw error
    }
    await note({ lastMs: nowMs(), lastFile: file, trouble: null })
    await takeAway(schedule, file)
    return { is: 'saved', file }
  } catch (error) {
    const needsLeave = error instanceof NeedsLeave || (error instanceof DOMException && error.name === 'NotAllowedError')
    const says = needsLeave ? 'the browser asks again whether files may be written there' : error instanceof Error ? error.message : String(error)
    await note({ trouble: { sinceMs: schedule.trouble?.sinceMs ?? nowMs(), triedMs: nowMs(), says, needsLeave } })
    return { is: 'failed', says, needsLeave, isNew: schedule.trouble?.says !== says }
  }
}

class NeedsLeave extends Error {}

/** Older ones than are kept, and what was begun since the last and never finished. One that is in use elsewhere stays until the next time. */
async function takeAway(schedule: Schedule, file: string): Promise<void> {
  const { folder, keeps, lastFile } = schedule
  const names: string[] = []
  for await (const name of folder.keys()) if (isOurs(schedule, name)) names.push(name)
  const unfinished = names.filter((name) => lastFile !== null && name > lastFile && name < file)
  const whole = names.filter((name) => !unfinished.includes(name)).toSorted()
  for (const name of [...unfinished, ...whole.slice(0, -keeps)]) await folder.removeEntry(name).catch(() => {})
}
