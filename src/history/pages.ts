// A page of all calls, found in columns: what is searched, filtered and sorted by is looked at for every call, and only the calls of the page are put
// together. What it answers is what `pageOfCalls` answers of the records; a property holds them against each other.
import { bisectRight } from 'd3-array'
import { type CallsAsked, type CallsPage, compareWords } from './calls'
import { type CallsBlock, listWords, numberAt, phoneAt, placeAt, recordAt, type Texts, textAt, valueAt, wholeOf, wordAt } from './columns'
import { rowsIn } from './tally'

export function pageOfBlocks(blocks: readonly CallsBlock[], span: { readonly fromMs: number; readonly toMs: number }, asked: CallsAsked): CallsPage {
  let all = 0
  const found: (readonly [block: CallsBlock, row: number])[] = []
  for (const block of blocks) {
    const [from, to] = rowsIn(block, span)
    all += to - from
    if (from === to) continue
    const fits = filterOf(block, asked)
    for (let row = from; row < to; row++) if (fits(row)) found.push([block, row])
  }
  const order = sorted(found, asked)
  const rows = Array.from(order.slice(asked.from, asked.from + asked.atMost), (i) => {
    const [block, row] = found[i] as (typeof found)[number]
    return recordAt(block, row)
  })
  return { all, found: found.length, from: asked.from, rows }
}

function filterOf(block: CallsBlock, { queueId, result, search, words }: CallsAsked): (row: number) => boolean {
  const queues = listWords(block.queueId)
  const results = listWords(block.result)
  const tests: ((row: number) => boolean)[] = []
  if (queueId === 'dialled') tests.push((row) => placeAt(block.queueId, row) === null)
  else if (queueId !== null) tests.push((row) => queues[placeAt(block.queueId, row) ?? -1] === queueId)
  if (result !== null) tests.push((row) => results[placeAt(block.result, row) ?? -1] === result)
  for (const word of search.trim().toLowerCase().split(/\s+/).filter(Boolean)) tests.push(hasWord(block, word, words))
  return (row) => tests.every((test) => test(row))
}

/** Whether a call speaks of a word: who it was with, its number, its notes, its outcome or its agents do. */
function hasWord(block: CallsBlock, word: string, words: CallsAsked['words']): (row: number) => boolean {
  const hit = (texts: readonly string[]) => texts.map((text) => text.toLowerCase().includes(word))
  const outcomes = hit(listWords(block.outcome).map((code) => words.outcomes[code] ?? code))
  const results = hit(listWords(block.result).map((r) => words.results[r as keyof typeof words.results] ?? r))
  const agents = hit(listWords(block.legs.agent))
  const customers = rowsWith(block.customer, word)
  const notes = rowsWith(block.notes, word)
  const isNumberLike = /^\+?\d*$/.test(word)
  const { starts } = block.legs
  return (row) => {
    if (customers.has(row) || notes.has(row)) return true
    const code = placeAt(block.outcome, row)
    if (code === null ? results[placeAt(block.result, row) ?? -1] : outcomes[code]) return true
    for (let at = starts[row] as number; at < (starts[row + 1] as number); at++) if (agents[placeAt(block.legs.agent, at) ?? -1]) return true
    // Most numbers are digits; a word of letters can only be in one that is not.
    return isNumberLike || numberAt(block.number, row) === null ? (phoneAt(block, row) ?? '').toLowerCase().includes(word) : false
  }
}

/** Rows whose text has a word in it: the column is searched as one text, and what lies across two of them is left out. */
function rowsWith(texts: Texts, word: string): ReadonlySet<number> {
  const whole = wholeOf(texts)
  const lower = whole.toLowerCase()
  const rows = new Set<number>()
  if (lower.length !== whole.length) {
    // A few letters become two in lower case: then places are not what they were, and each text is looked at by itself.
    for (let row = 0; row < texts.at.length - 1; row++) if (textAt(texts, row)?.toLowerCase().includes(word)) rows.add(row)
    return rows
  }
  for (let at = lower.indexOf(word); at >= 0; at = lower.indexOf(word, at + 1)) {
    const row = bisectRight(texts.at, at) - 1
    if (at + word.length <= (texts.at[row + 1] as number)) rows.add(row)
  }
  return rows
}

