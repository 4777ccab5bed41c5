// Records of work as they are read once whom they were about is forgotten. Whatever figures are reckoned from stays.
import { answerLeft, FORGOTTEN, gone, type IsOffered, offeredBy } from '@/core/forgotten'
import type { AnswerValue } from '@/core/scripts'
import type { SetUp } from '@/core/set-up'
import type { EpochMs } from '@/core/time'
import type { FolderState } from './folder-state'
import type { CallRecord } from './record'
import type { WrittenRecord } from './written-record'

/** Names of who works here and of queues: the only ones that stay where a call was transferred to. */
export function namesOf({ agents, queues }: Pick<SetUp, 'agents' | 'queues'>): (name: string) => boolean {
  const names = new Set([...agents, ...queues].map(({ name }) => name))
  return (name) => names.has(name)
}

/** What is over names nobody of those it was about; what is under way is not forgotten. `endedAtMs` is null while it is. */
export function forgetRecords({ setUp, calls, written }: FolderState, isMeant: (id: string, endedAtMs: EpochMs | null) => boolean): void {
  if (setUp === null) return
  const [isOffered, isOurs] = [offeredBy(setUp), namesOf(setUp)]
  for (const [id, open] of [...calls])
    if (isMeant(id, open.ended && open.owedBy.length === 0 ? open.record.endedAtMs : null))
      calls.set(id, {
        ...open,
        record: forgottenCall(open.record, isOffered, isOurs),
        // Nothing happens to it any more but that its outcome is corrected.
        call: null,
        run: null,
        campaign: null,
        customer: open.customer && { ...open.customer, name: FORGOTTEN, facts: [] },
      })
  for (const [id, open] of [...(written ?? [])])
    if (isMeant(id, open.owedBy.length === 0 ? open.record.endedAtMs : null))
      written?.set(id, {
        ...open,
        record: forgottenWritten(open.record, isOffered),
        thread: { ...open.thread, address: FORGOTTEN, number: null, customer: null, subject: null, lines: [] },
        run: null,
      })
}

type Answers = Readonly<Record<string, AnswerValue>>
const answersLeft = (answers: Answers, isOffered: IsOffered): Record<string, AnswerValue> =>
  Object.fromEntries(Object.entries(answers).map(([field, value]) => [field, answerLeft(field, value, isOffered)]))

/** `isOurs` tells names of those who work here, and of queues, from those of others a call was transferred to. */
export function forgottenCall(record: CallRecord, isOffered: IsOffered, isOurs: (name: string) => boolean): CallRecord {
  return {
    ...record,
    number: gone(record.number),
    customer: gone(record.customer),
    notes: gone(record.notes),
    answers: answersLeft(record.answers, isOffered),
    transfers: record.transfers.map((t) => ({ ...t, to: isOurs(t.to) ? t.to : FORGOTTEN })),
    recordings: [],
  }
}

export function forgottenWritten(record: WrittenRecord, isOffered: IsOffered): WrittenRecord {
  return {
    ...record,
    address: FORGOTTEN,
    number: gone(record.number),
    customer: gone(record.customer),
    subject: gone(record.subject),
    notes: gone(record.notes),
    answers: answersLeft(record.answers, isOffered),
  }
}
