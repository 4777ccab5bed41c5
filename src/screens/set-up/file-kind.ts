// What a file is, told by its parts: whoever has chosen the wrong one reads that, and not all that it lacks.

export type FileKind = 'setUp' | 'script' | 'outcomeSet' | 'sheet'

interface Kind {
  readonly is: string
  /** A file that has one of these is meant to be of this kind. */
  readonly parts: readonly string[]
  readonly under: string
}

const KINDS: Readonly<Record<FileKind, Kind>> = {
  setUp: { is: 'a set-up', parts: ['centre', 'queues', 'agents'], under: 'Set-up, Queues and accounts' },
  script: { is: 'a script', parts: ['pages', 'startPage'], under: 'Set-up, Scripts' },
  outcomeSet: { is: 'an outcome set', parts: ['codes'], under: 'Set-up, Outcomes' },
  sheet: { is: 'a review sheet', parts: ['questions'], under: 'Set-up, Review sheets' },
}

/** A sentence when what is stored is of another kind than is meant, or of none; null when it may be what is meant. */
export function wrongKind(stored: unknown, meant: FileKind): string | null {
  const { is, parts } = KINDS[meant]
  if (typeof stored !== 'object' || stored === null || Array.isArray(stored)) return `The file is not ${is}. Choose a file that was exported here.`
  if (parts.some((part) => part in stored)) return null
  const other = Object.values(KINDS).find((kind) => kind.parts.some((part) => part in stored))
  return other === undefined
    ? `The file is not ${is}: it has none of ${parts.map((p) => `“${p}”`).join(', ')}. Choose a file that was exported here.`
    : `The file is ${other.is}, and what is brought in here is ${is}. Bring it in under ${other.under}, or choose another file.`
}

/** The same of a text that is no JSON document; null where nothing can be told. */
export function wrongText(text: string, meant: FileKind): string | null {
  const { is } = KINDS[meant]
  const [first = '', second = ''] = text.split(/\r?\n/, 2)
  if (/^\s*BEGIN:VCARD/i.test(text)) return `The file is a vCard file of people, and not ${is}. People are brought in under People.`
  if (isObject(first) && isObject(second))
    return `The file has one record a line, as exported figures have, and is not ${is}. Choose a file that was exported here.`
  const [columns] = [first, second].map((line) => line.split(/[,;\t]/).length)
  if (!/^\s*[[{"]/.test(text) && columns !== undefined && columns > 1 && second.split(/[,;\t]/).length === columns)
    return `The file is a table (CSV), and not ${is}. Lists are brought in under Campaigns, people under People.`
  return null
}

function isObject(line: string): boolean {
  if (!line.startsWith('{')) return false
  try {
    return typeof JSON.parse(line) === 'object'
  } catch {
    return false
  }
}
