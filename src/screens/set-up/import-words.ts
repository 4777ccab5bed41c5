// What a schema finds wrong with a value, as a sentence for whoever wrote the file: what it must be, and what it is.
import type * as z from 'zod'

type Issue = z.core.$ZodIssue

/**
 * Of a value that may be one of several things, what is wrong with the one it comes nearest to: the one that got furthest into it,
 * and there the one with the fewest faults.
 */
export function closest(issue: Issue): Issue {
  if (issue.code !== 'invalid_union' || issue.errors.length === 0) return issue
  const branches = issue.errors.map((issues) => issues.map(closest))
  const reach = (issues: readonly Issue[]) => Math.max(0, ...issues.map((i) => i.path.length + (i.code === 'unrecognized_keys' ? 0.5 : 0)))
  const best = branches.reduce((a, b) => (reach(b) > reach(a) || (reach(b) === reach(a) && b.length < a.length) ? b : a))
  // A name that means nothing says more than the one that is missing for it.
  const worst = best.find((i) => i.code === 'unrecognized_keys') ?? best[0]
  return worst === undefined ? issue : { ...worst, path: [...issue.path, ...worst.path] }
}

export function sentenceOf(issue: Issue, value: unknown): string {
  switch (issue.code) {
    case 'invalid_type':
      return value === undefined
        ? `it is missing. It must be ${typeWords(issue.expected)}.`
        : `it must be ${typeWords(issue.expected)}, and is ${kindOf(value)}.`
    case 'too_small':
      return tooSmall(issue)
    case 'too_big':
      return issue.origin === 'string' || issue.origin === 'array'
        ? `it is too long. It may have at most ${issue.maximum} ${partsOf(issue.origin)}.`
        : `it must be ${issue.inclusive === false ? 'under' : 'at most'} ${issue.maximum}.`
    case 'invalid_value':
      return `it must be ${issue.values.length === 1 ? '' : 'one of '}${issue.values.map((v) => `“${String(v)}”`).join(', ')}, and is ${shown(value)}.`
    case 'invalid_format':
      return formatWords(issue, value)
    case 'unrecognized_keys':
      return `${issue.keys.map((key) => `“${key}”`).join(', ')} means nothing here. Correct it or take it out.`
    case 'invalid_union':
      return issue.discriminator === undefined ? 'it is none of the things that may stand here.' : `it is of no known ${issue.discriminator}: ${shown(value)}.`
    case 'not_multiple_of':
      return `it must be a multiple of ${issue.divisor}.`
    case 'custom':
      return asSentence(issue.message)
    default:
      return asSentence(issue.message)
  }
}

function tooSmall(issue: Extract<Issue, { code: 'too_small' }>): string {
  if (issue.origin !== 'string' && issue.origin !== 'array') return `it must be ${issue.inclusive === false ? 'over' : 'at least'} ${issue.minimum}.`
  return issue.minimum === 1 ? 'it is empty. Fill it in.' : `it must have at least ${issue.minimum} ${partsOf(issue.origin)}.`
}

function formatWords(issue: Extract<Issue, { code: 'invalid_format' }>, value: unknown): string {
  const beginsWith = /^\/\^([\w-]+)\/$/.exec(issue.pattern ?? '')?.[1]
  if (beginsWith !== undefined) return `it must begin with “${beginsWith}”, and is ${shown(value)}.`
  if (issue.message !== '' && !issue.message.startsWith('Invalid')) return asSentence(issue.message)
  return `${shown(value)} has not the form it must have${issue.pattern === undefined ? '' : `: ${issue.pattern}`}.`
}

const TYPES: Readonly<Record<string, string>> = {
  string: 'a text',
  number: 'a number',
  int: 'a whole number',
  boolean: 'true or false',
  array: 'a list',
  object: 'an object with names and values',
  record: 'an object with names and values',
  null: 'null',
}
const typeWords = (expected: string): string => TYPES[expected] ?? expected
const partsOf = (origin: string): string => (origin === 'string' ? 'characters' : 'entries')

function kindOf(value: unknown): string {
  if (value === null) return 'null'
  if (Array.isArray(value)) return 'a list'
  return typeof value === 'object' ? 'an object' : shown(value)
}

/** A value as it stands, as far as a line has room. */
function shown(value: unknown): string {
  if (value === undefined) return 'missing'
  const text = typeof value === 'string' ? `“${value}”` : JSON.stringify(value)
  return text.length > 60 ? `${text.slice(0, 57)}…` : text
}

const asSentence = (message: string): string => (/[.!?]$/.test(message) ? message : `${message}.`)
