'use client'
// Records a greeting with the microphone of this computer.
import { useEffect, useRef, useState } from 'react'
import { formatClock } from '@/core/time'
import type { Greeting } from '@/core/voicemail'
import { durationMsOf, loadSound } from '@/parts/recordings'
import { closeMicrophone, openMicrophone, recordStream } from '@/parts/sound'
import { MICROPHONE_FAILURES, useChosenDevices } from '@/parts/sound-path'
import { Button, Clock, Problem } from '@/parts/ui'
import { keepPiece } from '@/services/exchange/recordings/client'

const LONGEST_MS = 60_000
const SHORTEST_MS = 500

interface Props {
  readonly recording: Greeting['recording']
  readonly onRecorded: (recording: Greeting['recording']) => void
}

export function GreetingRecorder({ recording, onRecorded }: Props) {
  const { microphone } = useChosenDevices()
  /** null while nothing is recorded; false while the microphone is being opened. */
  const [sinceMs, setSinceMs] = useState<number | false | null>(null)
  const [problem, setProblem] = useState<string | null>(null)
  const finish = useRef<(() => void) | null>(null)
  const abandon = useRef<(() => void) | null>(null)
  /** The dialog may be closed while the microphone is still being opened: it is let go of then. */
  const isShown = useRef(true)
  useEffect(() => {
    isShown.current = true
    return () => {
      isShown.current = false
      abandon.current?.()
    }
  }, [])
  const record = async () => {
    setProblem(null)
    setSinceMs(false)
    const opened = await openMicrophone(microphone)
    if (!opened.ok) {
      setSinceMs(null)
      return setProblem(MICROPHONE_FAILURES[opened.failure])
    }
    if (!isShown.current) return closeMicrophone(opened.stream)
    const running = recordStream(opened.stream)
    const startedAtMs = Date.now()
    const timer = setTimeout(() => finish.current?.(), LONGEST_MS)
    abandon.current = () => {
      clearTimeout(timer)
      closeMicrophone(opened.stream)
    }
    finish.current = () => {
      finish.current = null
      void running
        .stop()
        .then((data) => keep(data, startedAtMs))
        .catch((error: unknown) => setProblem(`It could not be kept: ${error instanceof Error ? error.message : String(error)}. Try again.`))
        .finally(() => {
          abandon.current?.()
          abandon.current = null
          setSinceMs(null)
        })
    }
    setSinceMs(startedAtMs)
  }
  const keep = async (data: Blob, startedAtMs: number) => {
    const recordingId = `rec_greeting_${startedAtMs}`
    await keepPiece({ recordingId, startedAtMs, index: 0, data })
    const sound = await loadSound(recordingId)
    const lastsMs = sound === null ? 0 : Math.min(LONGEST_MS, Math.round(durationMsOf(sound)))
    if (lastsMs < SHORTEST_MS) return setProblem('That was too short to be a greeting. Press Record, speak, then press Stop.')
    onRecorded({ recordingId, lastsMs })
  }
  return (
    <div>
      <div className="flex items-center gap-3">
        {sinceMs === null ? (
          <Button onClick={() => void record()}>{recording === null ? 'Record' : 'Record anew'}</Button>
        ) : (
          <Button tone="primary" disabled={sinceMs === false} onClick={() => finish.current?.()}>
            Stop
          </Button>
        )}
        <span className="text-soft">
          {sinceMs === false ? (
            'The microphone is being opened…'
          ) : sinceMs !== null ? (
            <>
              Recording <Clock sinceMs={sinceMs} />
            </>
          ) : recording === null ? (
            'Up to a minute, with the microphone of this computer.'
          ) : (
            <>
              Recorded, <span className="tabular">{formatClock(recording.lastsMs)}</span> long. It is kept in this browser.
            </>
          )}
        </span>
      </div>
      {problem !== null && <Problem>{problem}</Problem>}
    </div>
  )
}
