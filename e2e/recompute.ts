// Recomputes the figures of MEASURES.md from the exported files alone. Shares nothing with src/: what it knows of
// the product is what the definitions say.

interface Call {
  direction: string
  queue: string | null
  offeredAtMs: number
  answeredAtMs: number | null
  result: string
  shortAbandon: boolean
  outcome: string | null
  script: string | null
  answers: Record<string, unknown>
  agents: { role: string; talkMs: number; holdMs: number; wrapUpMs: number }[]
}

interface AgentState {
  agent: string
  state: string
  fromMs: number
  toMs: number
}

export const fromNdjson = <T>(text: string): T[] =>
  text
    .split('\n')
    .filter((line) => line !== '')
    .map((line) => JSON.parse(line) as T)

/** RFC 4180, enough for a file without stray quotes: the product's own reader is not used on purpose. */
export function fromCsv(text: string): Record<string, string>[] {
  const rows: string[][] = [['']]
  let quoted = false
  for (let i = 0; i < text.length; i++) {
    const row = rows.at(-1) as string[]
    const c = text[i] as string
    if (quoted) {
      if (c === '"' && text[i + 1] === '"') row.push((row.pop() ?? '') + text[++i])
      else if (c === '"') quoted = false
      else row.push((row.pop() ?? '') + c)
    } else if (c === '"') quoted = true
    else if (c === ',') row.push('')
    else if (c === '\n') rows.push([''])
    else if (c !== '\r') row.push((row.pop() ?? '') + c)
  }
  const [header = [], ...rest] = rows.filter((r) => r.length > 1)
  return rest.map((r) => Object.fromEntries(header.map((name, i) => [name, r[i] ?? ''])))
}

const clock = (ms: number): string => {
  const seconds = Math.round(ms / 1000)
  const two = (n: number) => String(n).padStart(2, '0')
  return seconds >= 3600
    ? `${Math.floor(seconds / 3600)}:${two(Math.floor(seconds / 60) % 60)}:${two(seconds % 60)}`
    : `${Math.floor(seconds / 60)}:${two(seconds % 60)}`
}
const percent = (part: number, whole: number): string => (whole === 0 ? 'no calls' : `${((part / whole) * 100).toFixed(1)} %`)

/** The answers that speak against an outcome, as the exported set-up has them. */
const DOUBTFUL = [
  { outcome: 'booking-changed', field: 'purpose', value: 'ask' },
  { outcome: 'booking-changed', field: 'confirmed', value: false },
  { outcome: 'refund-requested', field: 'refundAgreed', value: false },
  { outcome: 'refund-requested', field: 'wish', value: 'wait' },
  { outcome: 'wrong-number', field: 'speaking', value: 'booker' },
]

/** The figures as the screen writes them. T of the service level comes from the set-up, per queue. */
export function figures(callsText: string, statesText: string, serviceLevelMs: Readonly<Record<string, number>>) {
  const calls = fromNdjson<Call>(callsText).filter((c) => c.direction !== 'internal')
  const inbound = calls.filter((c) => c.direction === 'inbound' && c.queue !== null)
  const answered = inbound.filter((c) => c.answeredAtMs !== null)
  const abandoned = inbound.filter((c) => c.result === 'abandoned')
  const short = abandoned.filter((c) => c.shortAbandon).length
  const within = answered.filter((c) => (c.answeredAtMs as number) - c.offeredAtMs <= (serviceLevelMs[c.queue ?? ''] ?? 20_000))
  const legs = calls.filter((c) => c.result === 'handled').flatMap((c) => c.agents.filter((l) => l.role === 'handled' || l.role === 'transferredTo'))
  const handleMs = legs.reduce((sum, l) => sum + l.talkMs + l.holdMs + l.wrapUpMs, 0)
  const withScript = calls.filter((c) => c.outcome !== null && c.script !== null)
  const disagree = withScript.filter((c) => DOUBTFUL.some((d) => d.outcome === c.outcome && c.answers[d.field] === d.value))
  const outcomes: Record<string, number> = {}
  for (const { outcome } of calls) if (outcome !== null) outcomes[outcome] = (outcomes[outcome] ?? 0) + 1
  const states = fromNdjson<AgentState>(statesText)
  const spent = (...names: string[]) => states.filter((s) => names.includes(s.state)).reduce((sum, s) => sum + s.toMs - s.fromMs, 0)
  const busy = spent('onCall', 'writing', 'wrapUp')
  return {
    Offered: String(inbound.length),
    Answered: String(answered.length),
    Abandoned: String(abandoned.length),
    abandonRate: percent(abandoned.length - short, inbound.length - short),
    'Service level': percent(within.length, inbound.length - short),
    Disagreement: percent(disagree.length, withScript.length),
    AHT: legs.length === 0 ? 'no calls' : clock(handleMs / legs.length),
    Occupancy: percent(busy, busy + spent('ready')),
    outcomes,
  }
}

interface AttemptLine {
  startedAtMs: number
  result: string | null
  outcome: string | null
}

/** Outcomes of the Island Pass renewal that say the right person was spoken to, and those that count as a success. */
const RIGHT_PARTY = ['Renewed', 'Declined', 'Moved away', 'Callback agreed', 'Never call again']
const CONVERSION = ['Renewed']

/** Of `attempts.ndjson` of one campaign, from the first of these days to the last, in UTC. */
export function attemptFigures(ndjson: string, from: string, to: string) {
  const dayOf = ({ startedAtMs }: AttemptLine) => new Date(startedAtMs).toISOString().slice(0, 10)
  const attempts = fromNdjson<AttemptLine>(ndjson).filter((a) => dayOf(a) >= from && dayOf(a) <= to)
  const count = (is: (a: AttemptLine) => boolean) => attempts.filter(is).length.toLocaleString('en-GB')
  const coded = (codes: string[]) => (a: AttemptLine) => a.result === 'live' && a.outcome !== null && codes.includes(a.outcome)
  return {
    figures: {
      Attempts: count(() => true),
      'Live answers': count((a) => a.result === 'live' || a.result === 'abandoned'),
      Connected: count((a) => a.result === 'live'),
      'Right party': count(coded(RIGHT_PARTY)),
      Conversions: count(coded(CONVERSION)),
    },
    abandoned: attempts.filter((a) => a.result === 'abandoned').length,
  }
}
