// Which answers a script offers, over all versions of all scripts there are.
import type { SetUp } from '@/core/set-up'
import type { IsOffered } from './left'

export function offeredBy({ scripts }: Pick<SetUp, 'scripts'>): IsOffered {
  const offered = new Set<string>()
  for (const { pages } of scripts)
    for (const { questions } of pages)
      for (const question of questions) if ('options' in question) for (const { value } of question.options) offered.add(`${question.field} ${value}`)
  return (field, value) => offered.has(`${field} ${value}`)
}
