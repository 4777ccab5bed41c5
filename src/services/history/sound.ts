// How calls sounded, as agents say who rated them: by the path that carried the agent's voice, and by the range of the numbers at the other end.
import { groups } from 'd3-array'
import type { CallRecord } from '@/core/ledger'
import type { SoundCause } from '@/core/sound-quality'
import { type CallsBlock, phoneAt, valueAt } from './columns'

export interface SoundAsked {
  readonly fromMs: number
  /** Excluded. */
  readonly toMs: number
}

export interface SoundRow {
  readonly of: string
  readonly rated: number
  readonly causes: Readonly<Partial<Record<SoundCause, number>>>
  /** Mean R of the lines that were measured (ITU-T G.107); null where none was. */
  readonly meanR: number | null
}

export interface SoundReport {
  readonly all: SoundRow
  readonly paths: readonly SoundRow[]
  readonly ranges: readonly SoundRow[]
}

/** Country and what follows: as numbers are given out. */
const RANGE_LENGTH = 5

export function soundOf(blocks: readonly CallsBlock[], { fromMs, toMs }: SoundAsked): SoundReport {
  const rated: { readonly range: string; readonly rating: CallRecord['sound'][number] }[] = []
  for (const block of blocks)
    for (const [row, ratings] of block.sound ?? []) {
      const atMs = valueAt(block.offeredAtMs, row)
      const range = phoneAt(block, row)?.slice(0, RANGE_LENGTH) ?? 'withheld'
      if (atMs >= fromMs && atMs < toMs) rated.push(...ratings.map((rating) => ({ range, rating })))
    }
  const by = (keyOf: (r: (typeof rated)[number]) => string) =>
    groups(rated, keyOf)
      .map(([of, some]) => rowOf(of, some))
      .toSorted((a, b) => b.rated - a.rated || (a.of < b.of ? -1 : 1))
  return { all: rowOf('all', rated), paths: by(({ rating }) => rating.path), ranges: by(({ range }) => range) }
}

function rowOf(of: string, rated: readonly { readonly rating: CallRecord['sound'][number] }[]): SoundRow {
  const causes: Partial<Record<SoundCause, number>> = {}
  for (const { rating } of rated) if (rating.cause !== null) causes[rating.cause] = (causes[rating.cause] ?? 0) + 1
  const measured = rated.flatMap(({ rating }) => rating.r ?? [])
  return { of, rated: rated.length, causes, meanR: measured.length === 0 ? null : measured.reduce((sum, r) => sum + r, 0) / measured.length }
}
