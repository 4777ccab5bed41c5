// The microphone on the line: into the mixer for as long as it works, and a word when it ends by itself.
import { closeMicrophone, type Heard, lookAt, type MicrophoneFailure, openMicrophone } from '@/parts/sound'

export interface LineMicrophone {
  look(): Heard
  close(): void
}

type Opened = { readonly ok: true; readonly microphone: LineMicrophone } | { readonly ok: false; readonly failure: MicrophoneFailure }

/** `onLost` is called once when the device goes away; not when it is closed here. */
export async function openLineMicrophone(context: AudioContext, deviceId: string, into: AudioNode, onLost: () => void): Promise<Opened> {
  const opening = await openMicrophone(deviceId)
  if (!opening.ok) return opening
  const { stream } = opening
  const source = context.createMediaStreamSource(stream)
  const analyser = context.createAnalyser()
  source.connect(into)
  source.connect(analyser)
  const samples = new Float32Array(analyser.fftSize)
  const leave = () => {
    source.disconnect()
    closeMicrophone(stream)
  }
  stream.getAudioTracks()[0]?.addEventListener(
    'ended',
    () => {
      leave()
      onLost()
    },
    { once: true },
  )
  return {
    ok: true,
    microphone: {
      look: () => {
        analyser.getFloatTimeDomainData(samples)
        return lookAt(samples)
      },
      close: leave,
    },
  }
}
