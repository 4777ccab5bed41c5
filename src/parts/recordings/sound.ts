// The sound of a recording as samples on one time line, from what this browser keeps of it.
import { loadRuns, type RecordingRun } from '@/services/exchange/recordings/client'

export const RATE_HERTZ = 16_000

export interface Sound {
  readonly startedAtMs: number
  /** The whole of it; silence where nothing was recorded. */
  readonly samples: Float32Array
  /** As the browser's recorder wrote it. */
  readonly runs: readonly RecordingRun[]
}

export const durationMsOf = ({ samples }: Pick<Sound, 'samples'>): number => (samples.length / RATE_HERTZ) * 1000

/** null when this browser keeps none of it. */
export async function loadSound(recordingId: string): Promise<Sound | null> {
  const runs = await loadRuns(recordingId)
  const first = runs[0]
  if (first === undefined) return null
  // Decoding needs a context and no loudspeaker; its rate is the one the samples are wanted at.
  const context = new OfflineAudioContext(1, 1, RATE_HERTZ)
  const parts = await Promise.all(runs.map(async (run) => ({ run, buffer: await context.decodeAudioData(await run.data.arrayBuffer()) })))
  const offset = (run: RecordingRun) => Math.round(((run.startedAtMs - first.startedAtMs) / 1000) * RATE_HERTZ)
  const length = Math.max(...parts.map(({ run, buffer }) => offset(run) + buffer.length))
  const samples = new Float32Array(length)
  for (const { run, buffer } of parts) samples.set(buffer.getChannelData(0), offset(run))
  return { startedAtMs: first.startedAtMs, samples, runs }
}
