// A page of all calls, found in columns: what is searched, filtered and sorted by is looked at for every call, and only the calls of the page are put
// together. What it answers is what `pageOfCalls` answers of the records; a property holds them against each other.
import { bisectRight, type Primitive, quickselect } from 'd3-array'
import type { CallRecord } from '@/core/ledger'
import { type CallsAsked, type CallsPage, compareWords } from './calls'
import { type CallsBlock, listWords, numberAt, phoneAt, placeAt, recordAt, type Texts, textAt, valueAt, type Words, wholeOf } from './columns'
import { type Names, named } from './names'
import { internalIn, rowsIn } from './tally'

export function pageOfBlocks(
  blocks: readonly CallsBlock[],
  span: { readonly fromMs: number; readonly toMs: number },
  asked: CallsAsked,
  names: Names,
): CallsPage {
  let all = 0
  const found: Found[] = []
  for (const block of blocks) {
    const [from, to] = rowsIn(block, span)
    const fits = from === to ? null : filterOf(block, asked, names)
    if (fits === null) continue
    const internal = internalIn(block)
    const those = Uint32Array.from({ length: to - from }, (_, i) => from + i)
    const rows = internal === null ? those : those.filter((row) => !internal(row))
    all += rows.length
    found.push({ block, rows: fits === ANY ? rows : rows.filter(fits) })
  }
  const order = sorted(found, asked, names)
  const rows = Array.from(order.slice(asked.from, asked.from + asked.atMost), (place) => named(recordOf(found, place), names))
  return { all, found: order.length, from: asked.from, rows }
}

/** Rows of a block that were asked for. */
interface Found {
  readonly block: CallsBlock
  readonly rows: Uint32Array
}

/** By the place among all that was found. */
function recordOf(found: readonly Found[], place: number): CallRecord {
  let left = place
  for (const { block, rows } of found) {
    if (left < rows.length) return recordAt(block, rows[left] as number)
    left -= rows.length
  }
  throw new Error(`there is no call at ${place}`)
}

const ANY = () => true

function filterOf(block: CallsBlock, { queueId, result, search, words }: CallsAsked, names: Names): (row: number) => boolean {
  const queues = listWords(block.queueId)
  const results = listWords(block.result)
  const tests: ((row: number) => boolean)[] = []
  if (queueId === 'dialled') tests.push((row) => placeAt(block.queueId, row) === null)
  else if (queueId !== null) tests.push((row) => queues[placeAt(block.queueId, row) ?? -1] === queueId)
  if (result !== null) tests.push((row) => results[placeAt(block.result, row) ?? -1] === result)
  for (const word of search.trim().toLowerCase().split(/\s+/).filter(Boolean)) tests.push(hasWord(block, word, words, names))
  return tests.length === 0 ? ANY : (row) => tests.every((test) => test(row))
}

