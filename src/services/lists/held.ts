// A list as it is held in memory while it is worked with.
import type { RecordLife } from '@/core/campaigns'
import type { CallingList, Place } from '@/core/lists'
import { type Chunk, chunkedSource, type ListMeta } from './chunks'

export interface Held {
  readonly meta: ListMeta
  readonly chunks: readonly Chunk[]
  readonly lives: Map<Place, RecordLife>
  /** Made when the campaign is known, and anew when its rules change. */
  list: CallingList | null
  rules: string
  readonly dirty: Set<number>
  source: ReturnType<typeof chunkedSource> | null
}

export function sourceOf(of: Held): ReturnType<typeof chunkedSource> {
  of.source ??= chunkedSource(of.meta, of.chunks, of.lives, (no) => of.dirty.add(no))
  return of.source
}
