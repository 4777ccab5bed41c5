// What a caller says, in captions. Turns follow the talk: the first when they are answered, later ones as the agent
// goes on in the script or after a while of listening.
import type { Work } from '@/core/work'
import { chanceOfCall } from './chance-of-call'
import { businessIdOf, businessOf, type Intent, type Lines, type Stage } from './stage'

type Asked = Pick<Work, 'queueId' | 'campaign' | 'direction'>

function linesFor(stage: Stage, work: Asked, { wants, isWrongNumber }: Intent): Lines {
  if (work.direction === 'outbound') return stage.words.dialled
  if (isWrongNumber) return stage.words.wrongNumber
  const { lines, instead } = businessOf(stage, businessIdOf(work))
  return lines.map((choices, turn) => instead[wants]?.[turn] ?? choices)
}

export const turnsOf = (stage: Stage, work: Asked, intent: Intent): number => linesFor(stage, work, intent).length

/** What this caller says at this turn: the same for the same seed and call. Throws beyond the last. */
export function lineOf(stage: Stage, seed: number, work: Work, intent: Intent, turn: number): string {
  const choices = linesFor(stage, work, intent)[turn]
  if (choices === undefined) throw new Error(`the conversation has no turn ${turn}`)
  const booking = work.customer?.facts.find((f) => f.label === 'Booking')?.value ?? stage.words.noBooking
  return chanceOfCall(seed, work.id, `turn ${turn}`).pick(choices).replace('{booking}', booking)
}
