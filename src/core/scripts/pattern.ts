// Patterns that a text answer must match, as RE2 reads them: time linear in the text, whatever the pattern. A script is written by
// people and brought in from files, and every desk runs it; a pattern that backtracks would stop them all.
import { RE2JS } from 're2js'

/** A pattern longer than this is a mistake, or worse. */
const LONGEST_PATTERN = 500
const KEPT_AT_MOST = 200

const compiled = new Map<string, RE2JS | null>()

/** What is wrong with a pattern, as the end of a sentence; null when it can be used. */
export function patternProblem(pattern: string): string | null {
  if (pattern.length > LONGEST_PATTERN) return `is longer than ${LONGEST_PATTERN} characters`
  return compile(pattern) === null ? 'is not a pattern that can be read' : null
}

/** Whether the whole text matches, upper and lower case alike. A pattern that cannot be read matches everything: it must not keep an agent. */
export function matchesPattern(pattern: string, text: string): boolean {
  const readable = compile(pattern)
  return readable === null || readable.matches(text)
}

function compile(pattern: string): RE2JS | null {
  const known = compiled.get(pattern)
  if (known !== undefined) return known
  const made = pattern.length > LONGEST_PATTERN ? null : tryCompile(pattern)
  // Patterns come from scripts in use, which are few; whoever edits one makes a new one with every letter.
  if (compiled.size >= KEPT_AT_MOST) compiled.clear()
  compiled.set(pattern, made)
  return made
}

function tryCompile(pattern: string): RE2JS | null {
  try {
    return RE2JS.compile(pattern, RE2JS.CASE_INSENSITIVE)
  } catch (error) {
    // The library's errors are about what people have written: look-arounds, back references, a bracket left open.
    if (error instanceof Error) return null
    throw error
  }
}
