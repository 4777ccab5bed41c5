// Records the mix in pieces of a second, each handed on at once: what a reload cuts off is at most the piece under way.

export interface Piece {
  readonly recordingId: string
  /** When this run of the recorder began: a pause or a reload begins another one. */
  readonly startedAtMs: number
  readonly index: number
  readonly data: Blob
}

export interface Recorder {
  /** Records this one from now on; null stops. The same one twice changes nothing. */
  follow(recordingId: string | null): void
}

const PIECE_MS = 1_000
const TYPE = 'audio/webm;codecs=opus'

export function createRecorder(context: AudioContext, source: AudioNode, now: () => number, keep: (piece: Piece) => void): Recorder {
  const target = context.createMediaStreamDestination()
  source.connect(target)
  let running: { readonly recordingId: string; readonly recorder: MediaRecorder } | null = null
  return {
    follow(recordingId) {
      if ((running?.recordingId ?? null) === recordingId) return
      running?.recorder.stop()
      running = null
      if (recordingId === null || typeof MediaRecorder === 'undefined') return
      const recorder = new MediaRecorder(target.stream, { mimeType: TYPE })
      const startedAtMs = now()
      let index = 0
      recorder.ondataavailable = ({ data }) => {
        if (data.size > 0) keep({ recordingId, startedAtMs, index: index++, data })
      }
      recorder.start(PIECE_MS)
      running = { recordingId, recorder }
    },
  }
}
