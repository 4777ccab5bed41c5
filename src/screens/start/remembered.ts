// What an agent chose at the start of their last shift on this computer, to be offered again.
import { readComfort, writeComfort } from '@/parts/ui'

export interface LastChoice {
  readonly queueIds: readonly string[]
  readonly campaignId: string | null
  readonly path: (typeof PATHS)[number]
}

const PATHS = ['computer', 'handset', 'ownPhone'] as const
const keyOf = (agentId: string) => `last shift ${agentId}`

/** null when there is none, or what is stored is not one: this page loads no schema library for two fields. */
export function lastChoice(agentId: string): LastChoice | null {
  const [path, ...ids] = (readComfort(keyOf(agentId)) ?? '').split(' ')
  const known = PATHS.find((p) => p === path)
  return known === undefined
    ? null
    : { path: known, queueIds: ids.filter((id) => id.startsWith('queue_')), campaignId: ids.find((id) => id.startsWith('campaign_')) ?? null }
}

export const rememberChoice = (agentId: string, { path, queueIds, campaignId }: LastChoice): void =>
  writeComfort(keyOf(agentId), [path, ...queueIds, ...(campaignId === null ? [] : [campaignId])].join(' '))
