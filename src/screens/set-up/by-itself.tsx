'use client'
// Backups that this browser makes by itself into a folder of the computer: whether it does, how the last went, and how to begin or end it.
import { format } from 'date-fns'
import { useCallback, useEffect, useState } from 'react'
import { backUpNow } from '@/parts/frame/back-up'
import { Button, later, Problem } from '@/parts/ui'
import { mayHaveSchedule, openSchedule } from '@/services/backup'
import { type Every, readSchedule, type Schedule, writeSchedule } from '@/services/backup/schedule'
import { useFloor } from '@/services/exchange/react'

const ScheduleDialog = later(() => import('./schedule-dialog').then((m) => m.ScheduleDialog))

const EVERY_WORDS: Readonly<Record<Every, string>> = { hour: 'every hour', day: 'every day', week: 'every week' }
const at = (ms: number) => format(ms, 'EEE d MMM, HH:mm')

export function ByItself({ centre }: { centre: string }) {
  const floor = useFloor()
  /** undefined until it is read. */
  const [schedule, setSchedule] = useState<Schedule | null | undefined>(undefined)
  const [isOpen, setIsOpen] = useState(false)
  const [isRunning, setIsRunning] = useState(false)
  const [problem, setProblem] = useState<string | null>(null)
  const read = useCallback(async () => setSchedule((await mayHaveSchedule()) ? await readSchedule(await openSchedule()) : null), [])
  useEffect(() => void read().catch((error: unknown) => setProblem(`What is saved by itself cannot be read: ${String(error)}`)), [read])

  const saveNow = async () => {
    if (floor === null) return
    setIsRunning(true)
    const saved = await backUpNow(floor, true)
    setIsRunning(false)
    setProblem(saved === null ? 'The floor did not answer. Try again in a moment.' : null)
    await read()
  }
  const allow = async () => {
    // Asked with the press: a browser takes no other moment for it.
    if ((await schedule?.folder.requestPermission?.({ mode: 'readwrite' })) === 'denied')
      return setProblem('The browser does not allow it. Allow files for this address in its settings, or choose another folder.')
    await saveNow()
  }
  const stop = async () => {
    await writeSchedule(await openSchedule(), null)
    await read()
  }
  if (schedule === undefined) return problem === null ? null : <Problem>{problem}</Problem>
  if (!('showDirectoryPicker' in globalThis))
    return <p className="mt-2 text-soft text-xs">This browser cannot be given a folder to save into by itself. Save everything by hand now and then.</p>
  return (
    <section aria-label="Saved by itself" className="mt-3">
      {schedule === null ? (
        <Button onClick={() => setIsOpen(true)}>Save it by itself…</Button>
      ) : (
        <>
          <p>
            Saved {EVERY_WORDS[schedule.every]} into the folder <strong>{schedule.folder.name}</strong> of this computer while a page is open; the last{' '}
            {schedule.keeps} files are kept.{' '}
            <span className="text-soft">{schedule.lastMs === null ? 'None was made yet.' : `The last was made on ${at(schedule.lastMs)}.`}</span>
          </p>
          {schedule.trouble !== null && (
            <p role="alert" className="mt-2 border-red border-l-4 bg-red-wash px-3 py-2">
              None could be made since {at(schedule.trouble.sinceMs)}: {schedule.trouble.says}.{' '}
              {schedule.trouble.needsLeave
                ? 'Allow it, for every visit where the browser offers that.'
                : 'It is tried again; choose another folder if this one is gone.'}
            </p>
          )}
          <div className="mt-2 flex flex-wrap gap-2">
            {schedule.trouble?.needsLeave === true && (
              <Button tone="primary" onClick={() => void allow()}>
                Allow it
              </Button>
            )}
            <Button disabled={isRunning} onClick={() => void saveNow()}>
              {isRunning ? 'Saving…' : 'Save it now'}
            </Button>
            <Button onClick={() => setIsOpen(true)}>Change…</Button>
            <Button onClick={() => void stop()}>Stop it</Button>
          </div>
        </>
      )}
      {problem !== null && <Problem>{problem}</Problem>}
      {isOpen && (
        <ScheduleDialog
          centre={centre}
          schedule={schedule}
          onBegun={() => {
            setIsOpen(false)
            void saveNow()
          }}
          onClose={() => setIsOpen(false)}
        />
      )}
    </section>
  )
}
