// A script as Markdown (CommonMark): for print, for reading aloud in training, for whoever has to agree with its words.
import { conditionWords } from './compare'
import type { Page, Script } from './document'
import type { Question } from './question'
import { spansOf, textOf } from './read'

export function toMarkdown(script: Script): string {
  const titles = new Map(script.pages.map((p) => [p.id, p.title]))
  const start = titles.get(script.startPage) ?? script.startPage
  const head = [`# ${escaped(script.name)}`, `Version ${script.version}, ${script.pages.length} pages. Starts at “${escaped(start)}”.`]
  return `${[...head, ...script.pages.flatMap((page) => pageLines(page, titles))].join('\n\n')}\n`
}

function pageLines(page: Page, titles: ReadonlyMap<string, string>): string[] {
  const said = page.say.map((s) => (typeof s === 'string' ? aloud(s) : `*When ${escaped(conditionWords(s.when))}:* ${aloud(textOf(s))}`))
  const ways = page.ways.map(
    (w) => `- ${w.when === null ? 'Otherwise' : `If ${escaped(conditionWords(w.when))}`}: go to “${escaped(titles.get(w.to) ?? w.to)}”`,
  )
  return [
    `## ${escaped(page.title)}`,
    ...(page.sensitive ? ['*Sensitive: a recording pauses on this page.*'] : []),
    ...said.map((text) => `> ${text}`),
    ...(page.direction === null ? [] : [`**For the agent:** ${escaped(page.direction)}`]),
    ...(page.questions.length === 0 ? [] : [page.questions.map(questionLine).join('\n')]),
    ...(ways.length === 0 ? [] : [ways.join('\n')]),
    ...(page.suggests.length === 0 ? [] : [`Outcome: ${page.suggests.map(escaped).join(', ')}`]),
  ]
}

function questionLine(question: Question): string {
  const label = `- **${escaped(question.label)}**`
  if (question.kind === 'disclosure') return `${label} (must be read): ${escaped(question.text)}`
  if (question.kind === 'choice' || question.kind === 'several') return `${label}: ${question.options.map((o) => escaped(o.label)).join(' / ')}`
  if (question.kind === 'yesNo') return `${label}: Yes / No`
  return `${label}: ________`
}

/**
 * What is stressed is emphasis, a pause is written out, and whatever else looks like a mark is none. Markdown knows no emphasis
 * that begins or ends with a sign in the middle of a word; such words stand plain.
 */
const aloud = (text: string): string => {
  const spans = spansOf(text.replace(/\s+/g, ' ').trim())
  return spans
    .map(({ is, text: words }, i) => {
      if (is === 'pause') return '(pause)'
      const inWord = (at: number, edge: RegExp) => edge.test(spans[at]?.text ?? '')
      const canBe = (isLetter(words.at(0)) || !inWord(i - 1, /[\p{L}\p{N}]$/u)) && (isLetter(words.at(-1)) || !inWord(i + 1, /^[\p{L}\p{N}]/u))
      return is === 'stressed' && canBe && words.trim() === words ? `*${escaped(words)}*` : escaped(words)
    })
    .join('')
}

const isLetter = (character: string | undefined): boolean => /[\p{L}\p{N}]/u.test(character ?? '')

/** On one line. Characters that would begin a mark of Markdown are no mark here, nor what would begin a list or an underline. */
const escaped = (text: string): string =>
  text
    .replace(/\s+/g, ' ')
    .replace(/[\\`*_[\]<>#&!|~]/g, '\\$&')
    .replace(/^( ?)([-+=])/, '$1\\$2')
    .replace(/^( ?\d+)([.)])/, '$1\\$2')
