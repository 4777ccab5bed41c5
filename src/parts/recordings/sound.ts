// The sound of a recording as samples on one time line, from what this browser keeps of it.
import { loadRuns, type RecordingRun } from '@/services/exchange/recordings/client'

export const RATE_HERTZ = 16_000

export interface Sound {
  readonly startedAtMs: number
  /** The whole of it; silence where nothing was recorded. */
  readonly samples: Float32Array
  /** How many of its parts could not be decoded: where they were there is silence. */
  readonly undecoded: number
  /** As the browser's recorder wrote it. */
  readonly runs: readonly RecordingRun[]
}

export const durationMsOf = ({ samples }: Pick<Sound, 'samples'>): number => (samples.length / RATE_HERTZ) * 1000

/** null when this browser keeps none of it. */
export async function loadSound(recordingId: string, load: typeof loadRuns = loadRuns): Promise<Sound | null> {
  const runs = await load(recordingId)
  const first = runs[0]
  if (first === undefined) return null
  // Decoding needs a context and no loudspeaker; its rate is the one the samples are wanted at.
  const context = new OfflineAudioContext(1, 1, RATE_HERTZ)
  const decode = async (run: RecordingRun) => {
    const buffer = await context.decodeAudioData(await run.data.arrayBuffer()).catch(() => null)
    return buffer === null ? [] : [{ run, buffer }]
  }
  const parts = (await Promise.all(runs.map(decode))).flat()
  const offset = (run: RecordingRun) => Math.round(((run.startedAtMs - first.startedAtMs) / 1000) * RATE_HERTZ)
  const length = Math.max(0, ...parts.map(({ run, buffer }) => offset(run) + buffer.length))
  const samples = new Float32Array(length)
  for (const { run, buffer } of parts) samples.set(buffer.getChannelData(0), offset(run))
  return { startedAtMs: first.startedAtMs, samples, undecoded: runs.length - parts.length, runs }
}