/** Whether a call speaks of a word: who it was with, its number, its notes, its outcome or its agents do. */
function hasWord(block: CallsBlock, word: string, words: CallsAsked['words'], names: Names): (row: number) => boolean {
  const hit = (texts: readonly string[]) => texts.map((text) => text.toLowerCase().includes(word))
  const outcomes = hit(listWords(block.outcome).map((code) => words.outcomes[code] ?? code))
  const results = hit(listWords(block.result).map((r) => words.results[r as keyof typeof words.results] ?? r))
  const agents = hit(listWords(block.legs.agentId).map((id) => names.agent(id, null) ?? ''))
  const former = hit(listWords(block.legs.agent))
  const isUnknown = listWords(block.legs.agentId).map((id) => names.agent(id, null) === null)
  const customers = rowsWith(block.customer, word)
  const notes = rowsWith(block.notes, word)
  const isNumberLike = /^\+?\d*$/.test(word)
  const { starts } = block.legs
  return (row) => {
    if (customers.has(row) || notes.has(row)) return true
    const code = placeAt(block.outcome, row)
    if (code === null ? results[placeAt(block.result, row) ?? -1] : outcomes[code]) return true
    for (let at = starts[row] as number; at < (starts[row + 1] as number); at++) {
      const agent = placeAt(block.legs.agentId, at) ?? -1
      if (isUnknown[agent] ? former[placeAt(block.legs.agent, at) ?? -1] : agents[agent]) return true
    }
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

/** Places of what was found, in the order asked for as far as it is shown; what is equal, the latest first. */
function sorted(found: readonly Found[], { sort: { by, descending }, words, from, atMost }: CallsAsked, names: Names): Uint32Array {
  const count = found.reduce((n, { rows }) => n + rows.length, 0)
  const offered = numbersOf(found, count, (block) => (row) => valueAt(block.offeredAtMs, row))
  const order = Uint32Array.from({ length: count }, (_, i) => i)
  // As they are kept they are in the order they were offered, nearly always.
  if (by === 'offeredAtMs' && isAscending(offered)) return descending ? latestFirst(offered, order) : order
  const keys = by === 'offeredAtMs' ? offered : keysOf(found, count, by, words, names)
  const sign = descending ? -1 : 1
  const compare = (a: number, b: number) => sign * ((keys[a] as number) - (keys[b] as number)) || (offered[b] as number) - (offered[a] as number) || a - b
  const shown = from + atMost
  if (shown >= count) return order.sort(compare)
  // The first of them in order, the others wherever they are: nobody looks at those.
  quickselect(order as unknown as number[], shown, 0, count - 1, compare as (a: Primitive | undefined, b: Primitive | undefined) => number)
  order.subarray(0, shown + 1).sort(compare)
  return order
}

/** Of each that was found, in the order they were found. */
function numbersOf(found: readonly Found[], count: number, of: (block: CallsBlock) => (row: number) => number): Float64Array {
  const values = new Float64Array(count)
  let at = 0
  for (const { block, rows } of found) {
    const read = of(block)
    for (const row of rows) values[at++] = read(row)
  }
  return values
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

function keysOf(
  found: readonly Found[],
  count: number,
  by: Exclude<CallsAsked['sort']['by'], 'offeredAtMs'>,
  words: CallsAsked['words'],
  names: Names,
): Float64Array {
  switch (by) {
    case 'wait':
      return numbersOf(found, count, (b) => (row) => (numberAt(b.answeredAtMs, row) ?? valueAt(b.endedAtMs, row)) - valueAt(b.offeredAtMs, row))
    case 'talk':
      return numbersOf(found, count, ({ legs }) => (row) => {
        let ms = 0
        for (let at = legs.starts[row] as number; at < (legs.starts[row + 1] as number); at++) ms += valueAt(legs.talkMs, at)
        return ms
      })
    case 'queue':
      return ranked(found, count, (b) => nameIn(b.queueId, b.queue, names.queue))
    case 'customer':
      return ranked(found, count, (b) => textsIn(b.customer))
    case 'number':
      return ranked(found, count, (b) => (row) => phoneAt(b, row) ?? '')
    case 'agent':
      return ranked(found, count, ({ legs }) => {
        const name = nameIn(legs.agentId, legs.agent, names.agent)
        return (row) =>
          Array.from({ length: (legs.starts[row + 1] as number) - (legs.starts[row] as number) }, (_, i) => name((legs.starts[row] as number) + i)).join(', ')
      })
    case 'outcome':
      return ranked(found, count, (b) => {
        const [codes, results] = [listWords(b.outcome), listWords(b.result)]
        const said = codes.map((code) => words.outcomes[code] ?? code)
        const came = results.map((result) => words.results[result as keyof typeof words.results] ?? result)
        return (row) => said[placeAt(b.outcome, row) ?? -1] ?? came[placeAt(b.result, row) ?? -1] ?? ''
      })
  }
}

/** The name now of whom a row speaks of. */
function nameIn(ids: Words, then: Words, nameOf: Names['queue']): (row: number) => string {
  const [known, former] = [listWords(ids), listWords(then)]
  const now = known.map((id) => nameOf(id, null))
  return (row) => now[placeAt(ids, row) ?? -1] ?? former[placeAt(then, row) ?? -1] ?? ''
}

/** null is the empty text here. */
function textsIn(texts: Texts): (row: number) => string {
  const whole = wholeOf(texts)
  return (row) => {
    const text = whole.slice(texts.at[row], texts.at[row + 1])
    return text === '\u0000' ? '' : text
  }
}

/** Of texts that come again and again: each is compared as its place among the different ones. */
function ranked(found: readonly Found[], count: number, of: (block: CallsBlock) => (row: number) => string): Float64Array {
  const places = new Map<string, number>()
  const values = numbersOf(found, count, (block) => {
    const textOf = of(block)
    return (row) => {
      const text = textOf(row)
      const known = places.get(text)
      if (known !== undefined) return known
      places.set(text, places.size)
      return places.size - 1
    }
  })
  const texts = [...places.keys()]
  const byRank = texts.map((_, i) => i).sort((a, b) => compareWords(texts[a] as string, texts[b] as string))
  const ranks = new Float64Array(texts.length)
  for (const [rank, i] of byRank.entries()) {
    const before = byRank[rank - 1]
    // What the language holds for equal is equal here as well.
    const isSame = before !== undefined && compareWords(texts[before] as string, texts[i] as string) === 0
    ranks[i] = isSame ? (ranks[before] as number) : rank
  }
  return values.map((place) => ranks[place] as number)
}
