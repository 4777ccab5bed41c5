// Writes WAV files: RIFF/WAVE with one `fmt ` and one `data` chunk, PCM 16 bit little endian, one channel.

const HEADER_BYTES = 44
const BYTES_PER_SAMPLE = 2

/** Samples from -1 to 1; what lies beyond is clipped. */
export function toWav(samples: Float32Array, rateHertz: number): ArrayBuffer {
  const dataBytes = samples.length * BYTES_PER_SAMPLE
  const buffer = new ArrayBuffer(HEADER_BYTES + dataBytes)
  const view = new DataView(buffer)
  const text = (at: number, letters: string) => {
    for (let i = 0; i < letters.length; i++) view.setUint8(at + i, letters.charCodeAt(i))
  }
  text(0, 'RIFF')
  view.setUint32(4, HEADER_BYTES - 8 + dataBytes, true)
  text(8, 'WAVEfmt ')
  view.setUint32(16, 16, true)
  view.setUint16(20, 1, true)
  view.setUint16(22, 1, true)
  view.setUint32(24, rateHertz, true)
  view.setUint32(28, rateHertz * BYTES_PER_SAMPLE, true)
  view.setUint16(32, BYTES_PER_SAMPLE, true)
  view.setUint16(34, 8 * BYTES_PER_SAMPLE, true)
  text(36, 'data')
  view.setUint32(40, dataBytes, true)
  for (const [i, sample] of samples.entries()) {
    const clipped = Math.max(-1, Math.min(1, sample))
    view.setInt16(HEADER_BYTES + i * BYTES_PER_SAMPLE, Math.round(clipped < 0 ? clipped * 0x8000 : clipped * 0x7fff), true)
  }
  return buffer
}
