// Short hands for writing scripts down.
import type { Page, Question } from '@/core/scripts'

export const page = (id: string, title: string, rest: Partial<Page>): Page => ({
  id,
  title,
  say: [],
  direction: null,
  questions: [],
  ways: [],
  suggests: [],
  sensitive: false,
  readingMs: null,
  ...rest,
})
export const choice = (field: string, label: string, options: Record<string, string>): Question => ({
  kind: 'choice',
  field,
  label,
  options: Object.entries(options).map(([value, text]) => ({ value, label: text })),
})
export const yesNo = (field: string, label: string): Question => ({ kind: 'yesNo', field, label })
export const text = (field: string, label: string): Question => ({ kind: 'text', field, label, shape: null })
export const reference = (field: string, label: string): Question => ({ kind: 'text', field, label, shape: { pattern: 'FL-?\\d{6}', example: 'FL-204816' } })
export const to = (target: string): Page['ways'] => [{ when: null, to: target }]
export const when = (field: string, ways: Record<string, string>): Page['ways'] =>
  Object.entries(ways).map(([is, target]) => ({ when: { field, is }, to: target }))
export const yes = (field: string, target: string, otherwise: string): Page['ways'] => [
  { when: { field, is: true }, to: target },
  { when: { field, is: false }, to: otherwise },
]

export const disclosure = (field: string, label: string, words: string): Question => ({ kind: 'disclosure', field, label, text: words })
export const moment = (field: string, label: string): Question => ({ kind: 'moment', field, label, of: 'dateTime' })
export const number = (field: string, label: string, least: number, most: number, unit = ''): Question => ({ kind: 'number', field, label, least, most, unit })
export const several = (field: string, label: string, options: Record<string, string>): Question => ({
  kind: 'several',
  field,
  label,
  options: Object.entries(options).map(([value, words]) => ({ value, label: words })),
})

export const ROUTES = {
  arnmoorSkarvey: 'Arnmoor – Skarvey',
  arnmoorOskerry: 'Arnmoor – Oskerry',
  skarveyTarn: 'Skarvey – Little Tarn',
  hytheArnmoor: 'Great Hythe – Arnmoor',
} as const
