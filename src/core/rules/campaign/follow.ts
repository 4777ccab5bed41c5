// What follows for campaigns from anything that happens on the floor: records nobody can decide about go back, people who wait find an agent, and who asked
// to leave leaves. After the queues: a caller of theirs goes first.
import { type Draft, type TableName, touched } from '@/core/state'
import { takeBackPreviews } from './preview'
import { letLeave, putThroughWaiting } from './put-through'

const CONCERN: readonly TableName[] = ['agents', 'attempts', 'previews', 'campaigns', 'callbacks']

export function followCampaigns(draft: Draft): void {
  const { state, journal } = draft
  if (state.setUp.campaigns.length === 0 || CONCERN.every((table) => touched(journal, table).size === 0)) return
  if (state.previews.size > 0) takeBackPreviews(draft)
  putThroughWaiting(draft)
  letLeave(draft)
}
