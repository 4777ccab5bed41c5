// What the set-up says is kept for so many days is forgotten once it is older: with the first beat of a day, or when the floor is opened on a later one. What
// has been done is noted last, so that what is cut short is done again.
import * as z from 'zod'
import type { Command, FloorRefusal } from '@/core/floor'
import { RETAINED } from '@/core/ledger'
import { aboutWhom } from '@/core/personal'
import { messagesBefore } from '@/core/rules/privacy'
import type { SetUp } from '@/core/set-up'
import type { FloorState } from '@/core/state'
import { values } from '@/core/table'
import { DAY, type EpochMs, instantAt, localMidnight } from '@/core/time'
import type { KeyValue } from '@/services/storage'
import type { LedgerWriter } from './store'

interface Options {
  readonly store: KeyValue
  readonly writer: Pick<LedgerWriter, 'flushed' | 'forget' | 'forgetBefore'>
  readonly state: () => FloorState
  readonly now: () => EpochMs
  readonly give: (command: Command) => FloorRefusal | null
  /** Removes sounds that are meant from where they are kept. */
  readonly forgetSounds: (isMeant: (recordingId: string, startedAtMs: EpochMs) => boolean) => Promise<void>
}

export interface Retention {
  /** Call it often: it does something once a day. Resolves once that is done; rejects when storage refuses, and then the next call tries again. */
  tick(): Promise<void>
}

type What = (typeof RETAINED)[number]
const DONE_KEY = 'retained'
/** A floor may have been closed for so long. */
const BELIEVED_MS = 31 * DAY
/** On which day it was done last, and up to which instant each kind has been forgotten. */
const DoneSchema = z.object({ day: z.number(), upTo: z.partialRecord(z.enum(RETAINED), z.number()) })

const daysOf = ({ keeps }: SetUp): Readonly<Record<What, number | null>> => ({
  details: keeps.detailsDays,
  recordings: keeps.recordingsDays,
  messages: keeps.messagesDays,
  attempts: keeps.attemptsDays,
})

export function createRetention({ store, writer, state, now, give, forgetSounds }: Options): Retention {
  let running: Promise<void> | null = null
  /** The day it was done for: asking the store costs something. */
  let doneFor: number | null = null

  const forget = async (what: What, beforeMs: EpochMs): Promise<void> => {
    const messages = what === 'messages' ? messagesBefore(state(), beforeMs) : []
    const refusal = give({ kind: 'forgetDetails', what, beforeMs })
    if (refusal !== null) throw new Error(refusal.reason)
    if (!(await writer.flushed())) throw new Error('storage refuses')
    if (what === 'details' || what === 'attempts') {
      const open = openIds(state())
      // Rows of lists are the lists' to forget, who follow the ledger.
      const isMeant = (about: string) => what === 'details' || about.startsWith('record_')
      return writer.forgetBefore(beforeMs, (about) => !isMeant(about) || open.has(about))
    }
    if (what === 'recordings')
      return forgetSounds((id, startedAtMs) => startedAtMs < beforeMs && !id.startsWith('rec_greeting_') && !id.startsWith('rec_message_'))
    const ids = new Set<string>(messages.map((m) => m.id))
    await writer.forget((about) => ids.has(about))
    const sounds = new Set(messages.map((m) => m.recordingId))
    await forgetSounds((id) => sounds.has(id))
  }
  const run = async () => {
    const { setUp } = state()
    const today = localMidnight(setUp.timeZone, now())
    if (today === doneFor) return
    // Whoever changes the set-up has until the night to change it back; on the first day there is nothing to forget.
    const done = DoneSchema.catch({ day: today, upTo: {} }).parse(await store.get(DONE_KEY))
    // A computer whose clock is wrong by months must not cost all there is: a day like that counts as a first one, and is looked into the next.
    if (done.day === today || today - done.day > BELIEVED_MS) {
      await store.set(DONE_KEY, { ...done, day: today })
      doneFor = today
      return
    }
    for (const what of RETAINED) {
      const days = daysOf(setUp)[what]
      const beforeMs = days === null ? 0 : instantAt(setUp.timeZone, localMidnight(setUp.timeZone, now(), -days))
      if (beforeMs <= (done.upTo[what] ?? 0)) continue
      await forget(what, beforeMs)
      done.upTo[what] = beforeMs
      await store.set(DONE_KEY, done)
    }
    await store.set(DONE_KEY, { ...done, day: today })
    doneFor = today
  }
  return {
    tick() {
      running ??= run().finally(() => {
        running = null
      })
      return running
    },
  }
}

/** What is under way or was promised is not forgotten before it is over. */
function openIds(state: FloorState): ReadonlySet<string> {
  const ids = new Set<string>()
  for (const table of [state.calls, state.threads, state.work, state.callbacks, state.messages, state.conferences]) for (const id of table.keys()) ids.add(id)
  for (const { taskId } of values(state.tasks)) ids.add(taskId)
  for (const { record } of [...values(state.attempts), ...values(state.previews)]) ids.add(record.recordId)
  for (const { whom } of values(state.doNotCall)) ids.add(aboutWhom(whom))
  return ids
}
