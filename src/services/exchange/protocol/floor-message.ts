// What the floor answers, and what it sends by itself.
import type { ListName, SharedLists, TabView } from './floor-view'

export interface RefusalView {
  readonly reason: string
  readonly says: string
  readonly next: string
}

/** Of an act: for whom it was taken back, and who was left as they are by now; agents by id, a queue by its own. */
export interface TakenBack {
  readonly undone: readonly string[]
  readonly leftAlone: readonly string[]
}

export type FloorMessage =
  /** `kept`: what the command did is on disk. False while storage is refused. */
  | { readonly kind: 'reply'; readonly requestId: string; readonly ok: true; readonly kept: boolean; readonly text: string | null }
  | { readonly kind: 'reply'; readonly requestId: string; readonly ok: false; readonly refusal: RefusalView }
  /**
   * The parts of the view that changed, and of its lists the rows that did; the first one carries all of them. `atMs` is the floor's time, which
   * every clock on a desk goes by.
   */
  | { readonly kind: 'view'; readonly atMs: number; readonly changes: Partial<TabView>; readonly lists: ListChanges }
  /** Entries up to this one are stored. */
  | { readonly kind: 'stored'; readonly seq: number }
  /** Whoever has a shift here says that they are there: `BEAT`, at once. */
  | { readonly kind: 'pulse' }
  /** What is stored cannot be read for now, in the browser's words; it is tried again. */
  | { readonly kind: 'notOpened'; readonly says: string }
  /** Something else has taken the place of everything that was stored: pages begin anew. */
  | { readonly kind: 'replaced' }
  /** This worker ends now, and another one opens the floor from what is stored: whoever hears it goes there. */
  | { readonly kind: 'reopens' }

/** Rows that are new or differ, and, where rows came, went or moved, the keys of all of them in order. */
export interface RowChanges<T> {
  readonly rows: readonly T[]
  readonly order: readonly string[] | null
}

export type ListChanges = { readonly [L in ListName]?: RowChanges<SharedLists[L][number]> }
