'use client'
import { Button, FileButton, nameIn, Progress, saveFile } from '@/parts/ui'
// The list as CSV: out as it is, in whole or not at all.
import type { DoNotCallPage, SeatView } from '@/services/exchange/protocol'
import { useFloor } from '@/services/exchange/react'
import type { Importing } from './use-import'

interface Props {
  /** The list as a file holds personal data. */
  readonly mayTake: boolean
  readonly seats: readonly SeatView[]
  readonly importing: Importing | null
  readonly onImport: (file: File) => void
  readonly onStop: () => void
}

const ALL = 1_000_000

export function ListFiles({ mayTake, seats, importing, onImport, onStop }: Props) {
  const floor = useFloor()
  const save = async () => {
    const reply = await floor?.ask({ kind: 'doNotCall', search: '', atMost: ALL })
    if (!reply?.ok || reply.text === null) return
    const { toDoNotCallCsv } = await import('@/core/do-not-call')
    const { entries } = JSON.parse(reply.text) as DoNotCallPage
    saveFile(
      'do-not-call.csv',
      toDoNotCallCsv(entries, (id) => nameIn(seats, id)),
      'text/csv',
    )
  }
  return (
    <section aria-label="Files" className="border-line border-t pt-4">
      <h2 className="font-semibold text-lg">Files</h2>
      <div className="mt-2 flex flex-wrap gap-2">
        <Button disabled={!mayTake} title={mayTake ? undefined : 'For supervisors: the file holds personal data'} onClick={() => void save()}>
          Export CSV
        </Button>
        <FileButton label="Import CSV" fieldLabel="Do-not-call file" accept="text/csv,.csv" disabled={importing !== null} onFile={onImport} />
      </div>
      {importing !== null && (
        <div className="mt-2">
          <Progress label={`${importing.done} of ${importing.of} taken`} done={importing.done} of={importing.of} />
          <Button className="mt-2" onClick={onStop}>
            Stop after this part
          </Button>
        </div>
      )}
      <p className="mt-2 text-soft text-xs">
        Columns: number, person, reason, since, by. A line needs one of the first two; a file with a line that does not fit is not taken at all.
      </p>
    </section>
  )
}
