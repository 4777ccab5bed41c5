// Which encoding a file is in, told from its first bytes: a mark, else UTF-16 by its zeros, else UTF-8 where it is valid, else Windows-1252.

export const ENCODINGS = ['utf-8', 'utf-16le', 'utf-16be', 'windows-1252'] as const
export type Encoding = (typeof ENCODINGS)[number]

export const ENCODING_WORDS: Readonly<Record<Encoding, string>> = {
  'utf-8': 'UTF-8',
  'utf-16le': 'UTF-16',
  'utf-16be': 'UTF-16 (big-endian)',
  'windows-1252': 'Windows-1252',
}

export function encodingOf(bytes: Uint8Array): Encoding {
  const [a, b] = bytes
  if (a === 0xff && b === 0xfe) return 'utf-16le'
  if (a === 0xfe && b === 0xff) return 'utf-16be'
  const { even, odd } = zeros(bytes)
  const pairs = bytes.length / 2
  if (pairs > 8 && odd > 0.3 * pairs && even < 0.05 * pairs) return 'utf-16le'
  if (pairs > 8 && even > 0.3 * pairs && odd < 0.05 * pairs) return 'utf-16be'
  return isUtf8(bytes) ? 'utf-8' : 'windows-1252'
}

function zeros(bytes: Uint8Array): { readonly even: number; readonly odd: number } {
  let [even, odd] = [0, 0]
  for (let i = 0; i < bytes.length; i++) if (bytes[i] === 0) i % 2 === 0 ? even++ : odd++
  return { even, odd }
}

/** The last few bytes may be the beginning of a character that goes on beyond them. */
function isUtf8(bytes: Uint8Array): boolean {
  for (let cut = 0; cut < 4; cut++) {
    try {
      new TextDecoder('utf-8', { fatal: true }).decode(bytes.subarray(0, bytes.length - cut))
      return true
    } catch (error) {
      if (!(error instanceof TypeError)) throw error
    }
  }
  return false
}

/** No table of any encoding: a picture, an archive, a workbook. Control characters that no text has, save where zeros are half of UTF-16. */
export function isBinary(bytes: Uint8Array, encoding: Encoding): boolean {
  if (encoding.startsWith('utf-16')) return false
  return bytes.some((b) => b < 0x09 || (b > 0x0d && b < 0x20 && b !== 0x1b))
}
