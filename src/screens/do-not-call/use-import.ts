'use client'
// A file taken in part by part, so that the floor answers everybody else in between: how far it is, and the way to stop it.
import { useRef, useState } from 'react'
import { openListReader } from '@/services/exchange/list-reader/client'
import { useCommand } from '@/services/exchange/react'

/** So many entries are decided at once; the floor takes some milliseconds for them. */
const PART = 250

export interface Importing {
  readonly done: number
  readonly of: number
}

export type Imported =
  | { readonly ok: true; readonly count: number; readonly kept: boolean; readonly stopped: boolean }
  | { readonly ok: false; readonly problems: readonly string[] }

export function useImport(homeCountry: string) {
  const command = useCommand()
  const [progress, setProgress] = useState<Importing | null>(null)
  const stopped = useRef(false)

  /** A file with a line that does not fit brings in nothing. */
  const take = async (file: File): Promise<Imported> => {
    stopped.current = false
    const reader = openListReader()
    try {
      const list = await reader.api.read(await file.text(), homeCountry)
      if (!list.ok) return { ok: false, problems: [`Nothing of ${file.name} was taken. Correct it and bring it in again.`, ...list.problems] }
      let kept = true
      let fresh = 0
      for (let done = 0; done < list.count && !stopped.current; done += PART) {
        setProgress({ done, of: list.count })
        const entries = await reader.api.part(done, PART)
        const reply = await command({ kind: 'addDoNotCall', entries: [...entries] })
        // What is listed already stays as it is, which is no reason to stop.
        if (!reply.ok && (reply.refusal.reason !== 'alreadyOnList' || list.count <= PART))
          return {
            ok: false,
            problems: [`${reply.refusal.says} ${reply.refusal.next}`, ...(done === 0 ? [] : [`${done} of ${list.count} entries were taken.`])],
          }
        if (!reply.ok) continue
        fresh += entries.length
        kept = reply.kept
      }
      return { ok: true, count: fresh, kept, stopped: stopped.current }
    } finally {
      reader.close()
      setProgress(null)
    }
  }
  const stop = () => {
    stopped.current = true
  }
  return { take, stop, progress }
}
