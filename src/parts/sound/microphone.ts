// The microphone of this computer: opened, or the one reason why not; measured, and recorded for a moment.
import { type Heard, lookAt } from './level'

export type MicrophoneFailure = 'blocked' | 'noDevice' | 'taken' | 'unsupported'
export type MicrophoneOpening = { readonly ok: true; readonly stream: MediaStream } | { readonly ok: false; readonly failure: MicrophoneFailure }

const FAILURES: Readonly<Record<string, MicrophoneFailure>> = {
  NotAllowedError: 'blocked',
  SecurityError: 'blocked',
  NotFoundError: 'noDevice',
  OverconstrainedError: 'noDevice',
  NotReadableError: 'taken',
  AbortError: 'taken',
}

/** `deviceId` empty for whatever the computer has chosen. Rejects only for what no microphone ever answers. */
export async function openMicrophone(deviceId: string): Promise<MicrophoneOpening> {
  if (typeof navigator === 'undefined' || navigator.mediaDevices === undefined) return { ok: false, failure: 'unsupported' }
  const chosen = deviceId === '' ? {} : { deviceId: { exact: deviceId } }
  try {
    return { ok: true, stream: await navigator.mediaDevices.getUserMedia({ audio: { echoCancellation: true, noiseSuppression: true, ...chosen } }) }
  } catch (error) {
    const failure = error instanceof Error ? FAILURES[error.name] : undefined
    if (failure === undefined) throw error
    return { ok: false, failure }
  }
}

export const closeMicrophone = (stream: MediaStream): void => {
  for (const track of stream.getTracks()) track.stop()
}

/** Looks at a stream whenever it is asked; `stop` lets the stream go. */
export function createMeter(context: AudioContext, stream: MediaStream): { look(): Heard; stop(): void } {
  const source = context.createMediaStreamSource(stream)
  const analyser = context.createAnalyser()
  source.connect(analyser)
  const samples = new Float32Array(analyser.fftSize)
  return {
    look: () => {
      analyser.getFloatTimeDomainData(samples)
      return lookAt(samples)
    },
    stop: () => {
      source.disconnect()
      closeMicrophone(stream)
    },
  }
}

/** Records the stream until `stop` is called, which gives what there is to play. */
export function recordStream(stream: MediaStream): { stop(): Promise<Blob> } {
  const recorder = new MediaRecorder(stream)
  const parts: Blob[] = []
  recorder.ondataavailable = ({ data }) => parts.push(data)
  recorder.start()
  return {
    stop: () =>
      new Promise((resolve) => {
        recorder.onstop = () => resolve(new Blob(parts, { type: recorder.mimeType }))
        recorder.stop()
      }),
  }
}

export interface SoundDevice {
  readonly id: string
  readonly label: string
}

/** Devices by name; names are given only once the microphone was allowed. */
export async function soundDevices(kind: 'audioinput' | 'audiooutput'): Promise<readonly SoundDevice[]> {
  const all = (await navigator.mediaDevices?.enumerateDevices()) ?? []
  return all.flatMap((d) => (d.kind === kind && d.label !== '' ? [{ id: d.deviceId, label: d.label }] : []))
}
