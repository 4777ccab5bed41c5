'use client'
// One recording of a call: its sound drawn over the time of the call, with what was held and what was left out marked, to be played
// and saved. What this browser does not keep is said.
import { useCallback, useEffect, useState } from 'react'
import type { LedgerEntry } from '@/core/ledger'
import { formatClock } from '@/core/time'
import { durationMsOf, loadSound, Player, type Sound, useAudited } from '@/parts/recordings'
import { Button, saveFile } from '@/parts/ui'
import { usePlayed } from './played'
import { spansOf } from './recording-spans'

type Loaded =
  | { readonly state: 'loading' }
  | { readonly state: 'none' }
  | { readonly state: 'broken'; readonly says: string }
  | { readonly state: 'here'; readonly sound: Sound }

export function Recording({ recordingId, entries, callFromMs }: { recordingId: string; entries: readonly LedgerEntry[]; callFromMs: number }) {
  const [loaded, setLoaded] = useState<Loaded>({ state: 'loading' })
  useEffect(() => {
    let alive = true
    loadSound(recordingId).then(
      (sound) => alive && setLoaded(sound === null ? { state: 'none' } : { state: 'here', sound }),
      (error: unknown) => alive && setLoaded({ state: 'broken', says: error instanceof Error ? error.message : String(error) }),
    )
    return () => {
      alive = false
    }
  }, [recordingId])
  return (
    <section aria-label="Recording" className="border-line border-t pt-3">
      <h2 className="eyebrow">Recording</h2>
      {loaded.state === 'loading' && <p className="text-soft">Looking for its sound…</p>}
      {loaded.state === 'none' && <p className="text-soft">No sound of it is kept in this browser: it was recorded at another desk, or by a stand-in.</p>}
      {loaded.state === 'broken' && <p className="text-red">Its sound cannot be read: {loaded.says}</p>}
      {loaded.state === 'here' && <OfCall recordingId={recordingId} sound={loaded.sound} entries={entries} callFromMs={callFromMs} />}
    </section>
  )
}

interface OfCallProps {
  readonly recordingId: string
  readonly sound: Sound
  readonly entries: readonly LedgerEntry[]
  /** When the call began: places of a review count from there. */
  readonly callFromMs: number
}

function OfCall({ recordingId, sound, entries, callFromMs }: OfCallProps) {
  const { attach } = usePlayed()
  const did = useAudited(recordingId)
  const fromMs = sound.startedAtMs - callFromMs
  const onThere = useCallback<NonNullable<Parameters<typeof Player>[0]['onThere']>>(
    ({ placeS, playFrom }) =>
      attach({
        fromMs,
        toMs: fromMs + durationMsOf(sound),
        placeMs: () => fromMs + placeS() * 1_000,
        playFrom: (callMs) => playFrom(Math.max(0, callMs - fromMs) / 1_000),
      }),
    [attach, fromMs, sound],
  )
  const spans = spansOf(entries, sound.startedAtMs, sound.startedAtMs + durationMsOf(sound))
  const saveAsRecorded = () => {
    did('exported')
    for (const [i, run] of sound.runs.entries()) saveFile(`${recordingId}${sound.runs.length > 1 ? `-${i + 1}` : ''}.webm`, run.data, run.data.type)
  }
  return (
    <>
      <Player sound={sound} spans={spans} fileName={recordingId} onDid={did} onThere={onThere}>
        <Button onClick={saveAsRecorded}>Save as recorded</Button>
      </Player>
      {spans.map((s) => (
        <p key={`${s.kind} ${s.fromMs}`} className="text-soft">
          {s.kind === 'hold' ? 'On hold' : 'Paused'} from <span className="tabular">{formatClock(s.fromMs)}</span> to{' '}
          <span className="tabular">{formatClock(s.toMs)}</span>
        </p>
      ))}
    </>
  )
}
