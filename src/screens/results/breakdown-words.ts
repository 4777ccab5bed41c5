// Breakdowns in words: what calls are told apart by, what its keys are called, and the figures.
import { format, parseISO } from 'date-fns'
import type { Measures } from '@/core/reports'
import { nameIn } from '@/parts/ui'
import { outcomeLabels, RESULT_WORDS } from '@/parts/words'
import type { CentreView, SeatView } from '@/services/exchange/protocol'
import { type Dimension, NONE } from '@/services/history/client'
import { clockOrNone, percent } from './format'

export const DIMENSION_WORDS: Readonly<Record<Exclude<Dimension, `answer ${string}`>, string>> = {
  queue: 'Queue',
  campaign: 'Campaign',
  agent: 'Agent',
  team: 'Team',
  hour: 'Hour',
  weekday: 'Weekday',
  day: 'Day',
  outcome: 'Outcome',
  result: 'Result',
  path: 'What they chose',
  direction: 'Direction',
}

/** What somebody looks at, save for the days. */
export interface Choice {
  readonly rows: Dimension
  readonly columns: Dimension | null
  readonly figure: string
  readonly compares: boolean
}

export interface Words {
  readonly centre: CentreView
  readonly seats: readonly SeatView[]
}

/** Questions whose answers calls can be told apart by: those with a few answers, each field once. */
export const questionsOf = ({
  scripts,
}: CentreView): readonly { readonly field: string; readonly label: string; readonly options: ReadonlyMap<string, string> }[] => {
  const found = new Map<string, { readonly field: string; readonly label: string; readonly options: ReadonlyMap<string, string> }>()
  for (const script of scripts)
    for (const q of script.pages.flatMap((p) => p.questions)) {
      if (q.kind === 'yesNo')
        found.set(q.field, {
          field: q.field,
          label: q.label,
          options: new Map([
            ['true', 'Yes'],
            ['false', 'No'],
          ]),
        })
      else if ('options' in q) found.set(q.field, { field: q.field, label: q.label, options: new Map(q.options.map((o) => [o.value, o.label])) })
    }
  return [...found.values()].toSorted((a, b) => a.label.localeCompare(b.label))
}

export const dimensionWords = (dimension: Dimension, words: Words): string =>
  dimension.startsWith('answer ')
    ? (questionsOf(words.centre).find((q) => `answer ${q.field}` === dimension)?.label ?? dimension.slice('answer '.length))
    : DIMENSION_WORDS[dimension as keyof typeof DIMENSION_WORDS]

const WEEKDAYS = ['Sunday', 'Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday']
const DIRECTIONS: Readonly<Record<string, string>> = { inbound: 'Inbound', outbound: 'Outbound', campaign: 'Campaign', message: 'Message left' }
const NONE_WORDS: Readonly<Partial<Record<Dimension, string>>> = {
  queue: 'No queue',
  campaign: 'No campaign',
  agent: 'Nobody',
  team: 'No team',
  outcome: 'No outcome',
  path: 'Nothing chosen',
}

export function keyWords(dimension: Dimension, key: string, words: Words): string {
  if (dimension.startsWith('answer ')) {
    if (key === NONE) return 'Not answered'
    return (
      questionsOf(words.centre)
        .find((q) => `answer ${q.field}` === dimension)
        ?.options.get(key) ?? key
    )
  }
  if (key === NONE) return NONE_WORDS[dimension] ?? 'None'
  switch (dimension) {
    case 'queue':
      return nameIn([...words.centre.queues, ...words.centre.formerQueues], key)
    case 'campaign':
      return nameIn(words.centre.campaigns, key)
    case 'agent':
      return nameIn(words.seats, key)
    case 'hour':
      return `${key.padStart(2, '0')}:00`
    case 'weekday':
      return WEEKDAYS[Number(key)] ?? key
    case 'day':
      return format(parseISO(key), 'EEE d MMM')
    case 'outcome':
      return outcomeLabels(words.centre)[key] ?? key
    case 'result':
      return RESULT_WORDS[key as keyof typeof RESULT_WORDS] ?? key
    case 'direction':
      return DIRECTIONS[key] ?? key
    default:
      return key
  }
}

/** Days, hours and weekdays in their own order (a week begins with Monday); everything else by the figure, the most first. */
export function inOrder<T extends { readonly key: string }>(dimension: Dimension, rows: readonly T[], figureOf: (row: T) => number | null): readonly T[] {
  if (dimension === 'hour') return rows.toSorted((a, b) => Number(a.key) - Number(b.key))
  if (dimension === 'weekday') return rows.toSorted((a, b) => ((Number(a.key) + 6) % 7) - ((Number(b.key) + 6) % 7))
  if (dimension === 'day') return rows.toSorted((a, b) => (a.key < b.key ? -1 : 1))
  return rows.toSorted((a, b) => (figureOf(b) ?? -1) - (figureOf(a) ?? -1))
}

export interface Figure {
  readonly id: string
  readonly name: string
  readonly value: (m: Measures) => number | null
  readonly words: (value: number | null) => string
}

const count = (id: string, name: string, value: (m: Measures) => number): Figure => ({ id, name, value, words: (v) => String(v ?? 0) })

export const FIGURES: readonly Figure[] = [
  count('offered', 'Offered', (m) => m.offered),
  count('answered', 'Answered', (m) => m.answered),
  count('abandoned', 'Abandoned', (m) => m.abandoned),
  { id: 'abandonRate', name: 'Abandon rate', value: (m) => m.abandonRatio, words: percent },
  { id: 'serviceLevel', name: 'Service level', value: (m) => m.serviceLevelRatio, words: percent },
  { id: 'speedOfAnswer', name: 'Average speed of answer', value: (m) => m.speedOfAnswer?.meanMs ?? null, words: clockOrNone },
  { id: 'aht', name: 'Average handle time', value: (m) => m.ahtMs, words: clockOrNone },
  count('handled', 'Handled', (m) => m.handledLegs),
  count('coded', 'Coded', (m) => Object.values(m.outcomes).reduce((a, b) => a + b, 0)),
  count('uncoded', 'Uncoded', (m) => m.uncoded),
  { id: 'disagreement', name: 'Disagreement', value: (m) => m.disagreementRatio, words: percent },
]
