import { describe, expect, test } from 'vitest'
import { bareCell, safeCell } from '@/core/csv'
import { toNdjson, toWav } from '@/core/formats'

describe('files', () => {
  test('a WAV file says what it holds, and holds it', () => {
    const view = new DataView(toWav(Float32Array.from([0, 1, -1, 0.5, 2, -2]), 8_000))
    const text = (at: number, length: number) => String.fromCharCode(...new Uint8Array(view.buffer, at, length))
    expect([text(0, 4), text(8, 8), text(36, 4)]).toEqual(['RIFF', 'WAVEfmt ', 'data'])
    expect(view.getUint32(4, true)).toBe(view.byteLength - 8)
    // PCM, one channel, 8 kHz, 16000 bytes a second, 2 bytes a frame, 16 bits.
    expect([20, 22, 32, 34].map((at) => view.getUint16(at, true))).toEqual([1, 1, 2, 16])
    expect([24, 28, 40].map((at) => view.getUint32(at, true))).toEqual([8_000, 16_000, 12])
    const samples = Array.from({ length: 6 }, (_, i) => view.getInt16(44 + 2 * i, true))
    expect(samples).toEqual([0, 32_767, -32_768, 16_384, 32_767, -32_768])
  })

  test('NDJSON is one object a line, and nothing for nothing', () => {
    expect(toNdjson([{ a: 1 }, { b: 'x\ny' }])).toBe('{"a":1}\n{"b":"x\\ny"}\n')
    expect(toNdjson([])).toBe('')
  })

  test.each([
    ['+441632960112', '+441632960112'],
    ['-2.5', '-2.5'],
    ['+1+HYPERLINK("//x")', '\'+1+HYPERLINK("//x")'],
    ['-2+3+cmd|x', "'-2+3+cmd|x"],
    ['=1', "'=1"],
    ['＝1', "'＝1"],
    ["'tis", "''tis"],
    ['Ida', 'Ida'],
  ])('in a CSV file %s stands as %s, and is read as it was', (text, cell) => {
    expect(safeCell(text)).toBe(cell)
    expect(bareCell(cell)).toBe(text)
  })
})
