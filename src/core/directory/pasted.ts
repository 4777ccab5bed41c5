// What people paste around a number: links, labels, extensions, odd spaces. Takes it apart; which country's number it is, and
// whether it is one, is read in index.ts.

export interface Pasted {
  /** Digits with an optional plus, still with punctuation between them; letters only where it is no number. */
  readonly number: string
  /** Dialled as tones after the answer; null where there is none. */
  readonly extension: string | null
}

/** Spaces of every width, tabs, soft hyphens and marks that show nothing. */
const BLANKS = /[\s\u00A0\u1680\u2000-\u200A\u202F\u205F\u3000]+/g
const INVISIBLE = /[\u00AD\u200B-\u200F\u202A-\u202E\u2060\u2066-\u2069\uFEFF]/g
const DASHES = /[\u2010-\u2015\u2212\u30FC\uFF0D]/g

const EXTENSION = /(?:[;,]\s*ext(?:ension)?\s*=|[;,]?\s*(?:extension|extn\.?|ext\.?|x|#)\s*:?)\s*(\d{1,8})\s*$/i
/** Before a number, and in brackets anywhere, a word says whose or what kind it is. “Room 12” is no number: so few digits have no label. */
// A word is taken whole or not at all (the lookahead never gives a letter back): otherwise three of them would be tried at every place of a long one.
const LABEL = /^(?:(?=(\p{L}[\p{L}\p{M}]*))\1(?:\.|:|\.:)?\s*:?\s*){1,3}(?=[+(\d](?:\D*\d){5})/u
/** The innermost brackets: those around them are looked at once these are gone. */
const BRACKETED = /[([{][^()[\]{}\d]*[)\]}]/g
const DEEPEST_REMARK = 3

export function takeApart(typed: string): Pasted {
  const text = typed.normalize('NFKC').replace(INVISIBLE, '').replace(DASHES, '-').replace(BLANKS, ' ').trim()
  const link = /^(?:tel|callto|sips?|phone)\s*:\s*/i.exec(text)
  if (link !== null) return fromLink(decoded(text.slice(link[0].length)))
  const bare = withoutRemarks(text)
  const extension = EXTENSION.exec(bare)
  // “x123” alone is no extension of anything.
  const whole = extension === null || extension.index === 0 ? bare : bare.slice(0, extension.index).trim()
  return { number: whole.replace(LABEL, '').trim(), extension: extension === null || extension.index === 0 ? null : (extension[1] ?? null) }
}

function withoutRemarks(text: string): string {
  let bare = text
  for (let i = 0; i < DEEPEST_REMARK; i++) bare = bare.replace(BRACKETED, (bracketed) => (/\p{L}/u.test(bracketed) ? ' ' : bracketed))
  return bare.trim()
}

/** RFC 3966 and what mail programs and web pages make of it; of a SIP address (RFC 3261) the part before the @. */
function fromLink(rest: string): Pasted {
  const [path = '', ...parameters] = rest.replace(/^\/\//, '').split(';')
  const [user = ''] = (path.split('?')[0] ?? '').split('@')
  const parameter = (name: string) =>
    parameters
      .map((p) => p.split('='))
      .find(([key]) => key?.trim().toLowerCase() === name)?.[1]
      ?.trim()
  const context = parameter('phone-context')
  const plain = takePlain(user)
  const isGlobal = plain.number.startsWith('+') || !context?.startsWith('+')
  return { number: isGlobal ? plain.number : `${context}${plain.number.replace(/^0/, '')}`, extension: parameter('ext') ?? plain.extension }
}

const takePlain = (text: string): Pasted => takeApart(text.replace(/^(?:tel|callto|sips?|phone)\s*:/i, ''))

function decoded(text: string): string {
  try {
    return decodeURIComponent(text)
  } catch (error) {
    if (!(error instanceof URIError)) throw error
    return text
  }
}