type Found = readonly (readonly [block: CallsBlock, row: number])[]

/** Places of what was found, in the order asked for; what is equal, the latest first. */
function sorted(found: Found, { sort: { by, descending }, words }: CallsAsked): Uint32Array {
  const offered = Float64Array.from(found, ([block, row]) => valueAt(block.offeredAtMs, row))
  const keys = by === 'offeredAtMs' ? offered : keysOf(found, by, words)
  const sign = descending ? -1 : 1
  const order = Uint32Array.from(found, (_, i) => i)
  // As they are kept they are in the order they were offered, nearly always.
  if (by === 'offeredAtMs' && isAscending(offered)) return descending ? latestFirst(offered, order) : order
  const key = (i: number) => keys[i] as number
  return order.sort((a, b) => sign * (key(a) - key(b)) || (offered[b] as number) - (offered[a] as number) || a - b)
}

const isAscending = (values: Float64Array): boolean => values.every((value, i) => i === 0 || value >= (values[i - 1] as number))

/** Backwards, but calls of the same moment as they stand. */
function latestFirst(offered: Float64Array, order: Uint32Array): Uint32Array {
  const back = order.toReversed()
  for (let from = 0; from < back.length; ) {
    let to = from + 1
    while (to < back.length && offered[back[to] as number] === offered[back[from] as number]) to++
    if (to - from > 1) back.subarray(from, to).reverse()
    from = to
  }
  return back
}

function keysOf(found: Found, by: Exclude<CallsAsked['sort']['by'], 'offeredAtMs'>, words: CallsAsked['words']): Float64Array {
  switch (by) {
    case 'wait':
      return Float64Array.from(found, ([b, row]) => (numberAt(b.answeredAtMs, row) ?? valueAt(b.endedAtMs, row)) - valueAt(b.offeredAtMs, row))
    case 'talk':
      return Float64Array.from(found, ([{ legs }, row]) => {
        let ms = 0
        for (let at = legs.starts[row] as number; at < (legs.starts[row + 1] as number); at++) ms += valueAt(legs.talkMs, at)
        return ms
      })
    case 'queue':
      return ranked(found, (b, row) => wordAt(b.queue, row) ?? '')
    case 'customer':
      return ranked(found, (b, row) => textAt(b.customer, row) ?? '')
    case 'number':
      return ranked(found, (b, row) => phoneAt(b, row) ?? '')
    case 'agent':
      return ranked(found, ({ legs }, row) =>
        Array.from({ length: (legs.starts[row + 1] as number) - (legs.starts[row] as number) }, (_, i) =>
          wordAt(legs.agent, (legs.starts[row] as number) + i),
        ).join(', '),
      )
    case 'outcome':
      return ranked(found, (b, row) => {
        const code = wordAt(b.outcome, row)
        const result = wordAt(b.result, row) ?? ''
        return code === null ? (words.results[result as keyof typeof words.results] ?? result) : (words.outcomes[code] ?? code)
      })
  }
}

/** Of texts that come again and again: each is compared as its place among the different ones. */
function ranked(found: Found, of: (block: CallsBlock, row: number) => string): Float64Array {
  const texts = found.map(([block, row]) => of(block, row))
  const different = [...new Set(texts)].sort(compareWords)
  const ranks = new Map<string, number>()
  for (const [i, text] of different.entries()) {
    const before = different[i - 1]
    // What the language holds for equal is equal here as well.
    ranks.set(text, before !== undefined && compareWords(before, text) === 0 ? (ranks.get(before) as number) : i)
  }
  return Float64Array.from(texts, (text) => ranks.get(text) as number)
}
